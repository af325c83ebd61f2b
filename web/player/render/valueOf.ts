import { live } from "../engine/expression";
import type { Index } from "../engine/program";
import type { State } from "../engine/state";
import { own } from "../engine/own";

/** What stands in a text for a variable, or for a value that the run has of itself. */
export function valueOf(index: Index, state: State, of: string): string | number | boolean {
  return own(state.variables, of) ?? live(index, state, of);
}
