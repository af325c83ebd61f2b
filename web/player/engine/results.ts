/** What a run has come to. The twin of `engine/results.py`. */
import type { Index } from "./program";
import { countedBefore, courseScore, isClosed, keepsFromPassing } from "./quizResults";
import type { Answer, State, Success } from "./state";
import { own } from "./own";

/** What all answers of a run come to. */
export interface Totals {
  /** The points of the scored questions. */
  readonly points: number;
  /** Whether anything was submitted. */
  readonly attempted: boolean;
}

/** Return what the answers come to. They are added up once, however many events leave them as they are. */
function totals(index: Index, { answers }: State): Totals {
  let found = index.totals.get(answers);
  if (!found) index.totals.set(answers, found = addedUp(index, answers));
  return found;
}

function addedUp(index: Index, answers: State["answers"]): Totals {
  let [points, attempted] = [0, false];
  for (const question of Object.keys(answers)) {
    const answer = answers[question] as Answer;
    if (index.questions.get(question)?.purpose === "scored") points += answer.points;
    attempted ||= answer.attempts > 0;
  }
  return { points, attempted };
}

/** Return the points of all scored questions so far, of quizzes those that count. */
export function points(index: Index, state: State): number {
  return totals(index, state).points + countedBefore(index, state);
}

/** Whether anything was submitted so far. */
export function attempted(index: Index, state: State): boolean {
  return totals(index, state).attempted;
}

/** Return the score in per cent with two decimals, null where nothing is scored. */
export function score(index: Index, state: State): number | null {
  if (index.program.scoring !== "points") return courseScore(index, state);
  const { maxPoints } = index.ordered(state.draws);
  if (!maxPoints) return null;
  return Math.floor(Math.max(points(index, state) / maxPoints, 0) * 10_000 + 0.5) / 100;
}

/** Return whether the course is passed or failed, or that it is not known yet. */
export function success(index: Index, state: State): Success {
  const reached = score(index, state);
  if (reached === null) return "unknown";
  const open = index.program.quizzes.some((quiz) => keepsFromPassing(index, state, quiz));
  if (reached >= index.program.pass_mark && !open) return "passed";
  return index.ordered(state.draws).scored.every((grader) => own(state.answers, grader.id)?.locked || isClosed(state, grader)) ? "failed" : "unknown";
}
