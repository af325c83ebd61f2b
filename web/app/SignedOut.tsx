import { Box, Center, Field, Heading, Input, Link, Stack, Text } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState, type ReactNode } from "react";
import { Link as To, Route, Routes, useNavigate, useParams } from "react-router";
import { api, take } from "../api/client";
import { MainButton } from "../kit/MainButton";
import { Zigzag } from "../kit/Zigzag";
import { t } from "../words/app";

/** All there is without a session: signing in, and a new password for who has forgotten it. */
export default function SignedOut(): ReactNode {
  return (
    <Center minH="100%" bg="table" as="main">
      <Box bg="sheet" p="8" borderRadius="card" borderWidth="1px" w="360px">
        <Zigzag />
        <Routes>
          <Route path="/forgotten" element={<Forgotten />} />
          <Route path="/reset/:account/:token" element={<NewPassword />} />
          <Route path="*" element={<SignIn />} />
        </Routes>
      </Box>
    </Center>
  );
}

function SignIn(): ReactNode {
  const queries = useQueryClient();
  const [name, setName] = useState("");
  const [password, setPassword] = useState("");
  const signIn = useMutation({
    mutationFn: () => take(api.POST("/api/session", { body: { name, password } })),
    onSuccess: () => queries.invalidateQueries(),
  });
  return (
    <Form title={t("signInToZigzag")} work={signIn} button="Sign in" aside={<Aside to="/forgotten">{t("iHaveForgottenThePassword")}</Aside>}>
      <Labelled label={t("name")}><Input name="name" autoComplete="username" required autoFocus value={name} onChange={(event) => setName(event.target.value)} /></Labelled>
      <Labelled label={t("password")}><Input name="password" type="password" autoComplete="current-password" required value={password} onChange={(event) => setPassword(event.target.value)} /></Labelled>
    </Form>
  );
}

function Forgotten(): ReactNode {
  const [name, setName] = useState("");
  const ask = useMutation({ mutationFn: () => take(api.POST("/api/password/forgotten", { body: { name } })) });
  if (ask.isSuccess) {
    return (
      <>
        <Heading as="h1" mt="3" mb="5" fontSize="24px">{t("lookIntoYourMail")}</Heading>
        <Text role="status" mb="4">
          {t("ifThereIsSuchAn")}
        </Text>
        <Aside to="/">{t("backToSigningIn")}</Aside>
      </>
    );
  }
  return (
    <Form title={t("forgottenPassword")} work={ask} button="Send me a mail" aside={<Aside to="/">{t("backToSigningIn")}</Aside>}>
      <Labelled label={t("nameOrMailAddress")}><Input name="name" autoComplete="username" required autoFocus maxLength={254} value={name} onChange={(event) => setName(event.target.value)} /></Labelled>
    </Form>
  );
}

function NewPassword(): ReactNode {
  const { account = "", token = "" } = useParams();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [fresh, setFresh] = useState("");
  const change = useMutation({
    mutationFn: () => take(api.POST("/api/password/reset", { body: { account, token, new: fresh } })),
    // Whoever was signed in here may be so no longer.
    onSuccess: () => queries.invalidateQueries({ queryKey: ["session"] }),
  });
  if (change.isSuccess) {
    return (
      <>
        <Heading as="h1" mt="3" mb="5" fontSize="24px">{t("thePasswordIsChanged")}</Heading>
        <Text role="status" mb="4">{t("allSessionsAndTokensOf")}</Text>
        <MainButton onClick={() => void navigate("/")}>{t("signIn")}</MainButton>
      </>
    );
  }
  return (
    <Form title={t("chooseANewPassword")} work={change} button="Change it" aside={<Aside to="/forgotten">{t("askForAnotherMail")}</Aside>}>
      <Labelled label={t("newPassword")}><Input name="new" type="password" autoComplete="new-password" required autoFocus maxLength={200} value={fresh} onChange={(event) => setFresh(event.target.value)} /></Labelled>
    </Form>
  );
}

function Form(
  { title, work, button, aside, children }: {
    title: string; button: string; aside: ReactNode; children: ReactNode;
    work: { mutate: () => void; isPending: boolean; error: Error | null };
  },
): ReactNode {
  return (
    <>
      <Heading as="h1" mt="3" mb="5" fontSize="24px">{title}</Heading>
      <form onSubmit={(event) => { event.preventDefault(); work.mutate(); }}>
        <Stack gap="4">
          {children}
          {work.error && <Text role="alert" color="brick">{work.error.message}</Text>}
          <MainButton type="submit" loading={work.isPending}>{button}</MainButton>
          {aside}
        </Stack>
      </form>
    </>
  );
}

function Labelled({ label, children }: { label: string; children: ReactNode }): ReactNode {
  return <Field.Root><Field.Label>{label}</Field.Label>{children}</Field.Root>;
}

function Aside({ to, children }: { to: string; children: ReactNode }): ReactNode {
  return <Link asChild color="spruce" textDecoration="underline" fontSize="14px"><To to={to}>{children}</To></Link>;
}
