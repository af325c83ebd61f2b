import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Question } from "../../../api/types";
import { NumberField } from "../../../kit/NumberField";
import { isUnjudged } from "../parts";
import { t } from "../../../words/judges";

/** The points of one part, where each has its own. */
export function PartPoints(
  { question, words, value, onChange }: { question: Question; words: string; value: number; onChange: (points: number) => void },
): ReactNode {
  if (question.partial !== "per_answer" || isUnjudged(question)) return null;
  return <Box w="64px" flex="none"><NumberField bare label={t("pointsForWords", { words })} value={value} min={-10_000} max={10_000} onChange={onChange} /></Box>;
}
