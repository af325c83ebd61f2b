import { Box, Text } from "@chakra-ui/react";
import { useState, type ReactNode } from "react";
import { FoldCard } from "../../../kit/FoldCard";
import { NumberField } from "../../../kit/NumberField";
import { t } from "../../../words/quiz";
import { goToSlide, useCourse } from "../../store/store";
import { useDraw } from "./useQuizNumbers";

/** What the learner with a certain number gets of a quiz, in order. */
export function LearnerDraw({ section }: { section: string }): ReactNode {
  const [seed, setSeed] = useState(7);
  return (
    <FoldCard title={t("whatWouldALearnerGet")} starts="closed">
      <NumberField label={t("learnersNumber")} help={t("learnerHelp")} value={seed} min={0} max={2 ** 32 - 1} onChange={(number) => setSeed(Math.trunc(number))} />
      <Drawn section={section} seed={seed} />
    </FoldCard>
  );
}

function Drawn({ section, seed }: { section: string; seed: number }): ReactNode {
  const slides = useDraw(section, seed);
  const titles = useCourse((state) => state.slides);
  return (
    <Box as="ol" ml="5" mt="2" listStyleType="decimal" fontSize="13px" maxH="300px" overflowY="auto" aria-label={t("learnerGets", { seed })} aria-busy={!slides} data-drawn={seed}>
      {slides?.map((slide) => (
        <Box as="li" key={slide}>
          <Box as="button" textAlign="left" onClick={() => goToSlide(slide)}>{titles[slide]?.title || t("untitled")}</Box>
        </Box>
      ))}
      {slides?.length === 0 && <Text color="quiet">{t("nothing")}</Text>}
    </Box>
  );
}
