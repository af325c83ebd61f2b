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
  while (run.handled < LIMITS.follow_ups) {
    const [now, fresh] = [run.state, run.entered];
    run.entered = false;
    const turned = (run.index.opening.get(now.slide ?? "") ?? []).flatMap(({ id, opens }) => {
      const held = holds(now, opens);
      return held === (!fresh && holds(before, opens)) ? [] : [{ id, held }];
    });
    if (!turned.length) return;
    for (const { id, held } of turned) (held ? moving.openOverlay : moving.closeOverlay)(run, id);
    followUp(run);
    before = now;
  }
}
