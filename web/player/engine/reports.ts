/** Reports of what a quiz came to. The twin of `engine/reports.py`. */
import type { Effect } from "../../api/events";
import type { ProgramQuiz } from "../../api/types";
import { live } from "./expression";
import { own } from "./own";
import type { Index } from "./program";
import { attempt, fact, isOfQuiz, takingOf } from "./quizResults";
import type { Run } from "./run";
import type { State } from "./state";
import { toText, type Value } from "./values";

export type Report = Extract<Effect, { effect: "report" }>;

/** Report each attempt that was finished in this step. */
export function tellFinished(run: Run): void {
  if (run.state.taking === run.before.taking) return;
  for (const quiz of run.index.posting) {
    if (takingOf(run.state, quiz).finished && !takingOf(run.before, quiz).finished) run.effects.push(report(run.index, run.state, quiz));
  }
}

/** Report again what was finished and is not known to have arrived. */
export function tellUnsent(run: Run): void {
  for (const quiz of run.index.posting) {
    const { finished, sent } = takingOf(run.before, quiz);
    if (finished && !sent) run.effects.push(report(run.index, run.state, quiz));
  }
}

/** The report of the present attempt; it has the same id whenever it is asked for. */
function report(index: Index, state: State, quiz: ProgramQuiz): Report {
  const number = attempt(state, quiz);
  return {
    effect: "report", quiz: quiz.id, attempt: number,
    id: `${state.seed.toString(16)}-${quiz.id}-${number}-${takingOf(state, quiz).over.toString(16)}`,
    fields: (quiz.post?.fields ?? []).map(({ name, of }) => [name, toText(valueOf(index, state, quiz, of))]),
  };
}

function valueOf(index: Index, state: State, quiz: ProgramQuiz, of: string): Value {
  const variable = own(state.variables, of);
  if (variable !== undefined) return variable;
  return isOfQuiz(of) ? fact(index, state, of, quiz) : live(index, state, of);
}
