/** Leaving a slide: what is judged then is judged first, and said. The twin of `engine/leaving.py`. */
import * as moving from "./moving";
import { judgeOnLeaving } from "./questions";
import type { Run } from "./run";
import type { To } from "./state";

/** Go where a rule or the learner wants to, but for an answer that is judged on leaving. */
export function go(run: Run, to: To, slide: string | null, offerBack = false): void {
  const stays = to === "slide" && (slide === null || slide === run.state.slide);
  if (!stays && !run.state.ended && judgeOnLeaving(run)) {
    run.update({ leaving: { to, slide, offerBack, beside: run.state.overlays } });
    return;
  }
  run.update({ leaving: null });
  moving.go(run, to, slide, offerBack);
}

/** Go on with what was held up, once the feedback is closed; tells whether it was so. */
export function goesOn(run: Run): boolean {
  const { leaving: way, overlays } = run.state;
  if (!way || overlays.some((name) => !way.beside.includes(name))) return false;
  run.update({ leaving: null });
  moving.go(run, way.to, way.slide, way.offerBack);
  return true;
}
