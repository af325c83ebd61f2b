/** How much of a response is right. The twin of `grading/tally.py`, which says why. */
import type { Grader } from "../../api/types";
import { length } from "./values";
import { accepted } from "./accepted";

export type Given = readonly (readonly [part: string, value: string])[];

/** `right` parts of `of`, how many were wrong, and the right ones' ids. */
export interface Tally {
  readonly right: number;
  readonly wrong: number;
  readonly of: number;
  readonly parts: ReadonlySet<string>;
}

/** Whether all that can be right is, and nothing is wrong. */
export const isComplete = ({ right, wrong, of }: Tally): boolean => right === of && wrong === 0;

/** Return how much of an answer is right and how much wrong, by the grader's form. */
export function measure(grader: Grader, given: Given): Tally {
  switch (grader.form) {
    case "choose": return chosen(grader, new Set(given.map(([part]) => part)));
    case "texts": return written(grader, new Map(given));
    case "pairs": return paired(grader, given);
    case "order": return ordered(grader, given.map(([part]) => part));
    case "spots": return hit(grader, given);
    default: return { right: 0, wrong: 0, of: 0, parts: new Set() };
  }
}

/** Return whether there is enough of an answer to submit it. */
export function isReady(grader: Grader, given: Given): boolean {
  if (grader.form === "free") {
    return given.reduce((sum, [, text]) => sum + length(text), 0) >= Math.max(grader.at_least, 1);
  }
  return grader.form === "scale"
    ? given.length === grader.parts.length : given.length >= Math.max(grader.at_least, 1);
}

/** Whether `given` is enough, and another answer than the one that was `judged` last, if any. */
export function isUnjudged(grader: Grader, given: Given, judged: Given | null): boolean {
  if (!isReady(grader, given)) return false;
  if (judged === null) return true;
  return grader.form === "order" ? !same(given, judged) : !same(sorted(given), sorted(judged));
}

/** Whether two answers are the same, in the same order. */
export function same(a: Given, b: Given): boolean {
  return a.length === b.length && a.every(([part, value], index) => part === b[index]?.[0] && value === b[index]?.[1]);
}

function sorted(given: Given): Given {
  const key = ([part, value]: Given[number]): string => `${part}\n${value}`;
  return [...given].sort((a, b) => (key(a) < key(b) ? -1 : key(a) > key(b) ? 1 : 0));
}

/** The parts that are to be given. */
export const wantedIn = ({ parts }: Grader): Set<string> => new Set(parts.filter(({ right }) => right.length).map(({ id }) => id));

const both = (a: ReadonlySet<string>, b: ReadonlySet<string>): Set<string> => new Set([...a].filter((one) => b.has(one)));

function chosen(grader: Grader, given: ReadonlySet<string>): Tally {
  const right = wantedIn(grader);
  const parts = both(given, right);
  return { right: parts.size, wrong: given.size - parts.size, of: right.size, parts };
}

function written(grader: Grader, texts: ReadonlyMap<string, string>): Tally {
  const parts = new Set(grader.parts
    .filter(({ id, accepts }) => accepts && accepted(accepts, texts.get(id) ?? "")).map(({ id }) => id));
  const filled = grader.parts.filter(({ id }) => texts.get(id)).length;
  return { right: parts.size, wrong: filled - parts.size, of: grader.parts.length, parts };
}

function paired(grader: Grader, given: Given): Tally {
  let [right, wrong, of] = [0, 0, 0];
  const parts = new Set<string>();
  for (const part of grader.parts) {
    const on = given.filter(([item]) => item === part.id);
    const wanted = part.endless ? part.right.length : Math.min(part.right.length, 1);
    const good = on.filter(([, target]) => part.right.includes(target)).length;
    const bad = on.length - good;
    [right, wrong, of] = [right + good, wrong + bad, of + wanted];
    if (good === wanted && !bad) parts.add(part.id);
  }
  return { right, wrong, of, parts };
}

/** The place of each part in an order; those on a level share it. */
function levelsOf({ parts }: Grader): Map<string, number> {
  const levels = new Map<string, number>();
  for (const { id, level } of parts) levels.set(id, Math.max(new Set(levels.values()).size - (level ? 1 : 0), 0));
  return levels;
}

function ordered(grader: Grader, order: readonly string[]): Tally {
  const levels = levelsOf(grader);
  const wanted = [...levels.values()];
  const put = order.flatMap((part) => levels.get(part) ?? []);
  const parts = new Set(order.filter((_, index) => put[index] === wanted[index]));
  if (grader.counts === "all" || wanted.length < 2) {
    return { right: parts.size, wrong: order.length - parts.size, of: wanted.length, parts };
  }
  const links = put.slice(1).map((after, index) => after === put[index] || after === (put[index] ?? 0) + 1);
  const linked = links.filter(Boolean).length;
  if (grader.counts === "pairs") return { right: linked, wrong: links.length - linked, of: wanted.length - 1, parts };
  let [longest, here] = [0, 0];
  for (const link of links) {
    here = link ? here + 1 : 0;
    longest = Math.max(longest, here);
  }
  const run = longest ? longest + 1 : 0;
  return { right: run, wrong: order.length - run, of: wanted.length, parts };
}

function hit(grader: Grader, given: Given): Tally {
  const right = wantedIn(grader);
  const places = new Set(given.map(([part]) => part));
  const parts = both(places, right);
  const beside = given.filter(([part]) => part === grader.id).length;
  const decoys = [...places].filter((part) => !right.has(part) && part !== grader.id).length;
  const of = Math.min(grader.needed || right.size, right.size);
  const isPaid = grader.clicks_spent && typeof grader.at_most === "number";
  return { right: Math.min(parts.size, of), wrong: isPaid ? 0 : decoys + beside, of, parts };
}
