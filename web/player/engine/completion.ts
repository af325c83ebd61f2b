/** When a run has completed its course. The twin of `engine/completion.py`. */
import { gateIsOpen } from "./expression";
import type { Index } from "./program";
import type { State } from "./state";
import { way } from "./ways";

/** Return whether all is done that completing the course takes. */
export function completed(index: Index, state: State): boolean {
  const { slides_share: share, slides_of: those, passing } = index.program.completion;
  if (passing && state.success !== "passed") return false;
  if (share === null || share === undefined) return true;
  const [only, more] = index.order;
  if (only !== undefined && more === undefined && !gateIsOpen(index, state, only)) return false;
  const of = those === "all" ? index.ordered(state.draws).slides.length : way(index, state);
  return state.visited.length >= share * of - 1e-9;
}

/** Whether what happened between two states can have completed or decided the course. */
export function mayChange(index: Index, before: State, state: State): boolean {
  return state.visited !== before.visited || state.answers !== before.answers || state.slide !== before.slide
    || state.marked !== before.marked || state.completed !== before.completed || index.order.length < 2;
}
