import type { ReactNode } from "react";
import type { Grader } from "../../../api/types";
import { isEnding } from "../../engine/timeWarning";
import { hasLimit, timeLeft } from "../../engine/questions";
import { useActing } from "../acting";
import { clockWords } from "../clockWords";
import { answerOf } from "./marks";

/** How much time is left for a question that has a limit. */
export function TimeLeft({ grader }: { grader: Grader }): ReactNode {
  const { index, state } = useActing();
  if (!grader.time_limit || answerOf(state, grader.id).locked || !hasLimit(grader, state)) return null;
  const ms = timeLeft(grader, state);
  const words = clockWords(Math.ceil(ms / 1_000));
  const ends = isEnding(ms, grader.time_limit * 1_000);
  return <p className={ends ? "zz-clock zz-ends" : "zz-clock"} role="timer" aria-label={index.say("time_left", { time: words })}>{words}</p>;
}
