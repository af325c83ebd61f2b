/** What the learner can reach. The twin of `engine/at_hand.py`. */
import { isEnabled, isVisible } from "./expression";
import type { Run } from "./run";

/** Whether the learner can reach `element` now: here, shown, switched on, not covered. */
export function atHand(run: Run, element: string, toClick = true): boolean {
  const { index, state } = run;
  const found = index.elements.get(element);
  return found !== undefined && index.home.get(element) === state.slide && reachable(run, element)
    && isVisible(index, state, element) && (!toClick || isEnabled(index, state, element));
}

/** Whether no blocking overlay lies over `element`, and its own overlay is open. */
function reachable(run: Run, element: string): boolean {
  const own = run.index.overlayOf.get(element);
  const open = run.state.overlays;
  if (own !== undefined && !open.includes(own)) return false;
  for (let index = open.length - 1; index >= 0; index--) {
    const overlay = open[index] as string;
    if (overlay === own) return true;
    if (run.index.overlays.get(overlay)?.blocks) return false;
  }
  return true;
}
