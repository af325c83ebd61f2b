/** When a run has completed its course. The twin of `engine/completion.py`. */
import { gateIsOpen } from "./expression";
import type { Index } from "./program";
import type { State } from "./state";
import { way } from "./ways";

/** Return whether all is done that completing the course takes. */
export function completed(index: Index, state: State): boolean {
  return (!index.program.completion.passing || state.success === "passed") && seen(index, state);
}

/** Whether the course is completed, leaving aside whether it was passed; where only passing counts, once the result is final. */
export function goneThrough(index: Index, state: State): boolean {
  if (state.completed) return true;
  return shareOf(index) === null ? state.success !== "unknown" : seen(index, state);
}

/** How far the course was gone through: 0..1 in hundredths, 1 only when it is. */
export function measure(index: Index, state: State): number {
  if (goneThrough(index, state)) return 1;
  const of = Math.max(asked(index, state) * (shareOf(index) || 1), 1);
  return Math.min(Math.floor(100 * state.visited.length / of + 1e-9), 99) / 100;
}

/** Whether so many slides were seen; a course of one slide is when its gate is open. */
function seen(index: Index, state: State): boolean {
  const share = shareOf(index);
  if (share === null) return true;
  const [only, more] = index.order;
  if (only !== undefined && more === undefined && !gateIsOpen(index, state, only)) return false;
  return state.visited.length >= share * asked(index, state) - 1e-9;
}

const shareOf = (index: Index): number | null => index.program.completion.slides_share ?? null;

function asked(index: Index, state: State): number {
  return index.program.completion.slides_of === "all" ? index.ordered(state.draws).slides.length : way(index, state);
}

/** Whether what happened between two states can have completed or decided the course. */
export function mayChange(index: Index, before: State, state: State): boolean {
  return state.visited !== before.visited || state.answers !== before.answers || state.slide !== before.slide
    || state.marked !== before.marked || state.completed !== before.completed || index.order.length < 2;
}
