/** Tracking without an LMS: progress stays in this browser. */
import type { Index } from "../engine/program";
import type { Effect } from "../../api/events";
import type { State } from "../engine/state";
import { BackupStore } from "./backup";
import { pack } from "./progress";
import type { Begun, Standing, Tracker } from "./tracker";

/** Keeps progress in this browser, where there is no LMS. */
export class LocalTracker implements Tracker {
  private readonly store: BackupStore;
  private listener: (standing: Standing) => void = () => {};

  constructor(private readonly index: Index) {
    this.store = new BackupStore(`zigzag:${index.program.course}`);
  }

  begin(): Promise<Begun> {
    return Promise.resolve({ saved: this.store.read()?.progress ?? null, rescued: false });
  }

  tell(state: State, _effects: readonly Effect[]): void {
    const progress = pack(this.index, state);
    const kept = this.store.write({ progress, confirmed: true, answers: [] });
    this.listener({ kind: "local", reason: kept ? "web" : "no-storage" });
  }

  finish(state: State | null): void {
    if (state) this.tell(state, []);
  }

  onStanding(listener: (standing: Standing) => void): void {
    this.listener = listener;
  }
}
