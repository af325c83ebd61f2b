/** Judging an answer. The twin of `zigzag_core/assess/grade.py`. */
import type { Grader } from "../../api/types";
import type { Result } from "./state";

export function judge(
  grader: Grader, chosen: readonly string[],
): { result: Result; points: number } {
  if (grader.purpose === "survey" || !grader.right.length) return { result: "neutral", points: 0 };
  const right = new Set(grader.right);
  const given = new Set(chosen);
  const exact = right.size === given.size && [...right].every((choice) => given.has(choice));
  return exact ? { result: "right", points: grader.points } : { result: "wrong", points: 0 };
}
