/** How a learner moves in a quiz: its way, flags, review. The twin of `engine/quiz_ways.py`, which says why. */
import type { ProgramQuiz } from "../../api/types";
import type { Index } from "./program";
import { attempt, passed, takingOf, unanswered } from "./quizResults";
import type { Run } from "./run";
import type { State } from "./state";

/** The slides of an attempt in order, but for those that open and close the quiz. */
export function takenSlides(index: Index, state: State, quiz: ProgramQuiz): readonly string[] {
  return index.ordered(state.draws).ofQuiz(quiz.id).filter((slide) => !isBeside(quiz, slide));
}

/** The quiz among whose questions the learner is, if the attempt is not finished. */
export function underWay(index: Index, state: State): ProgramQuiz | undefined {
  const quiz = index.quizOf.get(state.slide ?? "");
  return quiz && !takingOf(state, quiz).finished && !isBeside(quiz, state.slide ?? "") ? quiz : undefined;
}

function isBeside({ opening, closing }: ProgramQuiz, slide: string): boolean {
  return opening.includes(slide) || closing.includes(slide);
}

function mayReview(index: Index, state: State, quiz: ProgramQuiz): boolean {
  if (quiz.review_sent && !takingOf(state, quiz).sent) return false;
  if (quiz.review === "passed") return passed(index, state, quiz);
  if (quiz.review === "last") return typeof quiz.attempts === "number" && attempt(state, quiz) >= quiz.attempts;
  return quiz.review === "always";
}

/** Where a way to `slide` leads: there, or to what a quiz lets be seen in its place. */
export function admitted(index: Index, state: State, slide: string): string {
  const quiz = index.quizOf.get(slide);
  if (!quiz || (quiz.review === "always" && !quiz.review_sent && quiz.way !== "onward")) return slide;
  const slides = takenSlides(index, state, quiz);
  const place = slides.indexOf(slide);
  if (place < 0) return slide;
  if (takingOf(state, quiz).finished) return mayReview(index, state, quiz) ? slide : outcomeOf(index, state, quiz) ?? slide;
  const last = quiz.way === "onward" ? slides.findLastIndex((name) => state.visited.includes(name)) : -1;
  return place < last ? slides[last] as string : slide;
}

/** The outcome slide that this learner comes to. */
export function outcomeOf(index: Index, state: State, quiz: ProgramQuiz): string | null {
  const there = index.ordered(state.draws).position;
  return quiz.outcomes.find((slide) => there.has(slide)) ?? null;
}

/** Whether a quiz that is under way lets its learner go to any question, so to `slide`. */
export function mayChoose(index: Index, state: State, slide: string): boolean {
  const quiz = underWay(index, state);
  return quiz?.way === "free" && takenSlides(index, state, quiz).includes(slide);
}

/** The next question without an answer after the present one, from the end to the first. */
export function nextOpen(index: Index, state: State): string | null {
  const quiz = underWay(index, state);
  if (quiz?.way !== "free" || !quiz.later || state.slide === null) return null;
  const slides = takenSlides(index, state, quiz);
  const place = Math.max(slides.indexOf(state.slide), 0);
  const left = new Set<string>(unanswered(index, state, quiz).map(({ slide }) => slide));
  return [...slides.slice(place + 1), ...slides.slice(0, place)].find((slide) => left.has(slide)) ?? null;
}

/** The outcome by which a learner can finish from the overview. */
export function exitOf(index: Index, state: State): string | null {
  const quiz = underWay(index, state);
  return quiz?.overview ? outcomeOf(index, state, quiz) : null;
}

/** Give a question of the quiz that is under way the learner's flag, or take it away. */
export function flag(run: Run, slide: string, on: boolean): void {
  const quiz = underWay(run.index, run.state);
  if (!quiz?.overview || !takenSlides(run.index, run.state, quiz).includes(slide)) return;
  const flagged = new Set(run.state.flagged);
  if (on) flagged.add(slide);
  else flagged.delete(slide);
  run.update({ flagged });
}
