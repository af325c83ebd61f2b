/** What a run has come to. The twin of `engine/results.py`. */
import type { Index } from "./program";
import type { State, Success } from "./state";
import { own } from "./own";

/** Return the points of all scored questions so far. */
export function points(index: Index, state: State): number {
  let total = 0;
  for (const [question, answer] of Object.entries(state.answers)) {
    if (index.questions.get(question)?.purpose === "scored") total += answer.points;
  }
  return total;
}

/** Return the score in per cent with two decimals, null where nothing is scored. */
export function score(index: Index, state: State): number | null {
  if (!index.maxPoints) return null;
  return Math.floor(Math.max(points(index, state) / index.maxPoints, 0) * 10_000 + 0.5) / 100;
}

/** Return whether the course is passed or failed, or that it is not known yet. */
export function success(index: Index, state: State): Success {
  const reached = score(index, state);
  if (reached === null) return "unknown";
  if (reached >= index.program.pass_mark) return "passed";
  return index.scored.every(({ id }) => own(state.answers, id)?.locked) ? "failed" : "unknown";
}
