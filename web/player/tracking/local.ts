/** Tracking without an LMS: progress stays in this browser. */
import type { Index } from "../engine/program";
import type { Effect } from "../../api/events";
import type { State } from "../engine/state";
import { BackupStore } from "./backup";
import { pack } from "./progress";
import { OneTab } from "./oneTab";
import type { Begun, Kept, Standing, Tracker } from "./tracker";
import { Unhurried } from "./unhurried";

/** Keeps progress in this browser, where there is no LMS. */
export class LocalTracker implements Tracker {
  private readonly store: BackupStore;
  private listener: (standing: Standing) => void = () => {};
  private kept = false;
  private readonly saving = new Unhurried((state) => this.save(state));

  private readonly tab: OneTab;

  constructor(private readonly index: Index, private readonly whole: Promise<void> = Promise.resolve()) {
    this.store = new BackupStore(`zigzag:${index.program.course}`);
    this.tab = new OneTab(index.program.course, () => this.listener({ kind: "elsewhere" }));
  }

  async begin(): Promise<Begun> {
    this.tab.begin();
    const saved = this.store.read()?.progress ?? null;
    if (saved) await this.whole;
    return { saved, rescued: false };
  }

  tell(state: State, effects: readonly Effect[]): void {
    this.saving.note(state, effects.length > 0);
  }

  private save(state: State): void {
    if (!this.tab.isNewest()) {
      this.listener({ kind: "elsewhere" });
      return;
    }
    this.kept = this.store.write({ progress: pack(this.index, state), confirmed: true, answers: [] });
    this.listener({ kind: "local", reason: this.kept ? "web" : "no-storage" });
  }

  suspend(state: State): Kept {
    this.saving.note(state, true);
    this.saving.flush();
    return this.kept ? "browser" : "nowhere";
  }

  finish(state: State | null): Kept {
    if (state) return this.suspend(state);
    this.saving.flush();
    return this.kept ? "browser" : "nowhere";
  }

  onStanding(listener: (standing: Standing) => void): void {
    this.listener = listener;
  }
}
