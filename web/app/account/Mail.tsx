import { Flex, Input, Text } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState, type ReactNode } from "react";
import { api, take } from "../../api/client";
import { Card } from "../../kit/Card";
import { MainButton } from "../../kit/MainButton";
import { sayDone } from "../../kit/toaster";
import { PasswordField } from "./PasswordField";
import { t } from "../../words/app";

/** Where a mail for a forgotten password goes. */
export function Mail(): ReactNode {
  const queries = useQueryClient();
  const account = useQuery({ queryKey: ["account"], queryFn: () => take(api.GET("/api/account")) });
  const [typed, setTyped] = useState<string | null>(null);
  const [password, setPassword] = useState("");
  const mail = typed ?? account.data?.mail ?? "";
  const change = useMutation({
    mutationFn: () => take(api.PUT("/api/account/mail", { body: { mail, password } })),
    onSuccess: (changed) => {
      queries.setQueryData(["account"], changed);
      setTyped(null);
      setPassword("");
      sayDone(t("theMailAddressIsChanged"));
    },
  });
  return (
    <Card title={t("mailAddress")}>
      <Text color="quiet" mb="2">{t("ifYouForgetThePassword")}</Text>
      <form onSubmit={(event) => { event.preventDefault(); change.mutate(); }}>
        <Flex gap="2" wrap={{ base: "wrap", md: "nowrap" }}>
          <Input
            size="sm" type="email" aria-label={t("mailAddress")} placeholder={t("noneYet")} maxLength={254}
            autoComplete="email" value={mail} onChange={(event) => setTyped(event.target.value)}
          />
          {typed !== null && <PasswordField label={t("password")} value={password} onChange={setPassword} />}
          <MainButton type="submit" loading={change.isPending} disabled={typed === null}>{t("changeIt")}</MainButton>
        </Flex>
      </form>
      {change.isError && <Text role="alert" color="brick" mt="2">{change.error.message}</Text>}
    </Card>
  );
}
