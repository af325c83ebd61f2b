/** The question banks of an author: what is in them, what it is about, how it was answered. */
import { Box, Flex, Heading, Input, Text, Textarea } from "@chakra-ui/react";
import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Trash2 } from "lucide-react";
import { useState, type ReactNode } from "react";
import { api, take } from "../api/client";
import type { components } from "../api/api";
import { QUESTIONS } from "../api/tables";
import { Choose } from "../kit/Choose";
import { Empty } from "../kit/Empty";
import { PageHeader } from "../kit/PageHeader";
import { QuietButton } from "../kit/QuietButton";
import { Tool } from "../kit/Tool";
import { sayError } from "../kit/toaster";
import { ago } from "../kit/units";
import { useLater } from "../kit/useLater";
import { t } from "../words/banks";

type BankQuestion = components["schemas"]["BankQuestionOut"];
type Described = components["schemas"]["BankDescribedIn"];

const PAGE = 50;
const PAUSE_MS = 250;
const LEVELS = [["", t("noLevel")], ["easy", t("easy")], ["medium", t("medium")], ["hard", t("hard")]] as const;

/** All banks on the left, the questions of one beside them. */
export default function BanksPage(): ReactNode {
  const banks = useQuery({ queryKey: ["banks"], queryFn: () => take(api.GET("/api/banks")) });
  const [chosen, setChosen] = useState<number | null>(null);
  const bank = banks.data?.find(({ id }) => id === chosen) ?? banks.data?.[0];
  return (
    <Box minH="100%" bg="table">
      <PageHeader />
      <Box as="main" maxW="1240px" mx="auto" px="6" py="6">
        <Heading as="h1" fontSize="26px">{t("banks")}</Heading>
        <Text color="quiet" mb="4">{t("banksHelp")}</Text>
        {banks.error && <Text role="alert">{banks.error.message}</Text>}
        <Flex gap="5" align="start">
          <Flex direction="column" gap="1" w="230px" flex="none" as="nav" aria-label={t("banks")}>
            {banks.data?.map((one) => (
              <QuietButton
                key={one.id} variant="ghost" h="auto" py="2" justifyContent="flex-start" textAlign="left" aria-current={one.id === bank?.id || undefined}
                bg={one.id === bank?.id ? "marigold.soft" : "transparent"} onClick={() => setChosen(one.id)}
              >
                <Box minW="0"><Text fontWeight="600" truncate>{one.name}</Text><Text color="quiet" fontSize="12.5px" fontWeight="400">{t("questions", { count: one.count })}</Text></Box>
              </QuietButton>
            ))}
            <NewBank onMade={setChosen} />
          </Flex>
          <Box flex="1" minW="0">
            {banks.data?.length === 0 && <Empty title={t("noBanks")}>{t("noBanksHelp")}</Empty>}
            {bank && <Questions key={bank.id} bank={bank} />}
          </Box>
        </Flex>
      </Box>
    </Box>
  );
}

function NewBank({ onMade }: { onMade: (id: number) => void }): ReactNode {
  const queries = useQueryClient();
  const [name, setName] = useState("");
  const make = useMutation({
    mutationFn: () => take(api.POST("/api/banks", { body: { name: name.trim() } })), onError: sayError,
    onSuccess: async (made) => {
      setName("");
      await queries.invalidateQueries({ queryKey: ["banks"] });
      onMade(made.id);
    },
  });
  return (
    <Flex as="form" gap="1.5" pt="2" onSubmit={(event) => { event.preventDefault(); if (name.trim()) make.mutate(); }}>
      <Input size="xs" bg="paper" aria-label={t("nameOfTheBank")} placeholder={t("newBank")} value={name} maxLength={200} onChange={(event) => setName(event.target.value)} />
      <QuietButton size="xs" type="submit" disabled={!name.trim() || make.isPending}>{t("make")}</QuietButton>
    </Flex>
  );
}

function Questions({ bank }: { bank: components["schemas"]["BankOut"] }): ReactNode {
  const queries = useQueryClient();
  const [search, setSearch] = useState("");
  const [most, setMost] = useState(PAGE);
  const wanted = useLater(search, PAUSE_MS);
  const path = { bank_id: bank.id };
  const found = useQuery({
    queryKey: ["bank", bank.id, wanted, most], placeholderData: keepPreviousData,
    queryFn: () => take(api.GET("/api/banks/{bank_id}/questions", { params: { path, query: { search: wanted, most } } })),
  });
  const again = (): Promise<void> => Promise.all([
    queries.invalidateQueries({ queryKey: ["bank", bank.id] }), queries.invalidateQueries({ queryKey: ["banks"] }),
  ]).then(() => undefined);
  const rename = useMutation({ mutationFn: (name: string) => take(api.PUT("/api/banks/{bank_id}", { params: { path }, body: { name } })), onSuccess: again, onError: sayError });
  const remove = useMutation({ mutationFn: () => take(api.DELETE("/api/banks/{bank_id}", { params: { path } })), onSuccess: again, onError: sayError });
  const questions = found.data?.questions ?? [];
  return (
    <Box bg="sheet" borderWidth="1px" borderRadius="card" px="5" py="4">
      <Flex gap="3" align="center" pb="3">
        <Input
          key={bank.name} defaultValue={bank.name} aria-label={t("nameOfTheBank")} variant="flushed" fontWeight="700" fontSize="19px" maxLength={200} flex="1"
          onBlur={(event) => { const name = event.target.value.trim(); if (name && name !== bank.name) rename.mutate(name); }}
          onKeyDown={(event) => { if (event.key === "Enter") event.currentTarget.blur(); }}
        />
        <Input size="sm" w="280px" bg="paper" aria-label={t("search")} placeholder={t("search")} title={t("searchHelp")} value={search} maxLength={200} onChange={(event) => { setSearch(event.target.value); setMost(PAGE); }} />
        <Tool label={t("deleteBank")} onClick={() => { if (window.confirm(t("reallyDelete", { name: bank.name }))) remove.mutate(); }}><Trash2 size={15} /></Tool>
      </Flex>
      {found.error && <Text role="alert">{found.error.message}</Text>}
      <Flex as="ul" direction="column" listStyleType="none">
        {questions.map((one) => <Line key={one.key} bank={bank.id} one={one} onChanged={again} />)}
      </Flex>
      {found.data && !questions.length && <Text color="quiet">{search ? t("nothingFound") : t("emptyBank")}</Text>}
      {(found.data?.count ?? 0) > questions.length && <QuietButton size="sm" mt="3" onClick={() => setMost((many) => Math.min(many + PAGE, 200))}>{t("more")}</QuietButton>}
    </Box>
  );
}

function Line({ bank, one, onChanged }: { bank: number; one: BankQuestion; onChanged: () => Promise<void> }): ReactNode {
  const path = { bank_id: bank, key: one.key };
  const describe = useMutation({
    mutationFn: (body: Partial<Described>) => take(api.PATCH("/api/banks/{bank_id}/questions/{key}", { params: { path }, body: body as Described })),
    onSuccess: onChanged, onError: sayError,
  });
  const remove = useMutation({ mutationFn: () => take(api.DELETE("/api/banks/{bank_id}/questions/{key}", { params: { path } })), onSuccess: onChanged, onError: sayError });
  const kind = (QUESTIONS as Partial<Record<string, { title: string }>>)[one.kind]?.title ?? "";
  const tags = one.tags.join(", ");
  const used = one.used ? t("usedTimes", { count: one.uses, ago: ago(one.used) }) : t("neverUsed");
  const results = one.of ? t("rightOf", { right: one.right, of: one.of }) : t("noResults");
  const title = one.title;
  return (
    <Box as="li" borderTopWidth="1px" py="3" data-bank-question={one.key}>
      <Flex gap="3" align="start">
        <Box flex="1" minW="0">
          <Text fontWeight="600" overflowWrap="anywhere">{one.asked || title}</Text>
          <Text color="quiet" fontSize="12.5px">{[kind, t("version", { version: one.version }), used, results].join(" · ")}</Text>
        </Box>
        <Box w="110px" flex="none"><Choose bare label={t("levelOf", { title })} value={one.level} options={LEVELS} onChange={(level) => describe.mutate({ level: level as "" })} /></Box>
        <Tool label={t("deleteQuestion", { title })} onClick={() => { if (window.confirm(`${t("deleteQuestion", { title })}?`)) remove.mutate(); }}><Trash2 size={14} /></Tool>
      </Flex>
      <Flex gap="3" pt="2">
        <Said label={t("tagsOf", { title })} hint={`${t("tags")}: ${t("tagsHint")}`} value={tags} most={800} onLeft={(text) => describe.mutate({ tags: wordsIn(text) })} />
        <Said label={t("sourceOf", { title })} hint={t("source")} value={one.source} most={500} onLeft={(source) => describe.mutate({ source })} />
        <Said label={t("notesOf", { title })} hint={t("notes")} value={one.notes} most={4_000} long onLeft={(notes) => describe.mutate({ notes })} />
      </Flex>
    </Box>
  );
}

/** A text that is taken when its field is left. */
function Said({ label, hint, value, most, long = false, onLeft }: { label: string; hint: string; value: string; most: number; long?: boolean; onLeft: (text: string) => void }): ReactNode {
  const common = {
    key: value, size: "xs" as const, bg: "paper", borderRadius: "6px", "aria-label": label, placeholder: hint, defaultValue: value, maxLength: most, flex: long ? 2 : 1,
    onBlur: (event: { target: { value: string } }) => { const text = event.target.value.trim(); if (text !== value) onLeft(text); },
  };
  const { key, ...rest } = common;
  return long ? <Textarea key={key} {...rest} rows={1} minH="32px" /> : <Input key={key} {...rest} />;
}

function wordsIn(text: string): string[] {
  return [...new Set(text.split(",").map((word) => word.trim().slice(0, 40)).filter(Boolean))].slice(0, 20);
}
