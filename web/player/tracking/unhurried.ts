/** Saving off the way of what is done, and no more often than is of use: many events at once are one saving. */
import type { State } from "../engine/state";

const EVERY_MS = 250;

/** Hands on the latest of the states that it is given, once the page has drawn, or a moment after the last. */
export class Unhurried {
  private latest: State | null = null;
  private timer: number | undefined;
  private due = Infinity;
  private last = -Infinity;

  constructor(private readonly save: (state: State) => void) {}

  /** Note a state; `soon` does not wait for the moment. */
  note(state: State, soon: boolean): void {
    this.latest = state;
    const now = performance.now();
    const due = soon ? now : Math.max(this.last + EVERY_MS, now);
    if (this.due <= due) return;
    window.clearTimeout(this.timer);
    this.due = due;
    this.timer = window.setTimeout(() => this.flush(), due - now);
  }

  /** Save what was noted and not saved. */
  flush(): void {
    window.clearTimeout(this.timer);
    this.due = Infinity;
    const state = this.latest;
    if (!state) return;
    this.latest = null;
    this.last = performance.now();
    this.save(state);
  }
}
