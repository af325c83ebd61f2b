/** Conditions by choice: clauses joined by all or any. What is more than that stays an expression. */
import type { Value } from "../../player/engine/values";

export type Comparison = "=" | "!=" | "<" | "<=" | ">" | ">=";
export type Fact = "shown" | "clicked" | "seen" | "open" | "right" | "locked" | "all_seen" | "gate" | "quiz_passed" | "quiz_finished" | "in_band";

export type Clause =
  | { kind: "variable"; of: string; is: Comparison; value: Value }
  | { kind: "live"; of: string; is: Comparison; value: Value }
  | { kind: OfQuiz; of: string; is: Comparison; value: Value }
  | { kind: "watched"; of: string; is: Comparison; value: Value }
  | { kind: "dropped"; of: string; is: "=" | "!="; value: Value }
  | { kind: Fact; of: string; holds: boolean }
  | { kind: "group"; clauses: Clauses }
  | { kind: "other"; node: unknown };

export interface Clauses { join: "and" | "or"; clauses: readonly Clause[] }

const COMPARISONS = new Set(["=", "!=", "<", "<=", ">", ">="]);
const FACTS = new Set(["shown", "clicked", "seen", "open", "right", "locked", "all_seen", "gate", "quiz_passed", "quiz_finished", "in_band"]);
/** The numbers that tell of a quiz as a whole. */
export const OF_QUIZ = ["quiz_score", "quiz_points", "quiz_right", "quiz_attempt", "quiz_attempts_left"] as const;
/** The numbers that tell of a set of its questions. */
export const OF_SET = ["set_score", "set_right"] as const;
/** What gives a number for a quiz, or for one of its sets. */
export type OfQuiz = (typeof OF_QUIZ)[number] | (typeof OF_SET)[number];
const VALUES = new Set<string>(["variable", "live", "watched", "dropped", ...OF_QUIZ, ...OF_SET]);

/** Read a condition; `true` has no clauses. */
export function clausesOf(node: unknown): Clauses {
  if (node === true) return { join: "and", clauses: [] };
  if (Array.isArray(node) && (node[0] === "and" || node[0] === "or")) {
    return { join: node[0], clauses: node.slice(1).map(clauseOf) };
  }
  return { join: "and", clauses: [clauseOf(node)] };
}

function clauseOf(node: unknown): Clause {
  if (!Array.isArray(node)) return { kind: "other", node };
  const [operator, left, right] = node as unknown[];
  if (operator === "and" || operator === "or") return { kind: "group", clauses: clausesOf(node) };
  if (operator === "not" && Array.isArray(left) && FACTS.has(String(left[0]))) {
    return { kind: left[0] as Fact, of: String(left[1]), holds: false };
  }
  if (FACTS.has(String(operator))) return { kind: operator as Fact, of: String(left), holds: true };
  if (COMPARISONS.has(String(operator)) && Array.isArray(left) && VALUES.has(String(left[0])) && !Array.isArray(right)) {
    return { kind: left[0], of: String(left[1]), is: operator, value: right } as Clause;
  }
  return { kind: "other", node };
}

/** Write a condition; without clauses it always holds. */
export function nodeOf({ join, clauses }: Clauses): unknown {
  if (!clauses.length) return true;
  const nodes = clauses.map(clauseNode);
  return nodes.length === 1 ? nodes[0] : [join, ...nodes];
}

function clauseNode(clause: Clause): unknown {
  if ("is" in clause) return [clause.is, [clause.kind, clause.of], clause.value];
  if ("holds" in clause) return clause.holds ? [clause.kind, clause.of] : ["not", [clause.kind, clause.of]];
  return clause.kind === "group" ? nodeOf(clause.clauses) : clause.node;
}
