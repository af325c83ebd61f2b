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

/** Return an answer as SCORM 1.2 records it: type, response and what would be right. */
export function record(grader: Grader, given: Given): Record12 {
  const sign = new Map(grader.parts.map(({ id }, index) => [id, signAt(LETTERS, index)]));
  const of = (part: string): string => sign.get(part) ?? "";
  switch (grader.form) {
    case "choose": return choice(grader, given, of);
    case "pairs": {
      const on = new Map(grader.targets.map(({ id }, index) => [id, signAt(DIGITS, index)]));
      const pairs = (list: Given): string => short(list
        .filter(([part, target]) => sign.has(part) && on.has(target))
        .map(([part, target]) => `${of(part)}.${on.get(target) ?? ""}`).join(","));
      const right = grader.parts.flatMap(({ id, right: to, endless }) => (
        (endless ? to : to.slice(0, 1)).map((target) => [id, target] as const)
      ));
      return { type: "matching", response: pairs(given), patterns: some(pairs(right)) };
    }
    case "order": return {
      type: "sequencing", response: given.map(([part]) => of(part)).join(","), patterns: some([...sign.values()].join(",")),
    };
    case "spots": return {
      type: "performance", response: short(given.map(([part]) => sign.get(part) ?? "-").join(",")),
      patterns: some(grader.parts.filter(({ right }) => right.length).map(({ id }) => of(id)).join(",")),
    };
    case "scale": {
      const only = given[0]?.[1] ?? "";
      if (grader.parts.length === 1 && given.length === 1 && Array.from(only).length === 1) {
        return { type: "likert", response: only, patterns: [] };
      }
      return { type: "fill-in", response: short(given.map(([part, value]) => `${of(part)}=${value}`).join("; ")), patterns: [] };
    }
    case "free": {
      const letters = Array.from(given.map(([, value]) => value).join(" "));
      const [response = "", ...more] = Array.from(
        { length: Math.ceil(letters.length / LONGEST) },
        (_, index) => letters.slice(index * LONGEST, (index + 1) * LONGEST).join(""),
      );
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
    const patterns = first.ranges.filter(({ low, high }) => low === high).map(({ low }) => decimal(low)).slice(0, 5);
    return number === null
      ? { type: "fill-in", response: short(entries[0] ?? ""), patterns } : { type: "numeric", response: decimal(number), patterns };
  }
  if (entries.length === 1 && first) return { type: "fill-in", response: short(entries[0] ?? ""), patterns: first.words.slice(0, 5).map(short) };
  return {
    type: "fill-in", response: short(entries.join(", ")), patterns: some(short(accepts.map(({ words }) => words[0] ?? "").join(", "))),
  };
}

/** A CMIDecimal with at most two places and no trailing zeros. */
export function decimal(value: number): string {
  const text = value.toFixed(2).replace(/\.?0+$/, "");
  return text === "-0" ? "0" : text;
}

function signAt(signs: string, index: number): string {
  return signs.charAt(Math.min(index, signs.length - 1));
}

function short(text: string): string {
  return Array.from(text).slice(0, LONGEST).join("");
}

function some(text: string): string[] {
  return text ? [short(text)] : [];
}
