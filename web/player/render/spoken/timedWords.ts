/** Words of a text that are spoken: where they stand in it, and when each is heard. */
import type { ProgramMedia } from "../../../api/types";

type Speech = NonNullable<ProgramMedia["speech"]>;

/** A word from the letter `from` to the letter before `to`, heard from `since` (ms) on. */
export interface TimedWord { from: number; to: number; since: number }

/** The words of `text`, which stand together in what is said; none where they do not. */
export function timedWords(text: string, { words, since }: Speech): TimedWord[] {
  const own = wordsOf(text);
  const first = placeIn(own.map(({ word }) => word), wordsOf(words).map(({ word }) => word));
  if (first < 0) return [];
  return own.map(({ word, from }, number) => ({ from, to: from + word.length, since: since[first + number] ?? 0 }));
}

/** What stands between blanks and ends of lines, as the core splits it. */
function wordsOf(text: string): { word: string; from: number }[] {
  return [...text.matchAll(/[^ \t\r\n]+/g)].map(({ 0: word, index }) => ({ word, from: index }));
}

/** Where `words` begin in `said`, whatever their marks and capitals; -1 where they are not said together. */
function placeIn(words: readonly string[], said: readonly string[]): number {
  const [wanted, heard] = [words.map(bare), said.map(bare)];
  if (!wanted.length) return -1;
  return heard.findIndex((_, first) => wanted.every((word, number) => heard[first + number] === word));
}

const bare = (word: string): string => word.toLowerCase().replace(/[^\p{L}\p{N}]/gu, "");

/** The word that is heard at `ms`; none before the first. */
export function wordAt(words: readonly TimedWord[], ms: number): TimedWord | undefined {
  return words.findLast(({ since }) => since <= ms);
}
