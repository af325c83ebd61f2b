/** Saving no more often than is of use: many events at once are one saving. */
import type { State } from "../engine/state";

const EVERY_MS = 250;

/** Hands on the latest of the states that it is given: at once, or as soon as a moment has passed since the last. */
export class Unhurried {
  private latest: State | null = null;
  private timer: number | undefined;
  private last = -Infinity;

  constructor(private readonly save: (state: State) => void) {}

  /** Note a state; `now` saves it at once. */
  note(state: State, now: boolean): void {
    this.latest = state;
    const wait = this.last + EVERY_MS - performance.now();
    if (now || wait <= 0) this.flush();
    else this.timer ??= window.setTimeout(() => this.flush(), wait);
  }

  /** Save what was noted and not saved. */
  flush(): void {
    window.clearTimeout(this.timer);
    this.timer = undefined;
    const state = this.latest;
    if (!state) return;
    this.latest = null;
    this.last = performance.now();
    this.save(state);
  }
}
