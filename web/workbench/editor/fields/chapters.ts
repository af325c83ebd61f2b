/** Chapters as lines of text: when each begins, and its name. */
import type { Chapter } from "../../../api/types";

/** So many chapters one file may have. */
const MOST_CHAPTERS = 200;
const LINE = /^\s*(?:(\d+):)?(\d+):(\d{1,2}(?:[.,]\d{1,3})?)[\s–-]*(.*)$/;

/** Return one line for each chapter, such as `1:05 The stove`. */
export function chapterLines(chapters: readonly Chapter[]): string {
  return chapters.map(({ since, name }) => `${clock(since)} ${name}`).join("\n");
}

/** A time such as `1:05` or `0:07.25`. */
export function clock(ms: number): string {
  const [hours, minutes, seconds] = [Math.floor(ms / 3_600_000), Math.floor(ms / 60_000) % 60, (ms % 60_000) / 1000];
  const rest = `${seconds < 10 ? "0" : ""}${Number(seconds.toFixed(3))}`;
  return hours ? `${hours}:${String(minutes).padStart(2, "0")}:${rest}` : `${minutes}:${rest}`;
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
    const since = Math.round((Number(hours) * 3_600 + Number(minutes) * 60 + Number(seconds.replace(",", "."))) * 1000);
    const name = rest.trim().slice(0, 200);
    const fits = read && name && (!duration || since < duration) && !found.has(since) && found.size < MOST_CHAPTERS;
    if (fits) found.set(since, { since, name });
    else wrong.push(line.trim());
  }
  return { chapters: [...found.values()].sort((one, other) => one.since - other.since), wrong };
}

/** The ms of a time such as `1:05`, `7` or `0:07.25`; null where it is none. */
export function timeIn(text: string): number | null {
  const read = /^\s*(?:(?:(\d{1,3}):)?(\d{1,4}):)?(\d{1,4}(?:[.,]\d{1,3})?)\s*$/.exec(text);
  if (!read) return null;
  const [, hours = "0", minutes = "0", seconds = "0"] = read;
  return Math.round((Number(hours) * 3_600 + Number(minutes) * 60 + Number(seconds.replace(",", "."))) * 1000);
}
