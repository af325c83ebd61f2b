/** A word to the learner before the time for a question, or for a quiz, is over (WCAG 2.2.1). */
import type { Index } from "./program";
import { timed, timeLeft } from "./questions";
import * as quizzes from "./quizzes";
import type { State } from "./state";
import type { Word } from "./words";

/** So much before the end (ms) it is said; not where the whole time is less than twice as long. */
const WARNINGS: readonly [number, Word][] = [[60_000, "minute_left"], [10_000, "seconds_left"]];

/** Whether the time that is left is so little that it is said and shown. */
export function isEnding(left: number, limit: number): boolean {
  return WARNINGS.some(([ms]) => left <= ms && limit >= 2 * ms);
}

/** Return what is to be said after time has passed between two states; undefined for nothing. */
export function timeWarning(index: Index, before: State, after: State): string | undefined {
  const quiz = quizzes.inTime({ index, state: after });
  if (quiz && typeof quiz.time_limit === "number") {
    const due = crossed(quizzes.timeLeft(before, quiz), quizzes.timeLeft(after, quiz), quiz.time_limit * 1_000);
    if (due) return index.say(due);
  }
  for (const grader of timed({ index, state: after })) {
    const due = crossed(timeLeft(grader, before), timeLeft(grader, after), (grader.time_limit ?? 0) * 1_000);
    if (due) return index.say(due);
  }
  return undefined;
}

/** The warning that came due while the time left went from `was` to `left` ms. */
function crossed(was: number | null, left: number | null, limit: number): Word | undefined {
  if (was === null || left === null) return undefined;
  return WARNINGS.findLast(([ms]) => was > ms && left <= ms && left > 0 && limit >= 2 * ms)?.[1];
}
