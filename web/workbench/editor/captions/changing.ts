/** Changes of captions: each gives new ones, in the order of time. */
import { READING } from "../../../api/tables";
import type { Caption } from "../../../api/types";

/** A new caption stays for so long (ms). */
const NEW_MS = 2_000;
export const LONGEST_TEXT = 500;

const inOrder = (captions: Caption[]): Caption[] => captions.sort((one, other) => one.since - other.since || one.until - other.until);

/** A caption with something else in it. One that would end before it begins stays as it is. */
export function changed(captions: readonly Caption[], place: number, part: Partial<Caption>): Caption[] {
  return inOrder(captions.map((one, at) => {
    const next = { ...one, ...part };
    return at === place && next.until > next.since && next.since >= 0 ? next : one;
  }));
}

/** A caption becomes two, where the caret stands in it; its time is shared by the letters. */
export function split(captions: readonly Caption[], place: number, caret: number): Caption[] {
  const one = captions[place];
  const [before, after] = [one?.text.slice(0, caret).trim() ?? "", one?.text.slice(caret).trim() ?? ""];
  if (!one || !before || !after || one.until - one.since < 2) return [...captions];
  const middle = Math.round(one.since + ((one.until - one.since) * before.length) / (before.length + after.length));
  return [...captions.slice(0, place), { ...one, text: before, until: middle }, { ...one, text: after, since: middle }, ...captions.slice(place + 1)];
}

/** A caption and the next one become one. */
export function joined(captions: readonly Caption[], place: number): Caption[] {
  const [one, next] = [captions[place], captions[place + 1]];
  if (!one || !next) return [...captions];
  const text = `${one.text}${one.text.length + next.text.length < READING.line ? " " : "\n"}${next.text}`.slice(0, LONGEST_TEXT);
  return [...captions.slice(0, place), { ...one, until: Math.max(one.until, next.until), text }, ...captions.slice(place + 2)];
}

/** One caption more at `ms`, and its place; it ends where the next one begins. */
export function added(captions: readonly Caption[], ms: number, text: string): { captions: Caption[]; place: number } {
  const next = captions.find(({ since }) => since > ms)?.since ?? Infinity;
  const one = { since: ms, until: Math.max(Math.min(ms + NEW_MS, next), ms + 1), text };
  const all = inOrder([...captions, one]);
  return { captions: all, place: all.indexOf(one) };
}

/** All captions earlier or later; none before the beginning. */
export function shifted(captions: readonly Caption[], ms: number): Caption[] {
  const by = Math.max(ms, -(captions[0]?.since ?? 0));
  return captions.map(({ since, until, text }) => ({ since: since + by, until: until + by, text }));
}

/** What makes a caption hard to read: it goes too fast, its lines are too long, or too many. */
export function hard({ since, until, text }: Caption): "fast" | "long" | "lines" | null {
  const lines = text.split("\n");
  if ((text.length * 1000) / Math.max(until - since, 1) > READING.fastest) return "fast";
  if (lines.some((line) => line.length > READING.line)) return "long";
  return lines.length > READING.lines ? "lines" : null;
}
