/** Clocks that follow a video or audio: they are where it is, however it came there. The twin of `engine/leading.py`. */
import type { Clock } from "../../api/types";
import { followUp } from "./following";
import { reach, setClock } from "./moving";
import { own } from "./own";
import type { Run } from "./run";

/** What follows `element` goes along with what was played (ms): cues on the way are reached in turn. */
export function lead(run: Run, element: string, since: number, until: number): void {
  for (const [owner, clock] of followers(run, element)) {
    if (!opened(run).includes(owner)) continue;
    const time = own(run.state.clocks, owner)?.at ?? -1;
    const at = since < time ? since - 1 : time;
    const moments = [...new Set([...clock.cues.map((cue) => cue.at), clock.length])].sort((a, b) => a - b);
    for (const moment of moments) {
      if (moment <= at || moment > until || moment > clock.length) continue;
      comeTo(run, owner, clock, moment);
      if (run.state.ended || !opened(run).includes(owner)) return;
    }
    setClock(run, owner, { at: Math.min(Math.max(until, 0), clock.length), runs: false });
  }
}

/** What follows `element` waits for it once it has started; where it is over, or cannot be played, time goes on. */
export function leadOn(run: Run, element: string, what: string): void {
  for (const [owner, clock] of followers(run, element)) {
    const time = own(run.state.clocks, owner);
    const at = time?.at ?? 0;
    if (what === "started" && time) setClock(run, owner, { at, runs: false });
    else if ((what === "ended" || what === "failed") && at < clock.length) setClock(run, owner, { at, runs: true });
  }
}

const opened = (run: Run): string[] => [run.state.slide ?? "", ...run.state.overlays];

/** The clocks of the slide and of open overlays that follow `element`. */
function followers(run: Run, element: string): [string, Clock][] {
  const found: [string, Clock][] = [];
  for (const owner of opened(run)) {
    const clock = run.index.clocks.get(owner);
    if (clock?.follows === element) found.push([owner, clock]);
  }
  return found;
}

function comeTo(run: Run, owner: string, clock: Clock, moment: number): void {
  setClock(run, owner, { at: moment, runs: false });
  for (const cue of clock.cues) if (cue.at === moment) reach(run, owner, cue);
  if (moment === clock.length) run.raised("timing_ended", owner);
  followUp(run);
}
