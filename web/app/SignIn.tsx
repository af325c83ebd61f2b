import { Box, Center, Field, Heading, Input, Stack, Text } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { useState, type FormEvent, type ReactNode } from "react";
import { api, take } from "../api/client";
import { MainButton } from "../kit/MainButton";
import { Zigzag } from "../kit/Zigzag";

/** Signing in. */
export function SignIn(): ReactNode {
  const queries = useQueryClient();
  const [problem, setProblem] = useState("");

  async function submit(event: FormEvent<HTMLFormElement>): Promise<void> {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    try {
      const body = { name: String(form.get("name")), password: String(form.get("password")) };
      await take(api.POST("/api/session", { body }));
      await queries.invalidateQueries();
    } catch (error) {
      setProblem(error instanceof Error ? error.message : "It did not work.");
    }
  }

  return (
    <Center minH="100%" bg="table" as="main">
      <Box bg="sheet" p="8" borderRadius="card" borderWidth="1px" w="360px">
        <Zigzag />
        <Heading as="h1" mt="3" mb="5" fontSize="24px">Sign in to Zigzag</Heading>
        <form onSubmit={(event) => void submit(event)}>
          <Stack gap="4">
            <Field.Root>
              <Field.Label>Name</Field.Label>
              <Input name="name" autoComplete="username" required autoFocus />
            </Field.Root>
            <Field.Root>
              <Field.Label>Password</Field.Label>
              <Input name="password" type="password" autoComplete="current-password" required />
            </Field.Root>
            {problem && <Text role="alert" color="brick">{problem}</Text>}
            <MainButton type="submit">Sign in</MainButton>
          </Stack>
        </form>
      </Box>
    </Center>
  );
}
