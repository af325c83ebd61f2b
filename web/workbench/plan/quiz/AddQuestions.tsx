/** Many questions at once: pasted or written as text, with what was understood of each before anything is made. */
import { Box, Dialog, Flex, Portal, Text, Textarea } from "@chakra-ui/react";
import { useQuery, keepPreviousData } from "@tanstack/react-query";
import { useRef, useState, type ReactNode } from "react";
import { api, take } from "../../../api/client";
import { QUESTIONS } from "../../../api/tables";
import type { components } from "../../../api/api";
import { MainButton } from "../../../kit/MainButton";
import { QuietButton } from "../../../kit/QuietButton";
import { useLater } from "../../../kit/useLater";
import { t } from "../../../words/quiz";
import { attempt } from "../../store/commands";
import { makeQuestions } from "./quizzes";
import { useFilePicker } from "../../../kit/useFilePicker";

type ReadQuestion = components["schemas"]["ReadOut"];

const PAUSE_MS = 250;
const MOST_BYTES = 2_000_000;

/** The button, and the window that it opens. */
export function AddQuestions({ section }: { section: string }): ReactNode {
  const [open, setOpen] = useState(false);
  return (
    <>
      <QuietButton size="sm" onClick={() => setOpen(true)}>{t("addQuestions")}</QuietButton>
      {open && <QuestionsWindow section={section} onClose={() => setOpen(false)} />}
    </>
  );
}

function QuestionsWindow({ section, onClose }: { section: string; onClose: () => void }): ReactNode {
  const [text, setText] = useState("");
  const picker = useFilePicker({ accept: ".csv,.tsv,.txt,.md,text/plain,text/csv", label: t("fromAFile"), onFiles: ([file]) => void choose(file) });
  const area = useRef<HTMLTextAreaElement>(null);
  const settled = useLater(text, PAUSE_MS);
  const asked = useQuery({
    queryKey: ["read-questions", settled], staleTime: Infinity, retry: false, enabled: settled.trim() !== "",
    placeholderData: keepPreviousData, queryFn: () => take(api.POST("/api/edits/read-questions", { body: { text: settled } })),
  });
  const read = text.trim() && asked.data ? asked.data : [];
  const good = read.filter(({ why }) => !why);
  const ready = settled === text && !asked.isFetching && !asked.error && good.length > 0;
  const choose = (file: File): Promise<void> => attempt(async () => {
    if (file.size > MOST_BYTES) throw new Error(t("fileTooLarge", { most: MOST_BYTES / 1e6 }));
    setText(await file.text());
  });
  return (
    <Dialog.Root open size="xl" initialFocusEl={() => area.current} onOpenChange={({ open: stays }) => { if (!stays) onClose(); }}>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content bg="sheet" maxW="1080px">
            <Dialog.Header pb="1"><Dialog.Title fontSize="18px">{t("addQuestions")}</Dialog.Title></Dialog.Header>
            <Dialog.Body>
              <Flex gap="5" h="440px" minH="0">
                <Flex direction="column" gap="2" flex="1" minW="0">
                  <Textarea
                    ref={area} aria-label={t("questionsAsText")} value={text} flex="1" resize="none" bg="paper" fontSize="13px" lineHeight="1.5" fontFamily="mono"
                    placeholder={t("questionsExample")} onChange={(event) => setText(event.target.value)}
                  />
                  <Text color="quiet" fontSize="12.5px">{t("questionsHelp")}</Text>
                </Flex>
                <Box flex="1" minW="0" overflowY="auto" aria-live="polite" aria-label={t("whatWasUnderstood")} role="region" tabIndex={0} opacity={settled === text ? 1 : 0.6}>
                  {asked.error ? <Text color="brick" role="alert">{asked.error.message}</Text>
                    : read.length ? read.map((one, at) => <Understood key={at} one={one} />)
                      : <Text color="quiet">{t("nothingReadYet")}</Text>}
                </Box>
              </Flex>
            </Dialog.Body>
            <Dialog.Footer>
              <QuietButton onClick={picker.open}>{t("fromAFile")}</QuietButton>
              {picker.input}
              <Text flex="1" color="quiet" fontSize="13px">{read.length > good.length ? t("leftOut", { count: read.length - good.length }) : ""}</Text>
              <QuietButton onClick={onClose}>{t("cancel")}</QuietButton>
              <MainButton disabled={!ready} onClick={() => { void makeQuestions(section, text, good.length); onClose(); }}>
                {good.length ? t("makeQuestions", { count: good.length }) : t("makeThem")}
              </MainButton>
            </Dialog.Footer>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}

/** One question as it was understood, or why it is none. */
function Understood({ one }: { one: ReadQuestion }): ReactNode {
  const more = [
    one.kind && QUESTIONS[one.kind].title, one.points !== 1 && t("points", { count: one.points }), one.level, ...one.tags, one.set && t("inSet", { set: one.set }),
  ].filter(Boolean).join(" · ");
  return (
    <Flex gap="3" py="2" borderBottomWidth="1px" fontSize="13px" data-read={one.why ? "misread" : one.kind}>
      <Text color="quiet" w="52px" flex="none">{t("lineNumber", { line: one.line })}</Text>
      <Box minW="0">
        <Text fontWeight="600" overflowWrap="anywhere">{one.words || t("untitled")}</Text>
        {one.why ? <Text color="brick">{one.why}</Text> : (
          <>
            {one.answers.map(({ words, right }, at) => (
              <Text key={at} overflowWrap="anywhere" color={right ? "spruce" : "quiet"}>{right ? "✓" : "–"} {words}</Text>
            ))}
            <Text color="quiet" fontSize="12.5px">{more}</Text>
          </>
        )}
      </Box>
    </Flex>
  );
}
