/** The time there is to reply: when it is up, the reply that stands for silence is taken. */
import { useEffect, useState, type ReactNode } from "react";
import type { ProgramDialogue, ProgramElement } from "../../../api/types";
import { isEnding } from "../../engine/timeWarning";
import { useActing } from "../acting";
import { clockWords } from "../clockWords";
import { useSay } from "../speech";
import { usePassing } from "./usePassing";

const STEP_MS = 250;
/** So many seconds before the end it is said. */
const WARNING_S = 10;

/** Counts down where one of the replies has a time; learners who want more time, or no limit, have it (WCAG 2.2.1). */
export function TimeToReply({ dialogue, buttons }: { dialogue: ProgramDialogue; buttons: readonly ProgramElement[] }): ReactNode {
  const { state, dispatch } = useActing();
  const say = useSay();
  const late = dialogue.entries.find(({ ms, kind, element }) => kind === "reply" && ms > 0 && buttons.some(({ draw }) => draw.id === element));
  const limit = (late?.ms ?? 0) * state.more_time;
  const target = late?.element ?? "";
  const [used, setUsed] = useState(0);
  const running = limit > 0 && !state.paused;
  usePassing(running, STEP_MS, (ms) => setUsed((before) => before + ms));
  const over = running && used >= limit;
  useEffect(() => { if (over) dispatch({ event: "clicked", target }); }, [over, target, dispatch]);
  if (!limit) return null;
  const left = Math.max(Math.ceil((limit - used) / 1_000), 0);
  const words = clockWords(left);
  return (
    <div className={`zz-time-to-reply${isEnding(limit - used, limit) ? " zz-ends" : ""}`} role="timer" aria-label={say("time_left", { time: words })}>
      <div className="zz-level-bar"><div style={{ width: `${Math.max(100 - (used / limit) * 100, 0)}%` }} /></div><span aria-hidden>{words}</span>
      <span className="zz-hidden" role="status">{left <= WARNING_S && limit >= 2_000 * WARNING_S ? say("seconds_left") : ""}</span>
    </div>
  );
}
