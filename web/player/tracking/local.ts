/** Tracking without an LMS: progress stays in this browser. */
import type { Index } from "../engine/program";
import type { Effect } from "../../api/events";
import type { State } from "../engine/state";
import { BackupStore } from "./backup";
import { pack } from "./progress";
import type { Begun, Kept, Standing, Tracker } from "./tracker";

/** Keeps progress in this browser, where there is no LMS. */
export class LocalTracker implements Tracker {
  private readonly store: BackupStore;
  private listener: (standing: Standing) => void = () => {};
  private kept = false;

  constructor(private readonly index: Index) {
    this.store = new BackupStore(`zigzag:${index.program.course}`);
  }

  begin(): Promise<Begun> {
    return Promise.resolve({ saved: this.store.read()?.progress ?? null, rescued: false });
  }

  tell(state: State, _effects: readonly Effect[]): void {
    const progress = pack(this.index, state);
    this.kept = this.store.write({ progress, confirmed: true, answers: [] });
    this.listener({ kind: "local", reason: this.kept ? "web" : "no-storage" });
  }

  finish(state: State | null): Kept {
    if (state) this.tell(state, []);
    return this.kept ? "browser" : "nowhere";
  }

  onStanding(listener: (standing: Standing) => void): void {
    this.listener = listener;
  }
}
