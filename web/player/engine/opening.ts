/** Overlays that open when a condition comes to hold, and close when it holds no longer. The twin of `engine/opening.py`. */
import { LIMITS } from "../../api/tables";
import { evaluate } from "./expression";
import { followUp } from "./following";
import * as moving from "./moving";
import type { Run } from "./run";
import type { State } from "./state";
import { toYesNo } from "./values";

/** Open and close the overlays of this slide whose conditions have changed in this step. */
export function openAndClose(run: Run): void {
  const holds = (state: State, condition: unknown): boolean => toYesNo(evaluate(run.index, state, condition));
  let { before } = run;
  for (let pass = 0; pass < LIMITS.deepest; pass += 1) {
    const now = run.state;
    const same = sameVisit(before, now);
    const turned = (run.index.opening.get(now.slide ?? "") ?? []).flatMap(({ id, opens }) => {
      const held = holds(now, opens);
      return held === (same && holds(before, opens)) ? [] : [{ id, held }];
    });
    if (!turned.length) return;
    for (const { id, held } of turned) (held ? moving.openOverlay : moving.closeOverlay)(run, id);
    followUp(run);
    before = now;
  }
}

function sameVisit(before: State, now: State): boolean {
  return before.slide === now.slide && before.entered === now.entered;
}
