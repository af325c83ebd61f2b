/** The slides that show what the quiz came to. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { useNavigate } from "react-router";
import type { Quiz } from "../../../api/types";
import { Explained } from "../../../kit/Explained";
import { QuietButton } from "../../../kit/QuietButton";
import { t } from "../../../words/quiz";
import { goToSlide, useCourse } from "../../store/store";
import { makeCertificate, makeOutcome, setOutcome } from "./quizzes";

/** As many as the course document takes. */
const MOST = 5;

/** The outcome slides, a line each, and what makes one more. */
export function Outcomes({ section, quiz, own }: { section: string; quiz: Quiz; own: readonly string[] }): ReactNode {
  const slides = useCourse((state) => state.slides);
  const slug = useCourse((state) => state.slug);
  const go = useNavigate();
  function open(slide: string): void {
    goToSlide(slide);
    void go(`/courses/${slug}/build`);
  }
  return (
    <Box as="section" aria-label={t("outcomeSlides")} bg="paper" borderWidth="1px" borderRadius="card" px="4" py="3">
      <Explained help={t("outcomeHelp")}><Heading as="h3" fontSize="14px">{t("outcomeSlides")}</Heading></Explained>
      {!quiz.outcomes.length && <Text color="quiet" py="1">{t("noOutcome")}</Text>}
      {quiz.outcomes.filter((slide) => own.includes(slide)).map((slide) => (
        <Flex key={slide} align="center" gap="2" py="1">
          <QuietButton size="sm" flex="1" justifyContent="flex-start" variant="ghost" aria-label={t("openSlide", { title: slides[slide]?.title ?? "" })} onClick={() => open(slide)}>
            {slides[slide]?.title || t("untitled")}
          </QuietButton>
          <QuietButton size="sm" onClick={() => setOutcome(section, slide, false)}>{t("notAnOutcome")}</QuietButton>
        </Flex>
      ))}
      {quiz.outcomes.length < MOST && (
        <Flex align="center" gap="3" pt="1">
          <QuietButton size="sm" onClick={() => void makeOutcome(section)}>{t("makeAnOutcome")}</QuietButton>
          <Text color="quiet" fontSize="12.5px" flex="1">{t("makeOutcomeHelp")}</Text>
        </Flex>
      )}
      {quiz.outcomes.length > 0 && (
        <Flex align="center" gap="3" pt="2">
          <QuietButton size="sm" onClick={() => void makeCertificate(section)}>{t("makeACertificate")}</QuietButton>
          <Text color="quiet" fontSize="12.5px" flex="1">{t("certificateHelp")}</Text>
        </Flex>
      )}
    </Box>
  );
}
