/** Chapters as lines of text: when each begins, and its name. */
import type { Chapter } from "../../../api/types";
import { clock, msOf } from "./times";

/** So many chapters one file may have. */
const MOST_CHAPTERS = 200;
const LINE = /^\s*(?:(\d+):)?(\d+):(\d{1,2}(?:[.,]\d{1,3})?)[\s–-]*(.*)$/;

/** Return one line for each chapter, such as `1:05 The stove`. */
export function chapterLines(chapters: readonly Chapter[]): string {
  return chapters.map(({ since, name }) => `${clock(since)} ${name}`).join("\n");
}

/**
 * Read chapters from lines of text; those of a file of `duration` ms. Returns them in the order of time,
 * and the lines that are none: without a time or a name, beyond the end, or a time that was there before.
 */
export function chaptersIn(text: string, duration: number): { chapters: Chapter[]; wrong: string[] } {
  const found = new Map<number, Chapter>();
  const wrong: string[] = [];
  for (const line of text.split("\n").filter((one) => one.trim())) {
    const read = LINE.exec(line);
    const [, hours = "0", minutes = "0", seconds = "0", rest = ""] = read ?? [];
    const since = msOf(hours, minutes, seconds);
    const name = rest.trim().slice(0, 200);
    const fits = read && name && (!duration || since < duration) && !found.has(since) && found.size < MOST_CHAPTERS;
    if (fits) found.set(since, { since, name });
    else wrong.push(line.trim());
  }
  return { chapters: [...found.values()].sort((one, other) => one.since - other.since), wrong };
}
