/** A rehearsal's frame: tells the workbench what happens, and does what the workbench asks. */
import type { Session } from "./app/session";
import { Growing } from "./engine/growing";
import type { Event } from "../api/events";
import type { State } from "./engine/state";

/** What the workbench asks of the rehearsal's frame. */
export type RehearsalCommand =
  /** Put the run back to another moment. */
  | { zigzag: "go"; state: RehearsedState }
  /** Let something happen, as if the learner had done it. */
  | { zigzag: "do"; event: Event }
  /** The next click asks instead of acting: its element is told. */
  | { zigzag: "ask"; on: boolean };

/** The state as it crosses frames: sets as lists. */
export type RehearsedState = Omit<State, "clicked" | "opened"> & { clicked: string[]; opened: string[] };

export interface AskedMessage { zigzag: "asked"; element: string }

/** A state as a message between pages can carry it. */
export const acrossFrames = (state: State): RehearsedState => (
  { ...state, clicked: [...state.clicked], opened: [...state.opened] }
);

/** A state that came in a message from another page. */
export const fromFrames = (state: RehearsedState): State => (
  { ...state, clicked: Growing.of(state.clicked), opened: new Set(state.opened) }
);

/** Obey the workbench's page around the preview, at the origin `app`, and no other page. */
export function obey(session: () => Session, app: string): void {
  let asking = false;
  window.addEventListener("message", (message: MessageEvent) => {
    if (message.origin !== app || message.source !== window.parent) return;
    const command = message.data as RehearsalCommand;
    if (command.zigzag === "go") session().replace(fromFrames(command.state));
    else if (command.zigzag === "do") session().dispatch(command.event);
    else if (command.zigzag === "ask") {
      asking = command.on;
      document.documentElement.classList.toggle("zz-asking", asking);
    }
  });
  const answer = (event: MouseEvent): void => {
    if (!asking || !(event.target instanceof Element)) return;
    event.preventDefault();
    event.stopPropagation();
    if (event.type !== "click") return;
    asking = false;
    document.documentElement.classList.remove("zz-asking");
    const element = event.target.closest("[data-element]")?.getAttribute("data-element");
    const next = event.target.closest(".zz-main") ? "next" : null;
    const message: AskedMessage = { zigzag: "asked", element: next ?? element ?? "slide" };
    window.parent.postMessage(message, app);
  };
  for (const kind of ["pointerdown", "mousedown", "click"] as const) window.addEventListener(kind, answer, { capture: true });
}
