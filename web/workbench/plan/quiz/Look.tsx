/** The look of a quiz: that of the course, or colours and fonts of its own. */
import { Box, Flex, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Quiz, Section, Theme } from "../../../api/types";
import { Choose } from "../../../kit/Choose";
import { t } from "../../../words/quiz";
import { ThemeFields } from "../../editor/cards/ThemeFields";
import { SlidePicture } from "../../shell/SlidePicture";
import { useCourse } from "../../store/store";
import { changeQuiz } from "./quizzes";

const WHOSE = [["course", t("lookOfTheCourse")], ["own", t("lookOfItsOwn")]] as const;
const WIDTH = 230;

/** The theme of a quiz, beside some of its slides. */
export function Look({ section, quiz, own }: { section: Section; quiz: Quiz; own: readonly string[] }): ReactNode {
  const theme = useCourse((state) => state.course.theme);
  const put = (next: Theme | null, merge?: string): void => changeQuiz(section.id, t("lookOfTheQuiz"), (now) => ({ ...now, theme: next }), merge);
  return (
    <Flex gap="4" align="start">
      <Box as="section" aria-label={t("lookOfTheQuiz")} bg="paper" borderWidth="1px" borderRadius="card" px="4" py="3" flex="none" w="400px">
        <Choose label={t("coloursAndFonts")} help={t("lookHelp")} value={quiz.theme ? "own" : "course"} options={WHOSE} onChange={(whose) => put(whose === "own" ? { ...theme } : null)} />
        {quiz.theme && <Box pt="3"><ThemeFields theme={quiz.theme} onChange={(part, merge) => put({ ...(quiz.theme ?? theme), ...part }, merge)} /></Box>}
      </Box>
      <Samples quiz={quiz} own={own} />
    </Flex>
  );
}

/** The first question, and where the result is shown. */
function Samples({ quiz, own }: { quiz: Quiz; own: readonly string[] }): ReactNode {
  const slides = useCourse((state) => state.slides);
  const asks = own.find((id) => slides[id]?.questions.length);
  const shown = [...new Set([own[0], asks, quiz.outcomes[0]])].flatMap((id) => slides[id ?? ""] ?? []);
  return (
    <Flex direction="column" gap="2" aria-hidden>
      {shown.map((slide) => (
        <Box key={slide.id}>
          <Box borderWidth="1px" borderRadius="6px" overflow="hidden" w={`${WIDTH + 2}px`}><SlidePicture slide={slide} w={WIDTH} whole /></Box>
          <Text color="quiet" fontSize="12px" truncate w={`${WIDTH}px`}>{slide.title}</Text>
        </Box>
      ))}
    </Flex>
  );
}
