/** A quiz in Plan: its sets and what is drawn of them, beside the numbers that this comes to. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { ArrowLeft, Play } from "lucide-react";
import { useMemo, type ReactNode } from "react";
import { useNavigate } from "react-router";
import type { Section } from "../../../api/types";
import { Choose } from "../../../kit/Choose";
import { MainButton } from "../../../kit/MainButton";
import { NumberField } from "../../../kit/NumberField";
import { QuietButton } from "../../../kit/QuietButton";
import { Tool } from "../../../kit/Tool";
import { t } from "../../../words/quiz";
import { goToSlide, useCourse } from "../../store/store";
import { LearnerDraw } from "./LearnerDraw";
import { Numbers } from "./Numbers";
import { showQuiz } from "./page";
import { addSet, changeQuiz, endQuiz, slidesOf } from "./quizzes";
import { SetRows } from "./SetRows";
import { Unset } from "./Unset";
import { useQuizNumbers } from "./useQuizNumbers";

/** The page of a section that is a quiz. */
export default function QuizPage({ section }: { section: Section }): ReactNode {
  const slides = useCourse((state) => state.course.slides);
  const sections = useCourse((state) => state.course.sections);
  const own = useMemo(() => slidesOf({ slides, sections }, section.id), [slides, sections, section.id]);
  const numbers = useQuizNumbers(section.id);
  const { quiz } = section;
  if (!quiz) return null;
  const inSets = new Set(quiz.sets.flatMap((set) => set.slides));
  const unset = own.filter((slide) => !inSets.has(slide));
  return (
    <Flex direction="column" h="100%" minW="0" overflowY="auto" px="5" py="3" gap="3" data-quiz={section.id}>
      <Head section={section} own={own} count={quiz.sets.length} />
      <Flex gap="4" align="start" minW="0">
        <Flex direction="column" gap="3" flex="1" minW="0">
          <SetRows section={section.id} quiz={quiz} own={own} numbers={numbers.numbers} />
          <Flex gap="2" align="center" wrap="wrap">
            <QuietButton size="sm" onClick={() => addSet(section.id, [])}>{t("newSet")}</QuietButton>
            <QuietButton size="sm" onClick={() => { endQuiz(section.id); showQuiz(null); }}>{t("makeItAPlainSection")}</QuietButton>
          </Flex>
          <Unset section={section.id} quiz={quiz} own={own} slides={unset} />
        </Flex>
        <Flex as="section" direction="column" gap="3" w="250px" flex="none" aria-label={t("numbers")}>
          <Numbers {...numbers} />
          <Among section={section} />
          <LearnerDraw section={section.id} />
        </Flex>
      </Flex>
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
const AGAIN = [["new", t("drawNew")], ["unseen", t("drawUnseen")], ["same", t("drawSame")]] as const;

/** What holds for the sets among each other, and for further attempts. */
function Among({ section }: { section: Section }): ReactNode {
  const { id, quiz } = section;
  if (!quiz) return null;
  return (
    <Box borderTopWidth="1px" pt="3">
      <Choose label={t("setsFollow")} value={quiz.order} options={ORDERS} onChange={(order) => changeQuiz(id, t("setsFollow"), (now) => ({ ...now, order }))} />
      {quiz.sets.length > 1 && (
        <NumberField
          label={t("setsToTake")} help={t("setsToTakeHelp")} value={quiz.take ?? null} min={0} max={quiz.sets.length}
          none={{ word: t("all"), onNone: () => changeQuiz(id, t("setsToTake"), (now) => ({ ...now, take: null }), "take") }}
          onChange={(take) => changeQuiz(id, t("setsToTake"), (now) => ({ ...now, take: Math.round(take) }), "take")}
        />
      )}
      <Choose label={t("furtherAttempt")} value={quiz.again} options={AGAIN} onChange={(again) => changeQuiz(id, t("furtherAttempt"), (now) => ({ ...now, again }))} />
    </Box>
  );
}
