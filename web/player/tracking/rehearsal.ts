/** Tracking in a rehearsal: nothing is kept; the workbench is shown all that would be told. */
import type { Index } from "../engine/program";
import * as results from "../engine/results";
import type { Effect, State } from "../engine/state";
import { interactionCalls, statusCalls, timespan, type Answered, type Call } from "./scorm12";
import type { Begun, Tracker } from "./tracker";

/** What the rehearsal's frame sends to the workbench. */
export interface RehearsalMessage {
  zigzag: "rehearsal";
  state: RehearsedState;
  effects: readonly Effect[];
  calls: readonly Call[];
  points: number;
  maxPoints: number;
  score: number | null;
}

/** The state as it crosses frames: sets as lists. */
export type RehearsedState = Omit<State, "clicked"> & { clicked: string[] };

export class RehearsalTracker implements Tracker {
  private interactions = 0;
  private readonly said = new Map<string, string>();

  constructor(private readonly index: Index, private readonly app: string) {}

  begin(): Promise<Begun> {
    return Promise.resolve({ saved: null, rescued: false });
  }

  tell(state: State, effects: readonly Effect[]): void {
    const calls: Call[] = [];
    for (const effect of effects) {
      if (effect.effect === "answered") calls.push(...this.answered(effect));
    }
    for (const call of statusCalls(this.index, state)) {
      if (this.said.get(call[0]) !== call[1]) calls.push(call);
      this.said.set(...call);
    }
    this.send(state, effects, calls);
  }

  finish(state: State | null): void {
    if (!state) return;
    this.send(state, [], [
      ["cmi.core.exit", "suspend"], ["cmi.core.session_time", timespan(state.time)],
    ]);
  }

  onStanding(): void {
    // A rehearsal always stands well.
  }

  private answered(effect: Answered): Call[] {
    const now = new Date().toTimeString().slice(0, 8);
    return interactionCalls(this.index, effect, this.interactions++, now);
  }

  private send(state: State, effects: readonly Effect[], calls: readonly Call[]): void {
    const message: RehearsalMessage = {
      zigzag: "rehearsal", state: { ...state, clicked: [...state.clicked] }, effects, calls,
      points: results.points(this.index, state), maxPoints: this.index.maxPoints,
      score: results.score(this.index, state),
    };
    window.parent.postMessage(message, this.app);
  }
}
