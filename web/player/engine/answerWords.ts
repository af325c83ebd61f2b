/** Answers in words: what was given, and what is right. */
import type { Grader } from "../../api/types";
import type { Answer } from "./state";
import type { Say } from "./words";

/** What was answered, in words. */
export function givenWords(grader: Grader, { given }: Answer): string {
  const words = new Map([...grader.parts, ...grader.targets].map(({ id, words: own }) => [id, own]));
  const partOf = (part: string): string => words.get(part) || "–";
  switch (grader.form) {
    case "choose": case "order": case "spots": return given.map(([part]) => partOf(part)).join("; ");
    case "pairs": return given.map(([part, target]) => `${partOf(part)} → ${partOf(target)}`).join("; ");
    case "scale": return given.map(([part, value]) => (grader.parts.length > 1 ? `${partOf(part)}: ${value}` : value)).join("; ");
    case "texts": case "free": return given.map(([, value]) => value).join("; ");
  }
}

/** What is right, in words; empty where nothing is, or anything. */
export function rightWords(grader: Grader, say: Say): string {
  const target = new Map(grader.targets.map(({ id, words }) => [id, words]));
  switch (grader.form) {
    case "choose": case "spots": return grader.parts.filter(({ right }) => right.length).map(({ words }) => words).join("; ");
    case "order": return grader.parts.map(({ words }) => words).join("; ");
    case "pairs": return grader.parts.filter(({ right }) => right.length).map((part) => {
      const belongs = part.right.map((id) => target.get(id) ?? "");
      return `${part.words} → ${part.endless ? belongs.join(", ") : belongs.reduce((one, other) => say("one_or_other", { one, other }))}`;
    }).join("; ");
    case "texts": return grader.parts.map((part) => acceptedWords(part, say)).join("; ");
    default: return "";
  }
}

/** What is accepted in a part, in words. */
export function acceptedWords({ accepts }: Grader["parts"][number], say: Say): string {
  const word = accepts?.words[0];
  if (word) return word;
  const range = accepts?.ranges[0];
  if (!range) return "";
  const unit = accepts.units[0] ? ` ${accepts.units[0]}` : "";
  return (range.low === range.high ? String(range.low) : say("from_to", { low: range.low, high: range.high })) + unit;
}
