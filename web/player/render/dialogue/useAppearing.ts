/** How much of a line is seen already, where lines appear sentence by sentence or word by word. */
import { useMemo, useState } from "react";
import type { ProgramDialogue, ProgramMedia } from "../../../api/types";
import { heardOf, speedNow } from "../players";
import { timedWords } from "../spoken/timedWords";
import { usePassing } from "./usePassing";

const STEP_MS = 100;
/** How long a word takes where no voice says it: 150 words in a minute. */
const WORD_MS = 400;

type Voice = Pick<ProgramMedia, "src" | "duration" | "speech">;

/** A line in parts: `shown` are seen by now. */
export interface Appearing { parts: readonly string[]; shown: number }

/** What is said, and the file of the voice that says it. */
export interface Line { text: string; language: string; appears: ProgramDialogue["appears"]; voice: Voice | undefined }

/** `key` tells lines apart; `active`: whether the line is a new one. The time stands still unless it is `running`. */
export function useAppearing(key: string, line: Line, active: boolean, running: boolean): Appearing & { isWhole: boolean; showAll: () => void } {
  const { text, language, appears, voice } = line;
  const parts = useMemo(() => partsOf(text, language, appears), [text, language, appears]);
  const [past, setPast] = useState({ key, ms: 0 });
  const ms = past.key === key ? past.ms : 0;
  const begins = useMemo(() => beginnings(parts, voice), [parts, voice]);
  const still = useMemo(() => window.matchMedia("(prefers-reduced-motion: reduce)").matches, []);
  const shown = active && !still ? begins.filter((begin) => begin <= ms).length : parts.length;
  const isWhole = shown >= parts.length;
  usePassing(running && !isWhole, STEP_MS, (passed) => {
    // It goes by the voice, which may begin late; where none is heard, by the clock.
    const heard = voice ? heardOf(voice.src) : null;
    setPast((before) => {
      const was = before.key === key ? before.ms : 0;
      return { key, ms: heard === null ? was + passed * speedNow() : Math.max(was, heard) };
    });
  });
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

/** When each part begins (ms): as its words are heard, else by the letters before it; a text without a voice has a voice's pace. */
export function beginnings(parts: readonly string[], voice?: Omit<Voice, "src">): number[] {
  const text = parts.join("");
  const words = voice?.speech ? timedWords(text, voice.speech) : [];
  const whole = voice?.duration || text.split(/\s+/).filter(Boolean).length * WORD_MS;
  let before = 0;
  return parts.map((part) => {
    const heard = words.find(({ to }) => to > before)?.since;
    const begin = heard ?? (before / Math.max(text.length, 1)) * whole;
    before += part.length;
    return begin;
  });
}
