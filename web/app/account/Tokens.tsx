import { Box, Code, Flex, Heading, Input, Link, NativeSelect, Text } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Trash2 } from "lucide-react";
import { useState, type ReactNode } from "react";
import { api, take } from "../../api/client";
import { Card } from "../../kit/Card";
import { MainButton } from "../../kit/MainButton";
import { Tool } from "../../kit/Tool";
import { sayError } from "../../kit/toaster";
import { ago } from "../../kit/units";
import { t } from "../../words/app";

type Scope = "read" | "all";
const SCOPES: readonly (readonly [Scope, string])[] = [["all", t("readsAndChanges")], ["read", t("onlyReads")]];
const DAYS: readonly (readonly [number, string])[] = [[30, t("for30Days")], [90, t("for90Days")], [366, t("forAYear")]];

/** Personal tokens for scripts: what each may do, and until when. */
export function Tokens(): ReactNode {
  const queries = useQueryClient();
  const tokens = useQuery({ queryKey: ["tokens"], queryFn: () => take(api.GET("/api/tokens")) });
  const [name, setName] = useState("");
  const [scope, setScope] = useState<Scope>("all");
  const [days, setDays] = useState(90);
  const refresh = (): Promise<void> => queries.invalidateQueries({ queryKey: ["tokens"] });
  const make = useMutation({
    mutationFn: () => take(api.POST("/api/tokens", { body: { name, scope, days } })),
    onSuccess: () => { setName(""); void refresh(); }, onError: sayError,
  });
  const revoke = useMutation({
    mutationFn: (id: number) =>
      take(api.DELETE("/api/tokens/{token_id}", { params: { path: { token_id: id } } })),
    onSuccess: () => void refresh(), onError: sayError,
  });
  const ended = (expires: string): boolean => Date.parse(expires) < Date.now();
  return (
    <>
      <Heading as="h2" fontSize="20px">{t("personalTokens")}</Heading>
      <Text color="quiet">
        {t("withATokenAScript")}{" "}
        <Link href="/api/docs" color="spruce" textDecoration="underline">{t("readTheApi")}</Link>
      </Text>
      <Card title={t("newToken")}>
        <form onSubmit={(event) => { event.preventDefault(); make.mutate(); }}>
          <Flex gap="2" wrap={{ base: "wrap", md: "nowrap" }}>
            <Input
              size="sm" aria-label={t("whatTheTokenIsFor")} placeholder={t("whatItIsFor")}
              value={name} onChange={(event) => setName(event.target.value)} required
              maxLength={100}
            />
            <Pick label={t("whatItMayDo")} value={scope} options={SCOPES} onChange={(value) => setScope(value === "read" ? "read" : "all")} />
            <Pick label={t("forHowLong")} value={days} options={DAYS} onChange={(value) => setDays(Number(value))} />
            <MainButton type="submit" loading={make.isPending}>{t("makeAToken")}</MainButton>
          </Flex>
        </form>
        {make.data && (
          <Box mt="3" p="3" bg="marigold.soft" borderRadius="card" role="status">
            <Text>{t("copyItNowItIs")}</Text>
            <Code mt="1" wordBreak="break-all">{make.data.secret}</Code>
          </Box>
        )}
      </Card>
      <Card title={t("yourTokens")}>
        {tokens.data?.length === 0 && <Text color="quiet">{t("noneYet2")}</Text>}
        {tokens.data?.map((token) => (
          <Flex key={token.id} align="center" justify="space-between" py="1.5" gap="3">
            <Text>
              <Text as="span" fontWeight="600">{token.name}</Text>
              <Text as="span" color="quiet">{token.scope === "read" ? t("onlyReads2") : ""}</Text>
            </Text>
            <Flex align="center" gap="3">
              <Text color="quiet">
                {token.last_used ? t("usedAgo", { ago: ago(token.last_used) }) : t("neverUsed")},{" "}
                {ended(token.expires) ? t("hasEnded") : t("endsAgo", { ago: ago(token.expires) })}
              </Text>
              <Tool label={t("revokeName", { name: token.name })} onClick={() => revoke.mutate(token.id)}>
                <Trash2 size={16} />
              </Tool>
            </Flex>
          </Flex>
        ))}
      </Card>
    </>
  );
}

function Pick(
  { label, value, options, onChange }: {
    label: string; value: string | number; options: readonly (readonly [string | number, string])[];
    onChange: (value: string) => void;
  },
): ReactNode {
  return (
    <NativeSelect.Root size="sm" w="auto" flex="none">
      <NativeSelect.Field aria-label={label} value={value} onChange={(event) => onChange(event.currentTarget.value)}>
        {options.map(([key, words]) => <option key={key} value={key}>{words}</option>)}
      </NativeSelect.Field>
      <NativeSelect.Indicator />
    </NativeSelect.Root>
  );
}
