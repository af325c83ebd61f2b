/** How the objectives of a course stand. The twin of `engine/objectives.py`, which says why. */
import type { ProgramObjective } from "../../api/types";
import { evaluate } from "./expression";
import { own } from "./own";
import type { Index } from "./program";
import { percent, standing } from "./quizResults";
import type { State } from "./state";
import { number, toYesNo } from "./values";

/** `score` is in per cent, null where there is none. */
export interface Objective { record: string; status: string; score: number | null }

/** All objectives: the quizzes first, each in the order of the course. */
export function objectives(index: Index, state: State): Objective[] {
  return [
    ...index.program.quizzes.map((quiz) => ({ record: quiz.record, ...standing(index, state, quiz) })),
    ...index.program.objectives.map((one) => standingOf(index, state, one)),
  ];
}

/** The names of the objectives that a question belongs to. */
export function objectivesOf(index: Index, question: string): string[] {
  const quiz = index.quizOf.get(index.questions.get(question)?.slide ?? "");
  return [...(quiz ? [quiz.record] : []), ...index.program.objectives.flatMap(({ record, questions }) => (questions.includes(question) ? [record] : []))];
}

function standingOf(index: Index, state: State, { record, questions, most, passed, failed, completed }: ProgramObjective): Objective {
  const holds = (condition: unknown): boolean => toYesNo(evaluate(index, state, condition));
  const answers = questions.flatMap((name) => own(state.answers, name) ?? []);
  const points = answers.reduce((sum, answer) => sum + answer.points, 0);
  const begun = answers.some(({ attempts, given }) => attempts > 0 || given.length > 0) ? "incomplete" : "not attempted";
  const status = holds(passed) ? "passed" : holds(failed) ? "failed" : holds(completed) ? "completed" : begun;
  const score = most <= 0 || status === "not attempted" ? null : percent(number(Math.max(points / most, 0)));
  return { record, status, score };
}
