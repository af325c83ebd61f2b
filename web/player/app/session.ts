/** One learner's session: the engine, the clock and the tracker, for the views to watch. */
import { start, step } from "../engine/engine";
import type { Index } from "../engine/program";
import type { Effect, Event, State } from "../engine/state";
import { unpack } from "../tracking/progress";
import type { Begun, Standing, Tracker } from "../tracking/tracker";

export type Phase =
  | { kind: "connecting" }
  /** Progress was found: go on with it, or start over? */
  | { kind: "asking"; state: State; rescued: boolean }
  | { kind: "running" }
  | { kind: "left" };

export interface Snapshot {
  readonly phase: Phase;
  readonly state: State;
  readonly standing: Standing;
  /** Saved progress that could not be used: said once. */
  readonly unreadable: boolean;
  readonly announcement: string;
}

export class Session {
  private snapshot: Snapshot;
  private readonly listeners = new Set<() => void>();
  private since = performance.now();
  private rest = 0;

  constructor(
    readonly index: Index, private readonly tracker: Tracker,
    private readonly options: { seed: number; from?: string | null },
  ) {
    this.snapshot = {
      phase: { kind: "connecting" }, state: start(index, options.seed),
      standing: { kind: "saved" }, unreadable: false, announcement: "",
    };
    tracker.onStanding((standing) => this.set({ standing }));
    tracker.onLateProgress?.((begun) => this.offer(begun));
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly read = (): Snapshot => this.snapshot;

  async begin(): Promise<void> {
    this.offer(await this.tracker.begin());
    if (this.snapshot.phase.kind === "connecting") this.startOver();
  }

  /** Ask whether to resume, when there is something worth resuming. */
  private offer({ saved, rescued }: Begun): void {
    if (!saved) return;
    try {
      const state = unpack(this.index, saved);
      if (state.slide !== null) this.set({ phase: { kind: "asking", state, rescued } });
    } catch {
      this.set({ unreadable: true });
    }
  }

  resume(): void {
    if (this.snapshot.phase.kind !== "asking") return;
    const { state } = this.snapshot.phase;
    this.since = performance.now();
    this.set({ phase: { kind: "running" }, state });
    this.tracker.tell(state, []);
  }

  startOver(): void {
    this.since = performance.now();
    this.set({ phase: { kind: "running" }, state: start(this.index, this.options.seed) });
    this.dispatch({ event: "start", target: this.options.from ?? null });
  }

  dispatch(event: Event): void {
    if (this.snapshot.phase.kind !== "running") return;
    const [ticked] = step(this.index, this.snapshot.state, { event: "tick", ms: this.elapsed() });
    const [state, effects] = step(this.index, ticked, event);
    this.set({ state, announcement: announcement(effects) ?? this.snapshot.announcement });
    this.tracker.tell(state, effects);
    if (state.ended) this.leave();
  }

  /** The page goes away, or the learner leaves. */
  leave(): void {
    const { phase, state } = this.snapshot;
    if (phase.kind === "asking") this.tracker.finish(null);
    if (phase.kind !== "running") return;
    const [ticked] = step(this.index, state, { event: "tick", ms: this.elapsed() });
    this.tracker.finish(ticked);
    this.set({ phase: { kind: "left" }, state: ticked });
  }

  dismissUnreadable(): void {
    this.set({ unreadable: false });
  }

  /** Whole ms since the last call; the fraction is carried over. */
  private elapsed(): number {
    const now = performance.now();
    const passed = now - this.since + this.rest;
    this.since = now;
    this.rest = passed - Math.floor(passed);
    return Math.floor(passed);
  }

  private set(changes: Partial<Snapshot>): void {
    this.snapshot = { ...this.snapshot, ...changes };
    for (const listener of this.listeners) listener();
  }
}

function announcement(effects: readonly Effect[]): string | undefined {
  return effects.findLast((effect) => effect.effect === "announce")?.text;
}
