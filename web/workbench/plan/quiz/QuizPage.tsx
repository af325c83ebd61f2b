/** A quiz in Plan: its sets and what is drawn of them, beside the numbers that this comes to. */
import { Box, Flex, Heading, Tabs, Text } from "@chakra-ui/react";
import { ArrowLeft, Play } from "lucide-react";
import { useMemo, type ReactNode } from "react";
import { useNavigate } from "react-router";
import type { Quiz, QuizNumbers, Section } from "../../../api/types";
import { Choose } from "../../../kit/Choose";
import { MainButton } from "../../../kit/MainButton";
import { NumberField } from "../../../kit/NumberField";
import { QuietButton } from "../../../kit/QuietButton";
import { Tool } from "../../../kit/Tool";
import { t } from "../../../words/quiz";
import { goToSlide, useCourse } from "../../store/store";
import { AddQuestions } from "./AddQuestions";
import { BankNews } from "./BankNews";
import { FromABank } from "./BankWindows";
import { Defaults } from "./Defaults";
import { LearnerDraw } from "./LearnerDraw";
import { Look } from "./Look";
import { Numbers } from "./Numbers";
import { showQuiz } from "./page";
import { endQuiz } from "./quizDefaults";
import { addSet, changeQuiz, slidesOf } from "./quizzes";
import { ProveDraw } from "./ProveDraw";
import { Results } from "./Results";
import { SetRows } from "./SetRows";
import { Taking } from "./Taking";
import { Unset } from "./Unset";
import { useQuizNumbers } from "./useQuizNumbers";

const PARTS = [["which", t("whichQuestions")], ["taken", t("howItIsTaken")], ["results", t("scoringAndResults")], ["defaults", t("defaultsOfQuestions")], ["look", t("lookOfTheQuiz")]] as const;
const TAB = {
  fontWeight: 600, fontSize: "13.5px", color: "quiet", py: "1.5", cursor: "pointer", borderBottomWidth: "2px", borderColor: "transparent", mb: "-1px",
  _selected: { color: "ink", borderColor: "marigold" }, _focusVisible: { outline: "2px solid", outlineColor: "sky" },
} as const;

/** The page of a section that is a quiz. */
export default function QuizPage({ section }: { section: Section }): ReactNode {
  const slides = useCourse((state) => state.course.slides);
  const sections = useCourse((state) => state.course.sections);
  const own = useMemo(() => slidesOf({ slides, sections }, section.id), [slides, sections, section.id]);
  const mark = useCourse((state) => state.course.pass_mark);
  const numbers = useQuizNumbers(section.id);
  const { quiz } = section;
  if (!quiz) return null;
  return (
    <Flex direction="column" h="100%" minW="0" overflowY="auto" px="5" py="3" gap="3" data-quiz={section.id}>
      <Head section={section} own={own} count={quiz.sets.length} />
      <Tabs.Root defaultValue="which" lazyMount unmountOnExit unstyled>
        <Tabs.List aria-label={t("partsOfTheQuiz")} display="flex" gap="5" borderBottomWidth="1px">
          {PARTS.map(([part, words]) => <Tabs.Trigger key={part} value={part} css={TAB}>{words}</Tabs.Trigger>)}
        </Tabs.List>
        <Flex gap="4" align="start" minW="0" pt="3">
          <Box flex="1" minW="0">
            <Tabs.Content value="which" p="0"><Which section={section} quiz={quiz} own={own} numbers={numbers.numbers} /></Tabs.Content>
            <Tabs.Content value="taken" p="0"><Taking section={section} quiz={quiz} own={own} /></Tabs.Content>
            <Tabs.Content value="results" p="0"><Results section={section} quiz={quiz} own={own} asked={Math.round(numbers.numbers?.asked ?? 0)} /></Tabs.Content>
            <Tabs.Content value="defaults" p="0"><Defaults section={section} quiz={quiz} own={own} /></Tabs.Content>
            <Tabs.Content value="look" p="0"><Look section={section} quiz={quiz} own={own} /></Tabs.Content>
          </Box>
          <Flex as="section" direction="column" gap="3" w="250px" flex="none" aria-label={t("numbers")}>
            <Numbers {...numbers} mark={quiz.pass_mark ?? mark} />
            <LearnerDraw section={section.id} />
            <ProveDraw section={section.id} quiz={quiz} />
          </Flex>
        </Flex>
      </Tabs.Root>
    </Flex>
  );
}

/** The sets, and what is in none. */
function Which({ section, quiz, own, numbers }: { section: Section; quiz: Quiz; own: readonly string[]; numbers: QuizNumbers | undefined }): ReactNode {
  const inSets = new Set(quiz.sets.flatMap((set) => set.slides));
  return (
    <Flex direction="column" gap="3" minW="0">
      <BankNews own={own} />
      <SetRows section={section.id} quiz={quiz} own={own} numbers={numbers} />
      <Flex gap="2" align="center" wrap="wrap">
        <AddQuestions section={section.id} />
        <FromABank section={section.id} quiz={quiz} />
        <QuietButton size="sm" onClick={() => addSet(section.id, [])}>{t("newSet")}</QuietButton>
        <QuietButton size="sm" onClick={() => { endQuiz(section.id); showQuiz(null); }}>{t("makeItAPlainSection")}</QuietButton>
        <Box flex="1" />
        <Among section={section} />
      </Flex>
      <Unset section={section.id} quiz={quiz} own={own} slides={own.filter((slide) => !inSets.has(slide))} />
    </Flex>
  );
}

function Head({ section, own, count }: { section: Section; own: readonly string[]; count: number }): ReactNode {
  const slug = useCourse((state) => state.slug);
  const go = useNavigate();
  function tryIt(): void {
    goToSlide(own[0] ?? null);
    void go(`/courses/${slug}/rehearse`);
  }
  return (
    <Flex align="center" gap="3" wrap="wrap">
      <Tool label={t("backToTheRoute")} onClick={() => showQuiz(null)}><ArrowLeft size={16} /></Tool>
      <Heading as="h2" fontSize="22px" truncate minW="0">{section.title || t("untitled")}</Heading>
      <Text color="quiet" flex="1" whiteSpace="nowrap">{t("aQuizOfSets", { count })}</Text>
      <MainButton disabled={!own.length} onClick={tryIt}><Play size={14} />{t("takeIt")}</MainButton>
    </Flex>
  );
}

const ORDERS = [["kept", t("setsKept")], ["shuffled", t("setsShuffled")], ["mixed", t("setsMixed")]] as const;

/** What holds for the sets among each other. */
function Among({ section }: { section: Section }): ReactNode {
  const { id, quiz } = section;
  if (!quiz || quiz.sets.length < 2) return null;
  return (
    <>
      <Box w="250px"><Choose label={t("setsFollow")} value={quiz.order} options={ORDERS} onChange={(order) => changeQuiz(id, t("setsFollow"), (now) => ({ ...now, order }))} /></Box>
      <Box w="200px">
        <NumberField
          label={t("setsToTake")} help={t("setsToTakeHelp")} value={quiz.take ?? null} min={0} max={quiz.sets.length}
          none={{ word: t("all"), onNone: () => changeQuiz(id, t("setsToTake"), (now) => ({ ...now, take: null }), "take") }}
          onChange={(take) => changeQuiz(id, t("setsToTake"), (now) => ({ ...now, take: Math.round(take) }), "take")}
        />
      </Box>
    </>
  );
}
