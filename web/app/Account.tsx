import { Box, Code, Flex, Heading, Input, Link, Stack, Text } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Trash2 } from "lucide-react";
import { useState, type ReactNode } from "react";
import { api, take } from "../api/client";
import { Card } from "../kit/Card";
import { MainButton } from "../kit/MainButton";
import { Tool } from "../kit/Tool";
import { PageHeader } from "../kit/PageHeader";
import { sayDone, sayError } from "../kit/toaster";
import { ago } from "../kit/units";

/** What belongs to an author: the password, and personal tokens for scripts. */
export function Account(): ReactNode {
  const queries = useQueryClient();
  const tokens = useQuery({ queryKey: ["tokens"], queryFn: () => take(api.GET("/api/tokens")) });
  const [name, setName] = useState("");
  const refresh = (): Promise<void> => queries.invalidateQueries({ queryKey: ["tokens"] });
  const make = useMutation({
    mutationFn: () => take(api.POST("/api/tokens", { body: { name } })),
    onSuccess: () => { setName(""); void refresh(); }, onError: sayError,
  });
  const revoke = useMutation({
    mutationFn: (id: number) =>
      take(api.DELETE("/api/tokens/{token_id}", { params: { path: { token_id: id } } })),
    onSuccess: () => void refresh(), onError: sayError,
  });
  return (
    <Box minH="100%" bg="table">
      <PageHeader />
      <Stack as="main" maxW="760px" mx="auto" p="8" gap="5">
        <Heading as="h1" fontSize="28px">Your account</Heading>
        <Password />
        <Heading as="h2" fontSize="20px">Personal tokens</Heading>
        <Text color="quiet">
          With a token, a script can do all that you can do here.{" "}
          <Link href="/api/docs" color="spruce" textDecoration="underline">Read the API</Link>
        </Text>
        <Card title="New token">
          <form onSubmit={(event) => { event.preventDefault(); make.mutate(); }}>
            <Flex gap="2">
              <Input
                size="sm" aria-label="What the token is for" placeholder="What it is for"
                value={name} onChange={(event) => setName(event.target.value)} required
                maxLength={100}
              />
              <MainButton type="submit" loading={make.isPending}>Make a token</MainButton>
            </Flex>
          </form>
          {make.data && (
            <Box mt="3" p="3" bg="marigold.soft" borderRadius="card" role="status">
              <Text>Copy it now; it is not shown again.</Text>
              <Code mt="1" wordBreak="break-all">{make.data.secret}</Code>
            </Box>
          )}
        </Card>
        <Card title="Your tokens">
          {tokens.data?.length === 0 && <Text color="quiet">None yet.</Text>}
          {tokens.data?.map((token) => (
            <Flex key={token.id} align="center" justify="space-between" py="1.5">
              <Text fontWeight="600">{token.name}</Text>
              <Flex align="center" gap="3">
                <Text color="quiet">
                  {token.last_used ? `used ${ago(token.last_used)}` : "never used"}
                </Text>
                <Tool label={`Revoke ${token.name}`} onClick={() => revoke.mutate(token.id)}>
                  <Trash2 size={16} />
                </Tool>
              </Flex>
            </Flex>
          ))}
        </Card>
      </Stack>
    </Box>
  );
}

/** A new password, for who knows the one so far. */
function Password(): ReactNode {
  const [old, setOld] = useState("");
  const [fresh, setFresh] = useState("");
  const change = useMutation({
    mutationFn: () => take(api.PUT("/api/password", { body: { old, new: fresh } })),
    onSuccess: () => { setOld(""); setFresh(""); sayDone("The password is changed. Other sessions have ended."); },
  });
  const field = (label: string, value: string, put: (value: string) => void, complete: string): ReactNode => (
    <Input
      size="sm" type="password" aria-label={label} placeholder={label} value={value} required maxLength={200} autoComplete={complete}
      onChange={(event) => put(event.target.value)}
    />
  );
  return (
    <Card title="Password">
      <form onSubmit={(event) => { event.preventDefault(); change.mutate(); }}>
        <Flex gap="2" wrap={{ base: "wrap", md: "nowrap" }}>
          {field("Password so far", old, setOld, "current-password")}
          {field("New password", fresh, setFresh, "new-password")}
          <MainButton type="submit" loading={change.isPending}>Change it</MainButton>
        </Flex>
      </form>
      {change.isError && <Text role="alert" color="brick" mt="2">{change.error.message}</Text>}
    </Card>
  );
}
