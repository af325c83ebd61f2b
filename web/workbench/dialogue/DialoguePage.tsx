/** A dialogue as it is written: the script, beside what its ways come to. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { ArrowLeft } from "lucide-react";
import { useRef, type ReactNode } from "react";
import { Fold } from "../../kit/Fold";
import { Tool } from "../../kit/Tool";
import { t } from "../../words/dialogue";
import { useCourse } from "../store/store";
import { showDialogue } from "./page";
import { ScriptField } from "./ScriptField";
import { useScript } from "./useScript";
import { WaysCard } from "./WaysCard";

const WRITTEN = [t("writeTurn"), t("writeLine"), t("writeReply"), t("writeSettings"), t("writeInner")];

/** The page of one dialogue. */
export default function DialoguePage({ slide, dialogue }: { slide: string; dialogue: string }): ReactNode {
  const title = useCourse((state) => state.slides[slide]?.title ?? "");
  const name = useCourse((state) => state.slides[slide]?.dialogues.find(({ id }) => id === dialogue)?.name);
  const { text, read, problem, write } = useScript(slide, dialogue);
  const field = useRef<HTMLTextAreaElement>(null);
  const endings = read?.turns.filter(({ ending }) => ending).length ?? 0;
  function goTo(line: number): void {
    const at = (text ?? "").split("\n").slice(0, line - 1).reduce((sum, one) => sum + one.length + 1, 0);
    const length = (text ?? "").split("\n")[line - 1]?.length ?? 0;
    field.current?.focus();
    field.current?.setSelectionRange(at, at + length);
  }
  return (
    <Flex direction="column" h="100%" minH="0" px="5" py="3" gap="3" data-dialogue={dialogue}>
      <Flex align="center" gap="3">
        <Tool label={t("backToTheSlide")} onClick={() => showDialogue(null, null)}><ArrowLeft size={16} /></Tool>
        <Heading as="h2" fontSize="22px" truncate>{name ?? t("dialogue")}</Heading>
        <Text color="quiet" truncate>{t("onTheSlide", { title })}</Text>
      </Flex>
      <Flex gap="5" flex="1" minH="0">
        <Flex direction="column" flex="1" minW="0" gap="2">
          <Flex align="baseline" gap="3">
            <Heading as="h3" fontSize="16px">{t("script")}</Heading>
            {read && <Text color="quiet" fontSize="13px">{t("turns", { count: read.turns.length })} · {t("endings", { count: endings })}</Text>}
          </Flex>
          {text === null ? <Text color="quiet" role="status">{t("loading")}</Text> : <ScriptField ref={field} text={text} onChange={write} />}
          {problem && <Text color="brick" role="alert">{t("couldNotBeRead", { why: problem })}</Text>}
          <Fold title={t("howItIsWritten")}>
            {WRITTEN.map((line) => <Text key={line} fontSize="13px" color="quiet">{line}</Text>)}
            <Text fontSize="13px" color="quiet">{t("keys")}</Text>
          </Fold>
        </Flex>
        <Box w="380px" flex="none" overflowY="auto" minH="0"><WaysCard read={read} onGo={goTo} /></Box>
      </Flex>
    </Flex>
  );
}
