import { Box, Flex } from "@chakra-ui/react";
import { lazy, Suspense, useDeferredValue, type ReactNode } from "react";
import { useCourse } from "../store/store";
import { NotesPanel } from "./NotesPanel";
import { Outline } from "./Outline";
import { useQuizPage } from "./quiz/page";
import { RouteMap } from "./RouteMap";
import { useHistoryKeys } from "../store/useHistoryKeys";
import { useScriptPage } from "../script/page";
import { t } from "../../words/plan";

const ScriptPage = lazy(() => import("../script/ScriptPage"));
const QuizPage = lazy(() => import("./quiz/QuizPage"));

/** Plan: the course as an outline to type into, beside the route that it makes, a quiz, or the script of all that is spoken. */
export default function Plan(): ReactNode {
  useHistoryKeys();
  // The route of a large course takes a while to lay out: the outline does not wait for it.
  const outlined = useDeferredValue(true, false);
  const shown = useQuizPage((state) => state.section);
  const quiz = useCourse((state) => state.course.sections.find(({ id, quiz }) => quiz && id === shown));
  const script = useScriptPage((state) => state.open);
  if (script) return <Suspense fallback={<Box aria-busy />}><ScriptPage /></Suspense>;
  return (
    <Flex h="100%">
      <Flex as="aside" direction="column" w="320px" flex="none" borderRightWidth="1px" bg="paper" aria-label={t("outline")}>
        <Box flex="1" minH="0"><Outline /></Box>
        <NotesPanel />
      </Flex>
      <Box flex="1" minW="0" bg="paper">
        {quiz ? <Suspense fallback={<Box aria-busy />}><QuizPage key={quiz.id} section={quiz} /></Suspense> : outlined && <RouteMap />}
      </Box>
    </Flex>
  );
}
