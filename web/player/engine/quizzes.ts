/** Drawing the quizzes of a run. The twin of `engine/quizzes.py`. */
import type { ProgramQuiz } from "../../api/types";
import type { Index } from "./program";
import { drawn } from "./quiz/drawing";
import type { Run } from "./run";
import type { Draw } from "./state";

/** What a learner gets of each quiz at the first attempt. */
export function firstDraws(index: Index, seed: number): readonly Draw[] {
  return index.program.quizzes.map((quiz) => ({ quiz: quiz.id, slides: drawn(quiz, seed), attempt: 1, seen: [] }));
}

/** The draws of a run that goes on: those saved, and of a quiz that came later, and that nobody has begun, the first. */
export function drawsToResume(index: Index, first: readonly Draw[], saved: readonly Draw[], visited: readonly string[]): readonly Draw[] {
  const begun = index.program.quizzes.filter(({ slides }) => slides.some((slide) => visited.includes(slide)));
  const known = new Set([...saved.map(({ quiz }) => quiz), ...begun.map(({ id }) => id)]);
  return [...saved, ...first.filter(({ quiz }) => !known.has(quiz))];
}

/** Let a quiz that `slide` was not drawn for be as the course has it; but for its first slide, which stands for the quiz. */
export function leaveWhole(run: Run, slide: string): void {
  const { index, state } = run;
  if (index.ordered(state.draws).position.has(slide)) return;
  const quiz = index.program.quizzes.find(({ slides }) => slides.includes(slide, 1));
  if (quiz) run.update({ draws: state.draws.filter((draw) => draw.quiz !== quiz.id) });
}

/** Begin the next attempt at a quiz: it is drawn anew. */
export function drawAgain(run: Run, name: string): void {
  const quiz = run.index.program.quizzes.find(({ id }) => id === name);
  if (!quiz) return;
  const { draws } = run.state;
  const before = draws.find((draw) => draw.quiz === name);
  const after = nextDraw(quiz, before ?? { quiz: name, slides: [], attempt: 1, seen: [] }, run);
  run.update({ draws: before ? draws.map((draw) => (draw === before ? after : draw)) : [...draws, after] });
}

function nextDraw(quiz: ProgramQuiz, before: Draw, { state }: Run): Draw {
  const attempt = before.attempt + 1;
  if (quiz.again === "same") return { ...before, attempt, seen: [] };
  if (quiz.again === "new") return { quiz: quiz.id, slides: drawn(quiz, state.seed, attempt), attempt, seen: [] };
  const seen = new Set([...before.seen, ...before.slides.filter((slide) => state.visited.includes(slide))]);
  return { quiz: quiz.id, slides: drawn(quiz, state.seed, attempt, seen), attempt, seen: [...seen] };
}
