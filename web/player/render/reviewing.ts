/** Looking back at a quiz that is finished: what is seen of each question. */
import type { Grader, ProgramQuiz } from "../../api/types";
import type { Index } from "../engine/program";
import { takingOf } from "../engine/quizResults";
import { takenSlides } from "../engine/quizWays";
import { NO_ANSWER, type State } from "../engine/state";

/** The finished quiz whose question the learner is looking at again. */
export function reviewed(index: Index, state: State): ProgramQuiz | undefined {
  const quiz = index.quizOf.get(state.slide ?? "");
  if (!quiz || !takingOf(state, quiz).finished) return undefined;
  return takenSlides(index, state, quiz).includes(state.slide ?? "") ? quiz : undefined;
}

/** Whether it is shown what would have been right: by the question, or by the review that it is in. */
export function showsRight(index: Index, state: State, grader: Grader): boolean {
  return grader.show_right || Boolean(reviewed(index, state)?.shows.includes("right"));
}

/** The state as it is to be seen: without the answers where a review does not show them. */
export function seenIn(index: Index, state: State): State {
  const quiz = reviewed(index, state);
  if (!quiz || quiz.shows.includes("answer")) return state;
  const here = index.program.questions.filter(({ slide }) => slide === state.slide).map(({ id }) => [id, { ...NO_ANSWER, locked: true }] as const);
  return { ...state, answers: { ...state.answers, ...Object.fromEntries(here) } };
}
