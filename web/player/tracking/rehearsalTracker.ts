/** Tracking in a rehearsal: nothing is kept; the workbench is shown all that would be told. */
import type { Index } from "../engine/program";
import * as results from "../engine/results";
import type { Effect, Event, Ran } from "../../api/events";
import type { State } from "../engine/state";
import { acrossFrames, type RehearsedState } from "../rehearsal";
import { pack } from "./progress";
import { interactionCalls, statusCalls, timespan } from "./scorm12";
import type { Answered, Call } from "./scormVersion";
import type { Begun, Kept, Tracker } from "./tracker";

/** What the rehearsal's frame sends to the workbench. */
export interface RehearsalMessage {
  zigzag: "rehearsal";
  state: RehearsedState;
  effects: readonly Effect[];
  /** What happened, and the rules that ran; absent where only something is told. */
  event: Event | null;
  log: readonly Ran[];
  calls: readonly Call[];
  points: number;
  maxPoints: number;
  score: number | null;
}

/** Tells the workbench what an LMS would be told. Keeps nothing. */
export class RehearsalTracker implements Tracker {
  private interactions = 0;
  private readonly sent = new Map<string, string>();

  constructor(private readonly index: Index, private readonly app: string) {}

  begin(): Promise<Begun> {
    return Promise.resolve({ saved: null, rescued: false });
  }

  /** Every event goes to the workbench by way of `witness`, with what the LMS would be told. */
  tell(): void {
    // All is told by the witness.
  }

  readonly witness = (event: Event, state: State, effects: readonly Effect[], log: readonly Ran[]): void => {
    // The mere passing of time is not worth a word.
    if (event.event === "tick" && !effects.length && !log.length) return;
    const calls: Call[] = [];
    for (const effect of effects) {
      if (effect.effect === "answered") calls.push(...this.answered(effect));
    }
    const status: Call[] = [...statusCalls(this.index, state), ["cmi.suspend_data", pack(this.index, state)]];
    for (const call of status) {
      if (this.sent.get(call[0]) !== call[1]) calls.push(call);
      this.sent.set(...call);
    }
    this.send(state, effects, calls, event, log);
  };

  finish(state: State | null): Kept {
    if (state) {
      this.send(state, [], [
        ["cmi.core.exit", "suspend"], ["cmi.core.session_time", timespan(state.time)],
      ]);
    }
    return "rehearsal";
  }

  suspend(): Kept {
    return "rehearsal";
  }

  onStanding(): void {
    // A rehearsal always stands well.
  }

  private answered(effect: Answered): Call[] {
    const now = new Date().toTimeString().slice(0, 8);
    const calls = interactionCalls(this.index, effect, this.interactions, now);
    this.interactions += calls.length;
    return calls.flat();
  }

  private send(
    state: State, effects: readonly Effect[], calls: readonly Call[], event: Event | null = null, log: readonly Ran[] = [],
  ): void {
    const message: RehearsalMessage = {
      zigzag: "rehearsal", state: acrossFrames(state), effects, calls, event, log,
      points: results.points(this.index, state), maxPoints: this.index.ordered(state.draws).maxPoints,
      score: results.score(this.index, state),
    };
    window.parent.postMessage(message, this.app);
  }
}
