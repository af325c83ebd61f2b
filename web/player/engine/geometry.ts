/** Where elements are in a run. The twin of `engine/geometry.py`. */
import { own } from "./own";
import type { Index } from "./program";
import type { Offset, State } from "./state";
import { number } from "./values";

/** The offset that puts `element` into the middle of `target`, where that is now; null where there is none. */
export function middle(index: Index, state: State, target: string, element: string): Offset | null {
  const draw = index.elements.get(element)?.draw;
  const goal = index.elements.get(target)?.draw;
  if (!draw || !goal) return null;
  const [x, y] = own(state.offsets, target) ?? [0, 0];
  return [
    number(goal.x + x + (goal.w - draw.w) / 2 - draw.x),
    number(goal.y + y + (goal.h - draw.h) / 2 - draw.y),
  ];
}
