/** What every part of a live slide shares: the run, and a way to tell it what happens. */
import { createContext, useContext } from "react";
import type { Index } from "../engine/program";
import type { Event } from "../../api/events";
import type { State } from "../engine/state";

export interface Acting {
  index: Index;
  state: State;
  scale: number;
  dispatch: (event: Event) => void;
  /** The element that is picked up, to be put somewhere by key or by a second click. */
  picked: string | null;
  pick: (element: string | null) => void;
  /** The target that what is dragged would be dropped on now. */
  aimed: string | null;
  aim: (element: string | null) => void;
}

const Context = createContext<Acting | null>(null);
export const ActingProvider = Context.Provider;

/** The course that runs around this component. Throws outside of a live slide. */
export function useActing(): Acting {
  const acting = useContext(Context);
  if (!acting) throw new Error("outside of a live slide");
  return acting;
}

/** Give an element of the slide the focus: what was put somewhere has it after that. */
export function focusElement(id: string | null | undefined): void {
  document.querySelector<HTMLElement>(`[data-element="${id ?? ""}"]`)?.focus({ preventScroll: true });
}
