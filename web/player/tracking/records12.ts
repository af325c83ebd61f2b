/** An answer as a SCORM 1.2 interaction record. The twin of `tracking/records12.py`. */
import type { Grader } from "../../api/types";
import type { Given } from "../engine/tally";
import { numberIn } from "../engine/accepted";

export interface Record12 {
  type: string;
  response: string;
  patterns: readonly string[];
  /** What of an open answer does not fit into one response. */
  more?: readonly string[];
}

const LONGEST = 255;
const LETTERS = "abcdefghijklmnopqrstuvwxyz0123456789";
const DIGITS = "123456789abcdefghijklmnopqrstuvwxyz0";

/** So many right responses are told where there are more ways to be right. */
const MOST = 20;
const LARGE = 1e9;

/** Return an answer as SCORM 1.2 records it: type, response and what would be right; nothing is in a survey. */
export function record(grader: Grader, given: Given): Record12 {
  const found = recorded(grader, given);
  return grader.purpose === "survey" ? { ...found, patterns: [] } : found;
}

function recorded(grader: Grader, given: Given): Record12 {
  const sign = new Map(grader.parts.map(({ id }, index) => [id, signAt(LETTERS, index)]));
  const of = (part: string): string => sign.get(part) ?? "";
  switch (grader.form) {
    case "choose": return choice(grader, given, of);
    case "pairs": {
      const on = new Map(grader.targets.map(({ id }, index) => [id, signAt(DIGITS, index)]));
      const pairs = (list: Given): string => short(list
        .filter(([part, target]) => sign.has(part) && on.has(target))
        .map(([part, target]) => `${of(part)}.${on.get(target) ?? ""}`).join(","));
      const ways = grader.parts.flatMap(({ id, right, endless }) => {
        const each = right.filter((target) => on.has(target)).map((target) => `${of(id)}.${on.get(target) ?? ""}`);
        return each.length ? [endless ? [each.join(",")] : each] : [];
      });
      return { type: "matching", response: pairs(given), patterns: some(...product(ways).map((way) => way.join(","))) };
    }
    case "order": return {
      type: "sequencing", response: given.map(([part]) => of(part)).join(","), patterns: some([...sign.values()].join(",")),
    };
    case "spots": {
      const right = grader.parts.filter((part) => part.right.length).map(({ id }) => of(id));
      const enough = Math.min(grader.needed || right.length, right.length);
      return {
        type: "performance", response: short(given.map(([part]) => sign.get(part) ?? "-").join(",")),
        patterns: some(...combinations(right, enough).slice(0, MOST).map((those) => those.join(","))),
      };
    }
    case "scale": {
      const only = given[0]?.[1] ?? "";
      if (grader.parts.length === 1 && given.length === 1 && Array.from(only).length === 1) {
        return { type: "likert", response: only, patterns: [] };
      }
      return { type: "fill-in", response: short(given.map(([part, value]) => `${of(part)}=${value}`).join("; ")), patterns: [] };
    }
    case "free": {
      const [response = "", ...more] = pieces(given.map(([, value]) => value).join(" "));
      return { type: "fill-in", response, patterns: [], more };
    }
    case "texts": return written(grader, new Map(given));
  }
}

function choice(grader: Grader, given: Given, of: (part: string) => string): Record12 {
  const right = grader.parts.filter((part) => part.right.length).map(({ id }) => of(id));
  const chosen = given.map(([part]) => of(part));
  if (grader.kind === "true_false") {
    const truth = (signs: readonly string[]): string => ({ a: "t", b: "f" })[signs.join("")] ?? "";
    return { type: "true-false", response: truth(chosen), patterns: some(truth(right)) };
  }
  return { type: "choice", response: chosen.join(","), patterns: some(right.join(",")) };
}

function written(grader: Grader, texts: ReadonlyMap<string, string>): Record12 {
  const entries = grader.parts.map(({ id }) => texts.get(id) ?? "");
  const accepts = grader.parts.flatMap((part) => (part.accepts ? [part.accepts] : []));
  const first = accepts[0];
  if (grader.kind === "numeric" && first) {
    const number = numberIn(entries[0] ?? "", first.units);
    const patterns = first.ranges.filter(({ low, high }) => low === high).map(({ low }) => precise(low));
    return number === null
      ? { type: "fill-in", response: short(entries[0] ?? ""), patterns } : { type: "numeric", response: precise(number), patterns };
  }
  if (entries.length === 1 && first) return { type: "fill-in", response: short(entries[0] ?? ""), patterns: some(...first.words) };
  const ways = product(accepts.map(({ words }) => (words.length ? words : [""])));
  return { type: "fill-in", response: short(several(entries)), patterns: some(...ways.map(several)) };
}

/** Several texts as one; a comma within one of them stands behind a backslash, as does that. */
function several(texts: readonly string[]): string {
  return texts.map((text) => text.replaceAll("\\", "\\\\").replaceAll(",", "\\,")).join(", ");
}

/** A CMIDecimal with at most two places and no trailing zeros. */
export function decimal(value: number): string {
  const text = value.toFixed(2).replace(/\.?0+$/, "");
  return text === "-0" ? "0" : text;
}

function signAt(signs: string, index: number): string {
  return signs.charAt(Math.min(index, signs.length - 1));
}

/** A CMIDecimal with at most six places: an answer is recorded as it was given. */
export function precise(value: number): string {
  if (Math.abs(value) >= LARGE) return decimal(value);
  const text = (Math.floor(value * 1e6 + 0.5) / 1e6).toFixed(6).replace(/\.?0+$/, "");
  return text === "-0" ? "0" : text;
}

function short(text: string): string {
  return cut(text, LONGEST);
}

/** The beginning of a text that is at most so long, counted in UTF-16 units. */
export function cut(text: string, longest: number): string {
  return pieces(text, longest)[0] ?? "";
}

/** A text in pieces that are at most so long, counted in UTF-16 units. */
function pieces(text: string, longest = LONGEST): string[] {
  const found: string[] = [];
  let piece = "";
  for (const sign of text) {
    if (piece.length + sign.length > longest) {
      found.push(piece);
      piece = "";
    }
    piece += sign;
  }
  return piece ? [...found, piece] : found;
}

function some(...texts: string[]): string[] {
  return texts.filter(Boolean).map(short);
}

/** The first ways to take one of each list, the last list changing fastest. */
function product(lists: readonly (readonly string[])[]): string[][] {
  return lists.reduce<string[][]>(
    (ways, list) => ways.flatMap((way) => list.map((one) => [...way, one])).slice(0, MOST), [[]],
  );
}

/** The ways to take `count` of `all`, in their order. */
function combinations(all: readonly string[], count: number): string[][] {
  if (count === 0) return [[]];
  const found: string[][] = [];
  for (let index = 0; index + count <= all.length && found.length < MOST; index++) {
    for (const rest of combinations(all.slice(index + 1), count - 1)) found.push([all[index] as string, ...rest]);
  }
  return found;
}
