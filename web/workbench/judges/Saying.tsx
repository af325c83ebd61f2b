/** Small parts that the fields of several kinds share. */
import { Box, chakra, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Question } from "../../api/types";
import { NumberField } from "../../kit/NumberField";
import { isUnjudged } from "./parts";

/** A line for what is said about one answer; small until there is something. */
export function Saying({ value, label, onChange }: { value: string; label: string; onChange: (text: string) => void }): ReactNode {
  return (
    <chakra.input
      key={value} defaultValue={value} aria-label={label} placeholder="What is said to this one" fontSize="12px" flex="1" minW="120px" px="2" py="0.5"
      borderRadius="6px" bg={value ? "sky.soft" : "transparent"} borderWidth="1px" {...(value ? { borderColor: "transparent" } : {})}
      onBlur={(event) => { if (event.target.value !== value) onChange(event.target.value); }}
    />
  );
}

/** The points of one part, where each has its own. */
export function PartPoints(
  { question, words, value, onChange }: { question: Question; words: string; value: number; onChange: (points: number) => void },
): ReactNode {
  if (question.partial !== "per_answer" || isUnjudged(question)) return null;
  return <Box w="64px" flex="none"><NumberField bare label={`points for ${words}`} value={value} min={-10_000} max={10_000} onChange={onChange} /></Box>;
}

/** A small heading within a card. */
export function Heading({ children }: { children: string }): ReactNode {
  return <Text fontSize="12.5px" fontWeight="700" color="quiet">{children}</Text>;
}
