/** Questions out of a bank into a set, and out of a set into a bank. */
import { Box, Dialog, Flex, Input, Portal, Text } from "@chakra-ui/react";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState, type ReactNode } from "react";
import { api, take } from "../../../api/client";
import { QUESTIONS } from "../../../api/tables";
import type { Question, Quiz } from "../../../api/types";
import { Choose } from "../../../kit/Choose";
import { MainButton } from "../../../kit/MainButton";
import { QuietButton } from "../../../kit/QuietButton";
import { TextField } from "../../../kit/TextField";
import { useLater } from "../../../kit/useLater";
import { t } from "../../../words/banks";
import { attempt } from "../../store/commands";
import { asking, keepInBank, takeFromBank, type Bank, type BankQuestion } from "./banks";

const PAUSE_MS = 250;
const MOST = 200;

function useBanks(): readonly Bank[] | undefined {
  return useQuery({ queryKey: ["banks"], queryFn: () => take(api.GET("/api/banks")) }).data;
}

/** The button, and the window from which questions are taken. */
export function FromABank({ section, quiz }: { section: string; quiz: Quiz }): ReactNode {
  const [open, setOpen] = useState(false);
  if (!quiz.sets.length) return null;
  return (
    <>
      <QuietButton size="sm" onClick={() => setOpen(true)}>{t("fromABank")}</QuietButton>
      {open && <TakeWindow section={section} quiz={quiz} onClose={() => setOpen(false)} />}
    </>
  );
}

function TakeWindow({ section, quiz, onClose }: { section: string; quiz: Quiz; onClose: () => void }): ReactNode {
  const banks = useBanks();
  const [chosenBank, setBank] = useState("");
  const [search, setSearch] = useState("");
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [into, setInto] = useState(quiz.sets.at(-1)?.id ?? "");
  const [as, setAs] = useState<"reference" | "copy">("reference");
  const bank = chosenBank || String(banks?.[0]?.id ?? "");
  const wanted = useLater(search, PAUSE_MS);
  const found = useQuery({
    queryKey: ["bank", bank, wanted], enabled: bank !== "", placeholderData: keepPreviousData,
    queryFn: () => take(api.GET("/api/banks/{bank_id}/questions", { params: { path: { bank_id: Number(bank) }, query: { search: wanted, most: MOST } } })),
  });
  const add = (): void => {
    void takeFromBank(section, into, [...chosen], as === "reference");
    onClose();
  };
  return (
    <Window
      title={t("fromABank")} onClose={onClose}
      action={<MainButton disabled={!chosen.size} onClick={add}>{chosen.size ? t("takeSo", { count: chosen.size }) : t("takeThem")}</MainButton>}
    >
      {banks?.length === 0 ? <Text color="quiet">{t("noBanksHelp")}</Text> : (
        <>
          <Flex gap="3" wrap="wrap" align="end" css={{ "& [data-labelled] > :first-of-type": { width: "auto" } }}>
            <Box w="240px"><Choose label={t("bank")} value={bank} options={(banks ?? []).map(({ id, name }) => [String(id), name] as const)} onChange={(next) => { setBank(next); setChosen(new Set()); }} /></Box>
            <Input size="xs" w="240px" bg="paper" aria-label={t("search")} placeholder={t("search")} title={t("searchHelp")} value={search} maxLength={200} onChange={(event) => setSearch(event.target.value)} />
          </Flex>
          {found.data && <Found questions={found.data.questions} none={search ? t("nothingFound") : t("emptyBank")} chosen={chosen} onChosen={setChosen} />}
          <Flex gap="5" wrap="wrap" css={{ "& [data-labelled] > :first-of-type": { width: "auto" } }}>
            <Box w="260px"><Choose label={t("into")} value={into} options={quiz.sets.map(({ id, name }) => [id, name] as const)} onChange={setInto} /></Box>
            <Box w="420px"><Choose label={t("takeAs")} value={as} options={[["reference", t("byReference")], ["copy", t("asCopies")]] as const} onChange={setAs} /></Box>
          </Flex>
        </>
      )}
    </Window>
  );
}

/** What fits, with boxes to select several. */
function Found(
  { questions, none, chosen, onChosen }: { questions: readonly BankQuestion[]; none: string; chosen: ReadonlySet<string>; onChosen: (chosen: ReadonlySet<string>) => void },
): ReactNode {
  function choose(key: string, on: boolean): void {
    const next = new Set(chosen);
    if (on) next.add(key);
    else next.delete(key);
    onChosen(next);
  }
  return (
    <Box h="320px" overflowY="auto" my="3" role="group" aria-label={t("banks")} tabIndex={0}>
      {questions.map((one) => <Line key={one.key} one={one} chosen={chosen.has(one.key)} onChoose={(on) => choose(one.key, on)} />)}
      {!questions.length && <Text color="quiet">{none}</Text>}
    </Box>
  );
}

function Line({ one, chosen, onChoose }: { one: BankQuestion; chosen: boolean; onChoose: (on: boolean) => void }): ReactNode {
  const kind = (QUESTIONS as Partial<Record<string, { title: string }>>)[one.kind as Question["kind"]]?.title ?? "";
  const more = [kind, one.level, ...one.tags, one.of > 0 && t("rightOf", { right: one.right, of: one.of })].filter(Boolean).join(" · ");
  return (
    <Flex as="label" gap="2" py="1.5" borderBottomWidth="1px" align="start" cursor="pointer" fontSize="13px" data-bank-question={one.key}>
      <input type="checkbox" checked={chosen} aria-label={t("select", { title: one.title })} style={{ marginTop: 3 }} onChange={(event) => onChoose(event.target.checked)} />
      <Box minW="0">
        <Text fontWeight="600" overflowWrap="anywhere">{one.asked || one.title}</Text>
        <Text color="quiet" fontSize="12.5px">{more}</Text>
      </Box>
    </Flex>
  );
}

/** The button, and the window in which a bank is chosen for slides. */
export function KeepInABank({ slides, onKept }: { slides: readonly string[]; onKept: () => void }): ReactNode {
  const [open, setOpen] = useState(false);
  return (
    <>
      <QuietButton size="xs" onClick={() => setOpen(true)}>{t("keepInABank")}</QuietButton>
      {open && <KeepWindow slides={slides} onClose={() => setOpen(false)} onKept={onKept} />}
    </>
  );
}

function KeepWindow({ slides, onClose, onKept }: { slides: readonly string[]; onClose: () => void; onKept: () => void }): ReactNode {
  const banks = useBanks();
  const [chosen, setChosen] = useState("");
  const [name, setName] = useState("");
  const bank = chosen || String(banks?.[0]?.id ?? "new");
  const count = asking(slides).length;
  const keep = (): Promise<void> => attempt(async () => {
    const into = bank === "new" ? await take(api.POST("/api/banks", { body: { name: name.trim() } })) : banks?.find(({ id }) => String(id) === bank);
    if (into) await keepInBank(into, slides);
    onClose();
    onKept();
  });
  return (
    <Window
      title={t("keepInABank")} onClose={onClose}
      action={<MainButton disabled={!banks || !count || (bank === "new" && !name.trim())} onClick={() => void keep()}>{t("keepThem", { count })}</MainButton>}
    >
      <Text color="quiet" pb="2">{t("keepHelp")}{count < slides.length ? ` ${t("onlyQuestions")}` : ""}</Text>
      <Choose label={t("bank")} value={bank} options={[...(banks ?? []).map(({ id, name: own }) => [String(id), own] as const), ["new", t("aNewBank")]]} onChange={setChosen} />
      {bank === "new" && <TextField label={t("nameOfTheBank")} value={name} onChange={(next) => setName(next.slice(0, 200))} />}
    </Window>
  );
}

function Window({ title, action, onClose, children }: { title: string; action: ReactNode; onClose: () => void; children: ReactNode }): ReactNode {
  return (
    <Dialog.Root open size="lg" onOpenChange={({ open: stays }) => { if (!stays) onClose(); }}>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content bg="sheet" maxW="780px">
            <Dialog.Header pb="1"><Dialog.Title fontSize="18px">{title}</Dialog.Title></Dialog.Header>
            <Dialog.Body>{children}</Dialog.Body>
            <Dialog.Footer><QuietButton onClick={onClose}>{t("cancel")}</QuietButton>{action}</Dialog.Footer>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
