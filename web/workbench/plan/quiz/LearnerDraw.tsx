import { Box, Flex, Text } from "@chakra-ui/react";
import { Play } from "lucide-react";
import { useState, type ReactNode } from "react";
import { useNavigate } from "react-router";
import { FoldCard } from "../../../kit/FoldCard";
import { NumberField } from "../../../kit/NumberField";
import { QuietButton } from "../../../kit/QuietButton";
import { t } from "../../../words/quiz";
import { goToSlide, useCourse } from "../../store/store";
import { useDraw } from "./useQuizNumbers";

/** What the learner with a certain number gets of a quiz, in order. */
export function LearnerDraw({ section }: { section: string }): ReactNode {
  const [seed, setSeed] = useState(7);
  const slug = useCourse((state) => state.slug);
  const go = useNavigate();
  const drawn = useDraw(section, seed);
  /** From the quiz on, as this learner gets it. */
  function play(): void {
    const first = drawn?.[0];
    void go(`/courses/${slug}/rehearse?${new URLSearchParams({ ...(first ? { from: first } : {}), seed: String(seed) }).toString()}`);
  }
  return (
    <FoldCard title={t("whatWouldALearnerGet")} starts="closed">
      <NumberField label={t("learnersNumber")} help={t("learnerHelp")} value={seed} min={0} max={2 ** 32 - 1} onChange={(number) => setSeed(Math.trunc(number))} />
      <Flex justify="end" pt="1">
        <QuietButton size="xs" aria-label={t("playItAs", { seed })} disabled={!drawn?.length} onClick={play}><Play size={12} />{t("playIt")}</QuietButton>
      </Flex>
      <Drawn seed={seed} slides={drawn} />
    </FoldCard>
  );
}

function Drawn({ seed, slides }: { seed: number; slides: readonly string[] | undefined }): ReactNode {
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
