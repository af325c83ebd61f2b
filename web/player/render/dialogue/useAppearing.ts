/** How much of a line is seen already, where lines appear sentence by sentence or word by word. */
import { useMemo, useState } from "react";
import type { ProgramDialogue } from "../../../api/types";
import { usePassing } from "./usePassing";

const STEP_MS = 100;
/** How long a word takes where no voice says it: 150 words in a minute. */
const WORD_MS = 400;

/** A line in parts: `shown` are seen by now. */
export interface Appearing { parts: readonly string[]; shown: number }

/** What is said, and for how long where a voice says it. */
export interface Line { text: string; language: string; appears: ProgramDialogue["appears"]; voiceMs: number }

/** `key` tells lines apart; `active`: whether the line is a new one. The time stands still unless it is `running`. */
export function useAppearing(key: string, line: Line, active: boolean, running: boolean): Appearing & { isWhole: boolean; showAll: () => void } {
  const { text, language, appears, voiceMs } = line;
  const parts = useMemo(() => partsOf(text, language, appears), [text, language, appears]);
  const [past, setPast] = useState({ key, ms: 0 });
  const ms = past.key === key ? past.ms : 0;
  const begins = useMemo(() => beginnings(parts, voiceMs), [parts, voiceMs]);
  const still = useMemo(() => window.matchMedia("(prefers-reduced-motion: reduce)").matches, []);
  const shown = active && !still ? begins.filter((begin) => begin <= ms).length : parts.length;
  const isWhole = shown >= parts.length;
  usePassing(running && !isWhole, STEP_MS, (passed) => setPast((before) => ({ key, ms: (before.key === key ? before.ms : 0) + passed })));
  return { parts, shown, isWhole, showAll: () => setPast({ key, ms: Infinity }) };
}

/** The sentences or words of a text, with the blanks behind them. */
export function partsOf(text: string, language: string, appears: ProgramDialogue["appears"]): string[] {
  if (appears === "at_once" || !text) return [text];
  const granularity = appears === "by_sentence" ? "sentence" : "word";
  const found: string[] = [];
  for (const { segment, isWordLike } of new Intl.Segmenter(language, { granularity }).segment(text)) {
    // Blanks and marks belong to the word before them.
    if (granularity === "word" && isWordLike === false && found.length) found[found.length - 1] += segment;
    else found.push(segment);
  }
  return found;
}

/** When each part begins (ms), by the letters before it; a text without a voice has a voice's pace. */
export function beginnings(parts: readonly string[], voiceMs: number): number[] {
  const text = parts.join("");
  const whole = voiceMs || text.split(/\s+/).filter(Boolean).length * WORD_MS;
  let before = 0;
  return parts.map((part) => {
    const begin = (before / Math.max(text.length, 1)) * whole;
    before += part.length;
    return begin;
  });
}
