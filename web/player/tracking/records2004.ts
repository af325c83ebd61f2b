/** An answer as an interaction record of SCORM 2004, and of xAPI. The twin of `tracking/records2004.py`, which names the sources. */
import type { Grader } from "../../api/types";
import { numberIn } from "../engine/accepted";
import type { Given } from "../engine/tally";
import { cut, precise } from "./records12";

export interface Record2004 {
  type: string;
  response: string;
  patterns: readonly string[];
}

export const SHORT = 250;
const LONG = 4_000;
const MOST_PATTERNS = 5;
const MOST_PREFIX = 40;
const RESERVED = /\[[,.:]\]|^\{(?=(?:lang|case_matters|order_matters)=)/g;

/** Return how an answer is told; nothing is right in a survey. */
export function record2004(grader: Grader, given: Given): Record2004 {
  const found = recorded(grader, given);
  return grader.purpose === "survey" ? { ...found, patterns: [] } : found;
}

function recorded(grader: Grader, given: Given): Record2004 {
  switch (grader.form) {
    case "choose": return choice(grader, given.map(([part]) => part));
    case "pairs": {
      const right = grader.parts.flatMap((part) => (part.endless ? part.right : part.right.slice(0, 1)).map((target): [string, string] => [part.id, target]));
      return { type: "matching", response: pairs(given), patterns: one(pairs(right)) };
    }
    case "order": return { type: "sequencing", response: list(given.map(([part]) => part)), patterns: one(list(grader.parts.map(({ id }) => id))) };
    case "spots": {
      const right = grader.parts.flatMap(({ id, right: isRight }): [string, string][] => (isRight.length ? [[id, ""]] : []));
      return {
        type: "performance", response: pairs(given.map(([part, where]) => [part, where.replaceAll(",", ":")])),
        patterns: one(pairs(right), "{order_matters=false}"),
      };
    }
    case "scale": return grader.parts.length === 1
      ? { type: "likert", response: cut(given[0]?.[1] ?? "", SHORT), patterns: [] }
      : { type: "performance", response: pairs(given), patterns: [] };
    case "free": return { type: "long-fill-in", response: cut(given.map(([, text]) => text).join(" "), LONG), patterns: [] };
    case "texts": return written(grader, new Map(given));
  }
}

function choice(grader: Grader, chosen: readonly string[]): Record2004 {
  const right = grader.parts.filter((part) => part.right.length).map(({ id }) => id);
  if (grader.kind !== "true_false") return { type: "choice", response: list(chosen), patterns: one(list(right)) };
  const truth = (parts: readonly string[]): string => ["true", "false"][grader.parts.findIndex(({ id }) => id === parts[0])] ?? "";
  return { type: "true-false", response: truth(chosen), patterns: one(truth(right)) };
}

function written(grader: Grader, texts: ReadonlyMap<string, string>): Record2004 {
  const given = grader.parts.map(({ id }) => cut(literal(texts.get(id) ?? ""), SHORT));
  const accepts = grader.parts.flatMap((part) => (part.accepts ? [part.accepts] : []));
  const [first] = accepts;
  const number = grader.kind === "numeric" && first ? numberIn(given[0] ?? "", first.units) : null;
  if (number !== null && first) {
    return { type: "numeric", response: precise(number), patterns: ranges(first) };
  }
  const prefix = `{case_matters=${accepts.every(({ any_case }) => any_case) ? "false" : "true"}}{order_matters=true}`;
  const patterns = grader.parts.length === 1 && first
    ? first.words.slice(0, MOST_PATTERNS).map((word) => prefix + cut(literal(word), SHORT))
    : one(list(accepts.map(({ words }) => cut(literal(words[0] ?? ""), SHORT))), prefix);
  return { type: "fill-in", response: list(given), patterns };
}

type Accepts = NonNullable<Grader["parts"][number]["accepts"]>;

function ranges({ ranges: those }: Accepts): string[] {
  return those.slice(0, MOST_PATTERNS).map(({ low, high }) => `${precise(low)}[:]${precise(high)}`);
}

/** The definition of the xAPI activity that a question is, with the words of its parts. */
export function interactionDefinition(grader: Grader, language: string): Record<string, unknown> {
  const unanswered = record2004(grader, []);
  const accepts = grader.parts.find((part) => part.accepts)?.accepts;
  const isNumber = grader.kind === "numeric" && !!accepts;
  const patterns = accepts && isNumber && grader.purpose !== "survey" ? ranges(accepts) : unanswered.patterns;
  const kind = isNumber ? "numeric" : unanswered.type;
  const components = (parts: readonly { id: string; words: string }[]): unknown[] => parts.map(({ id, words }) => ({ id, description: { [language]: words } }));
  return {
    type: "http://adlnet.gov/expapi/activities/cmi.interaction", interactionType: kind, description: { [language]: grader.prompt },
    ...(patterns.length ? { correctResponsesPattern: patterns } : {}),
    ...(kind === "choice" || kind === "sequencing" ? { choices: components(grader.parts) } : {}),
    ...(kind === "matching" ? { source: components(grader.parts), target: components(grader.targets) } : {}),
    ...(kind === "performance" ? { steps: components(grader.parts) } : {}),
  };
}

/** As many values as there is room for, with the delimiter between them. */
function list(values: readonly string[]): string {
  let listed = "";
  for (const [number, value] of values.entries()) {
    const longer = number ? `${listed}[,]${value}` : value;
    if (longer.length > LONG - MOST_PREFIX) break;
    listed = longer;
  }
  return listed;
}

/** A text with nothing in it that stands for a delimiter or a property. */
function literal(text: string): string {
  return text.replace(RESERVED, (found) => `${found.charAt(0)} ${found.slice(1)}`);
}

function pairs(those: Given): string {
  return list(those.map(([part, where]) => `${part}[.]${where}`));
}

function one(text: string, prefix = ""): string[] {
  return text ? [prefix + text] : [];
}
