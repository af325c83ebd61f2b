/** What saved progress leaves out first. The twin of `zigzag_core/tracking/shortened.py`, which says why. */
import { Growing } from "../engine/growing";
import type { Index } from "../engine/program";
import type { Answer, State } from "../engine/state";

/** The forms: 0 is whole, each of the next leaves out more. */
export const LEVELS = 4;

/** Return `state` without what is left out at `level`. */
export function shortened(index: Index, state: State, level: number): State {
  let short = state;
  if (level >= 1) {
    const answers = Object.entries(state.answers).map(([question, answer]) => [question, withoutTexts(index, question, answer)] as const);
    short = { ...short, path: [], flagged: new Set(), answers: Object.fromEntries(answers) };
  }
  const here = (name: string): boolean => index.home.get(name) === state.slide;
  const kept = <T>(values: Readonly<Record<string, T>>): Record<string, T> =>
    Object.fromEntries(Object.entries(values).filter(([name]) => here(name)));
  if (level >= 2) short = { ...short, looks: kept(state.looks), offsets: kept(state.offsets), dropped: kept(state.dropped) };
  if (level >= 3) {
    short = {
      ...short, clicked: Growing.of([...state.clicked].filter(here)), hidden: kept(state.hidden), disabled: kept(state.disabled), watched: kept(state.watched),
    };
  }
  return short;
}

/** The answer, without its words where it was sent and nothing is judged by them. */
function withoutTexts(index: Index, question: string, answer: Answer): Answer {
  const grader = index.questions.get(question);
  const judged = grader?.purpose === "scored" && grader.form !== "free";
  if (judged || !answer.locked) return answer;
  return { ...answer, given: grader && grader.form !== "free" && grader.form !== "texts" ? answer.given : [] };
}
