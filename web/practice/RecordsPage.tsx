import { Box, Code, Flex, Grid, Heading, Input, Text } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Download, Trash2 } from "lucide-react";
import { useState, type ReactNode } from "react";
import { api, take } from "../api/client";
import type { components } from "../api/api";
import { Card } from "../kit/Card";
import { Fact } from "../kit/Fact";
import { MainButton } from "../kit/MainButton";
import { PageHeader } from "../kit/PageHeader";
import { QuietButton } from "../kit/QuietButton";
import { Tool } from "../kit/Tool";
import { fetchAs } from "../kit/download";
import { usePages } from "../kit/pages";
import { sayError } from "../kit/toaster";
import { ago } from "../kit/units";
import { ToPackages } from "./ToPackages";
import { t } from "../words/practice";

type Store = components["schemas"]["StoreOut"];
type Statement = components["schemas"]["StatementOut"];

const PAGE = 50;

/** The record store of the practice LMS: where clients find it, who has a key, what is in it. */
export default function RecordsPage(): ReactNode {
  const store = useQuery({ queryKey: ["records"], queryFn: () => take(api.GET("/api/practice/records")) });
  return (
    <Box minH="100%" bg="table">
      <PageHeader />
      <Box as="main" maxW="1200px" mx="auto" px="6" py="6">
        <ToPackages />
        <Heading as="h1" fontSize="28px">{t("recordStore")}</Heading>
        <Text color="quiet" mb="4">{t("aboutTheStore")}</Text>
        <Grid templateColumns={{ base: "minmax(0, 1fr)", md: "minmax(0, 5fr) minmax(0, 6fr)" }} gap="5" alignItems="start">
          <Keys store={store.data} />
          <Statements />
        </Grid>
      </Box>
    </Box>
  );
}

function Keys({ store }: { store: Store | undefined }): ReactNode {
  const queries = useQueryClient();
  const [name, setName] = useState("");
  const refresh = (): Promise<void> => queries.invalidateQueries({ queryKey: ["records"] });
  const make = useMutation({
    mutationFn: () => take(api.POST("/api/practice/records/keys", { body: { name } })),
    onSuccess: () => { setName(""); void refresh(); }, onError: sayError,
  });
  const remove = useMutation({
    mutationFn: (id: number) => take(api.DELETE("/api/practice/records/keys/{key_id}", { params: { path: { key_id: id } } })),
    onSuccess: () => void refresh(), onError: sayError,
  });
  return (
    <Grid gap="4">
      <Card title={t("address")}>
        <Code wordBreak="break-all" data-address>{store?.address ?? "…"}</Code>
        <Text mt="1" color="quiet" fontSize="13px">{store && t("statementsInIt", { count: store.statements })}</Text>
      </Card>
      <Card title={t("keys")}>
        <Text color="quiet" fontSize="13px" mb="2">{t("aKeyOpensAll")}</Text>
        <form onSubmit={(event) => { event.preventDefault(); make.mutate(); }}>
          <Flex gap="2">
            <Input size="sm" aria-label={t("keyName")} placeholder={t("keyName")} value={name} onChange={(event) => setName(event.currentTarget.value)} required maxLength={100} />
            <MainButton type="submit" loading={make.isPending}>{t("makeAKey")}</MainButton>
          </Flex>
        </form>
        {make.data && (
          <Box mt="3" p="3" bg="marigold.soft" borderRadius="card" role="status">
            <Text mb="1">{t("copyTheKeyNow")}</Text>
            <Fact name={t("user")}><Code wordBreak="break-all">{make.data.user}</Code></Fact>
            <Fact name={t("password")}><Code wordBreak="break-all">{make.data.password}</Code></Fact>
          </Box>
        )}
        {store?.keys.length === 0 && <Text color="quiet" mt="2">{t("noKeysYet")}</Text>}
        {store?.keys.map((key) => (
          <Flex key={key.id} align="center" gap="3" pt="2" data-key={key.name}>
            <Text fontWeight="600" flex="1" minW="0" truncate>{key.name}</Text>
            <Text color="quiet" fontSize="13px">{t("madeAgo", { ago: ago(key.created) })}</Text>
            <Tool label={t("removeKey", { name: key.name })} onClick={() => remove.mutate(key.id)}><Trash2 size={16} /></Tool>
          </Flex>
        ))}
      </Card>
    </Grid>
  );
}

function Statements(): ReactNode {
  const found = usePages(["records", "statements"], PAGE, (query) => take(api.GET("/api/practice/records/statements", { params: { query } })));
  return (
    <Card
      title={t("statements")}
      aside={!!found.items?.length && (
        <QuietButton size="xs" onClick={() => fetchAs("/api/practice/records/statements/file")}><Download size={14} />{t("saveAllStatements")}</QuietButton>
      )}
    >
      {found.items?.length === 0 && <Text color="quiet">{t("noStatementsYet")}</Text>}
      <Box as="ol" listStyleType="none">
        {found.items?.map((one) => <StatementRow key={one.id} said={one} />)}
      </Box>
      {found.below(t("moreStatements"))}
    </Card>
  );
}

/** What a statement says in words; its JSON once it is asked for. */
function StatementRow({ said }: { said: Statement }): ReactNode {
  const [open, setOpen] = useState(false);
  return (
    <Box as="li" py="1.5" borderBottomWidth="1px" data-statement={said.id}>
      <Box as="button" w="100%" textAlign="left" aria-expanded={open} title={t("showTheStatement")} onClick={() => setOpen(!open)} _hover={{ color: "spruce" }}>
        {said.words}
        {said.voided && <Text as="span" color="brick">{" "}({t("voided")})</Text>}
        <Text color="quiet" fontSize="12.5px">{said.who}, {ago(said.stored)}</Text>
      </Box>
      {open && (
        <Box as="pre" mt="1" p="2" bg="paper" borderRadius="card" fontSize="12px" whiteSpace="pre-wrap" wordBreak="break-word" tabIndex={0}>
          {JSON.stringify(said.body, null, 1)}
        </Box>
      )}
    </Box>
  );
}
