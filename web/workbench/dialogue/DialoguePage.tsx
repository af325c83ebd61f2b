/** A dialogue as it is written: the script, beside its ways, its cast and what learners see. */
import { Box, Flex, Heading, Tabs, Text } from "@chakra-ui/react";
import { ArrowLeft } from "lucide-react";
import { useCallback, useMemo, useRef, useState, type ReactNode } from "react";
import { Fold } from "../../kit/Fold";
import { Tool } from "../../kit/Tool";
import { t } from "../../words/dialogue";
import { useCourse } from "../store/store";
import { useHistoryKeys } from "../store/useHistoryKeys";
import { CastPanel } from "./cast/CastPanel";
import { useDialogue } from "./cast/casting";
import { showDialogue } from "./page";
import { Preview } from "./Preview";
import { ScriptField, type ScriptHandle } from "./script/ScriptField";
import { useHelp, useWrong } from "./script/useHelp";
import { useScript } from "./script/useScript";
import { SettingsPanel } from "./SettingsPanel";
import { VoicePanel } from "./VoicePanel";
import { WaysCard } from "./ways/WaysCard";

const WRITTEN = [t("writeTurn"), t("writeLine"), t("writeReply"), t("writeSettings"), t("writeInner"), t("keys")];
const TAB = {
  fontWeight: 600, fontSize: "13.5px", color: "quiet", py: "1", cursor: "pointer", borderBottomWidth: "2px", borderColor: "transparent", mb: "-1px",
  _selected: { color: "ink", borderColor: "marigold" }, _focusVisible: { outline: "2px solid", outlineColor: "sky" },
} as const;

/** The page of one dialogue. */
export default function DialoguePage({ slide, dialogue }: { slide: string; dialogue: string }): ReactNode {
  useHistoryKeys();
  const title = useCourse((state) => state.slides[slide]?.title ?? "");
  const on = useMemo(() => ({ slide, dialogue }), [slide, dialogue]);
  const there = useDialogue(on);
  const { given, read, problem, write } = useScript(slide, dialogue);
  const [line, setLine] = useState(1);
  const field = useRef<ScriptHandle>(null);
  const help = useHelp(read, there);
  const wrong = useWrong(read, there);
  const endings = read?.turns.filter(({ ending }) => ending).length ?? 0;
  const now = read ? read.turns.findLastIndex((turn) => turn.line <= line) : -1;
  const goTo = useCallback((to: number): void => field.current?.goTo(to), []);
  return (
    <Flex direction="column" h="100%" minH="0" px="5" py="3" gap="3" data-dialogue={dialogue}>
      <Flex align="center" gap="3">
        <Tool label={t("backToTheSlide")} onClick={() => showDialogue(null, null)}><ArrowLeft size={16} /></Tool>
        <Heading as="h2" fontSize="22px" truncate>{there?.name ?? t("dialogue")}</Heading>
        <Text color="quiet" truncate>{t("onTheSlide", { title })}</Text>
      </Flex>
      <Flex gap="4" flex="1" minH="0">
        <Flex direction="column" flex="1 1 0" minW="0" gap="2">
          <Flex align="baseline" gap="3">
            <Heading as="h3" fontSize="16px">{t("script")}</Heading>
            {read && <Text color="quiet" fontSize="13px">{t("turns", { count: read.turns.length })} · {t("endings", { count: endings })}</Text>}
          </Flex>
          {given === null ? <Text color="quiet" role="status">{t("loading")}</Text>
            : <ScriptField ref={field} given={given} help={help} wrong={wrong} onChange={write} onLine={setLine} />}
          {problem && <Text color="brick" role="alert">{t("couldNotBeRead", { why: problem })}</Text>}
          <Fold title={t("howItIsWritten")}>
            {WRITTEN.map((words) => <Text key={words} fontSize="13px" color="quiet">{words}</Text>)}
          </Fold>
        </Flex>
        <Tabs.Root defaultValue="ways" lazyMount unmountOnExit unstyled w="392px" flex="none" display="flex" flexDirection="column" minH="0">
          <Tabs.List aria-label={t("aboutTheDialogue")} display="flex" gap="5" borderBottomWidth="1px" mb="2">
            {(["ways", "cast", "voice", "settings"] as const).map((part) => <Tabs.Trigger key={part} value={part} css={TAB}>{t(part)}</Tabs.Trigger>)}
          </Tabs.List>
          <Tabs.Content value="ways" overflowY="auto" minH="0" flex="1"><WaysCard read={read} now={now} onGo={goTo} /></Tabs.Content>
          <Tabs.Content value="cast" overflowY="auto" minH="0" flex="1"><CastPanel on={on} read={read} /></Tabs.Content>
          <Tabs.Content value="voice" overflowY="auto" minH="0" flex="1"><VoicePanel on={on} /></Tabs.Content>
          <Tabs.Content value="settings" overflowY="auto" minH="0" flex="1"><SettingsPanel on={on} /></Tabs.Content>
        </Tabs.Root>
        {there && <Box w="280px" flex="none" overflowY="auto" minH="0"><Preview dialogue={there} read={read} line={line} /></Box>}
      </Flex>
    </Flex>
  );
}
