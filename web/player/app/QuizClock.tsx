/** How much time is left for the quiz that is being taken. */
import type { ReactNode } from "react";
import type { Index } from "../engine/program";
import { inTime, timeLeft } from "../engine/quizzes";
import type { State } from "../engine/state";
import { isEnding } from "../engine/timeWarning";
import { clockWords } from "../render/clockWords";

/** The time left, where the author shows it; else only when it is about to end. */
export function QuizClock({ index, state }: { index: Index; state: State }): ReactNode {
  const quiz = inTime({ index, state: state.paused ? { ...state, paused: false } : state });
  const ms = quiz ? timeLeft(state, quiz) : null;
  if (!quiz || ms === null) return null;
  const ends = isEnding(ms, (quiz.time_limit ?? 0) * 1_000);
  if (!quiz.time_shown && !ends) return null;
  const words = clockWords(Math.ceil(ms / 1_000));
  return <span className={ends ? "zz-quiz-clock zz-ends" : "zz-quiz-clock"} role="timer" aria-label={index.say("time_left", { time: words })}>{words}</span>;
}
