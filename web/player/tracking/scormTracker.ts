/**
 * Tracking by SCORM, by an LMS that may answer late, refuse, or vanish.
 *
 * What is to be told waits in `unsaid` (one value per element) and `answers` (in order) until the
 * LMS has taken and committed it; a copy lies in the browser meanwhile.
 */
import type { Index } from "../engine/program";
import type { Effect } from "../../api/events";
import type { State } from "../engine/state";
import { BackupStore } from "./backup";
import { findApi, runTime, type Offered, type RunTime } from "./findApi";
import { pack, unpack } from "./progress";
import { retryAfter } from "./retrying";
import { DECIDED } from "./runs";
import type { Answered, Before, Call, ScormVersion } from "./scormVersion";
import { LEVELS, shortened } from "./shortened";
import type { Begun, Kept, Standing, Tracker } from "./tracker";
import { Unhurried } from "./unhurried";

const LOOK_FOR_MS = 5_000;
const LOOK_EVERY_MS = 250;
const COMMIT_EVERY_MS = 1_000;

const PROGRESS = "cmi.suspend_data";
const NOTHING: Before = { status: "not attempted", score: null, completed: false, objectives: [] };

/** Reports to an LMS by the run-time API of a version of SCORM. */
export class ScormTracker implements Tracker {
  private api: RunTime | null = null;
  private open = false;
  /** Whether all of the course is there: before, saved progress cannot be compared. */
  private isWhole = false;
  private closed = false;
  private held = false;
  private reports = true;
  /** What the LMS held when this visit began. */
  private before = NOTHING;
  private nextInteraction = 0;
  private readonly unsaid = new Map<string, string>();
  private readonly sent = new Map<string, string>();
  private readonly refused = new Set<string>();
  private answers: Answered[] = [];
  private readonly saving = new Unhurried((state) => this.save(state));
  private latest: State | null = null;
  private progress = "";
  /** The length of the shortest progress that the LMS has refused, or cut. */
  private shortest = Infinity;
  /** Whether the LMS has last refused the progress in every form. */
  private progressRefused = false;
  private keptHere = false;
  private failures = 0;
  private timer: number | undefined;
  private lastCommit = 0;
  private readonly began = Date.now();
  private store: BackupStore;
  private standing: Standing = { kind: "saved" };
  private onStandingChange: (standing: Standing) => void = () => {};
  private onLate: (begun: Begun) => void = () => {};

  constructor(
    private readonly index: Index, private readonly version: ScormVersion, private readonly whole: Promise<void> = Promise.resolve(),
    private readonly find: () => Offered | null = () => findApi(version),
  ) {
    this.store = new BackupStore(this.storeKey(""));
    void whole.then(() => { this.isWhole = true; });
  }

  onStanding(listener: (standing: Standing) => void): void {
    this.onStandingChange = listener;
  }

  onLateProgress(listener: (begun: Begun) => void): void {
    this.onLate = listener;
  }

  async begin(): Promise<Begun> {
    const until = Date.now() + LOOK_FOR_MS;
    do {
      if (this.connect()) return { ...await this.savedProgress(), ...this.named(), counts: this.reports };
      await new Promise((resolve) => setTimeout(resolve, LOOK_EVERY_MS));
    } while (Date.now() < until);
    this.stand(this.api ? { kind: "retrying" } : { kind: "local", reason: "no-lms" });
    this.schedule(retryAfter(2));
    const saved = this.store.read()?.progress ?? null;
    if (saved) await this.whole;
    return { saved, rescued: false };
  }

  tell(state: State, effects: readonly Effect[]): void {
    if (this.open && !this.reports) return;
    const answered = effects.filter((effect) => effect.effect === "answered");
    this.answers.push(...answered);
    this.held = false;
    for (const [element, value] of this.version.told(this.index, state, this.before)) this.want(element, value);
    // What was answered or achieved is kept at once, the rest a moment later at the latest.
    this.saving.note(state, effects.some(({ effect }) => effect === "answered" || effect === "status" || effect === "moved"));
    const wait = this.lastCommit + COMMIT_EVERY_MS - Date.now();
    if (this.failures === 0) this.schedule(Math.max(wait, 0));
  }

  /** Pack the progress, keep it here and say it. */
  private save(state: State): void {
    this.latest = state;
    this.progress = pack(this.index, state);
    this.want(PROGRESS, this.fitting());
    this.keep(false);
    // Not while the learner is asked whether to go on with what the LMS has.
    if (!this.held) this.sayAll();
  }

  /** The fullest form of the progress that is shorter than all that the LMS has refused. */
  private fitting(): string {
    let text = this.progress;
    for (let level = 1; this.latest && text.length >= this.shortest && level < LEVELS; level++) {
      text = pack(this.index, shortened(this.index, this.latest, level));
    }
    return text;
  }

  suspend(state: State): Kept {
    if (this.open && !this.reports) return "review";
    this.tell(state, []);
    if (this.open) for (const [element, value] of this.version.leaving) this.want(element, value);
    if (this.open && this.version.endsOnLeaving) return this.finish(null);
    const committed = this.open && !this.closed && this.commit();
    return committed && !this.progressRefused ? "lms" : this.here();
  }

  isOver(): boolean {
    return this.closed;
  }

  finish(state: State | null): Kept {
    if (this.closed) return this.reports ? "lms" : "review";
    if (state) this.tell(state, []);
    this.saving.flush();
    window.clearTimeout(this.timer);
    if (!this.open) return this.here();
    if (!this.reports) return this.sayGoodbye("review");
    // Said again: it may be resumed, also when it is passed, to be read again and to stay passed.
    this.want(this.version.elements.exit, "suspend");
    const committed = this.commit();
    return this.sayGoodbye(committed && !this.progressRefused ? "lms" : this.here());
  }

  private sayGoodbye(kept: Kept): Kept {
    try {
      if (isYes(this.api?.terminate())) this.closed = true;
    } catch {
      // The LMS is gone; the copy in the browser is what is left.
    }
    return kept;
  }

  /** Where the progress is if the LMS has not taken it. */
  private here(): Kept {
    return this.keptHere ? "browser" : "nowhere";
  }

  /** Find the API and say hello. */
  private connect(): boolean {
    try {
      const offered = this.find();
      this.api = offered && runTime(offered, this.version.methods);
      if (!this.api || !this.initialized(this.api)) return false;
      this.open = true;
      const mode = this.get(this.version.elements.mode);
      // Who looks back or leafs through changes nothing that was recorded.
      this.reports = mode === "" || mode === "normal";
      if (!this.reports) this.forget();
      // A browser that crashes says nothing any more: what is left then can be resumed.
      else this.want(this.version.elements.exit, "suspend");
      this.before = this.version.before((element) => this.get(element));
      this.nextInteraction = Number.parseInt(this.get("cmi.interactions._count"), 10) || 0;
      this.store = new BackupStore(this.storeKey(this.get(this.version.elements.learner)));
      this.stand({ kind: "saved" });
      return true;
    } catch {
      return false;
    }
  }

  /** Drop what was done before the LMS answered that nothing is to be recorded. */
  private forget(): void {
    this.answers = [];
    this.unsaid.clear();
  }

  /** Whether the LMS is open for this package, also where another page has opened it before. */
  private initialized(api: RunTime): boolean {
    if (isYes(api.initialize())) return true;
    return api.lastError() === this.version.isOpen && api.get(this.version.elements.status) !== "" && api.lastError() === "0";
  }

  /**
   * What the LMS holds; or the copy kept here, where the LMS never took it and it is further on, or
   * where it took it and gives back what cannot be read. What it gives no more belongs to an attempt
   * that it has ended; what is less far may have been begun again in another browser.
   */
  private async savedProgress(): Promise<Begun> {
    const saved = this.savedText();
    const backup = this.store.read();
    // It may name anything in the course.
    if (saved || backup) await this.whole;
    const spoilt = saved !== "" && this.time(saved) < 0;
    const ahead = backup && (spoilt || !backup.confirmed) ? this.time(backup.progress) - this.time(saved) : -1;
    if (backup && ahead > 0) {
      this.answers = [...backup.answers];
      return { saved: backup.progress, rescued: true };
    }
    // Of the same moment the LMS may have a shorter form only.
    if (backup && ahead === 0) return { saved: backup.progress, rescued: false };
    return { saved: saved || null, rescued: false };
  }

  /** The progress that the LMS gives: without line ends and spaces, which it may have put in. */
  private savedText(): string {
    return this.get(PROGRESS).replace(/\s+/g, "");
  }

  /** The learner's name, which SCORM writes "Last, First"; whether there is a result; the LMS's mark to pass. */
  private named(): Pick<Begun, "learner" | "decided" | "passMark"> {
    // In 2004 the language may be said before it.
    const name = this.get(this.version.elements.name).trim().replace(/^\{lang=[^}]*\}/, "");
    const mark = this.version.passMark((element) => this.get(element));
    return {
      decided: DECIDED.has(this.before.status),
      ...(name ? { learner: name.replace(/^([^,]+),\s*([^,]+)$/, "$2 $1") } : {}),
      ...(mark !== null && mark >= 0 && mark <= 100 ? { passMark: mark } : {}),
    };
  }

  /** Return the time (ms) that `progress` has come to, -1 where it cannot be read. */
  private time(progress: string): number {
    try {
      return unpack(this.index, progress).time;
    } catch {
      return -1;
    }
  }

  private storeKey(learner: string): string {
    return `zigzag:${this.index.program.course}:${learner || "learner"}`;
  }

  private get(element: string): string {
    return this.api?.get(element) ?? "";
  }

  /** Note that `element` should have `value`; nothing is said twice. */
  private want(element: string, value: string): void {
    if (this.refused.has(element) || this.sent.get(element) === value) {
      this.unsaid.delete(element);
      return;
    }
    this.unsaid.set(element, value);
  }

  /** Say what is unsaid; return whether the LMS took it all. */
  private sayAll(): boolean {
    if (!this.open || this.closed) return false;
    try {
      while (this.answers[0]) {
        const calls = this.version.interactionCalls(this.index, this.answers[0], this.nextInteraction, new Date());
        if (!this.sayAnswer(calls)) return false;
        this.answers.shift();
      }
      for (const [element, value] of this.unsaid) {
        if (!this.say(element, value)) return false;
        this.unsaid.delete(element);
      }
      return true;
    } catch {
      return false;
    }
  }

  /** Say one answer. An LMS that keeps no answers refuses them for good: that is no failure. */
  private sayAnswer(interactions: readonly (readonly Call[])[]): boolean {
    const first = this.nextInteraction;
    for (const calls of interactions) {
      for (const [element, value] of calls) {
        if (!this.say(element, value)) {
          this.nextInteraction = first;
          return false;
        }
        if (this.refused.has(element) && element.endsWith(".id")) return true;
      }
      this.nextInteraction += 1;
    }
    return true;
  }

  private say(element: string, value: string): boolean {
    if (isYes(this.api?.set(element, value))) {
      if (element === PROGRESS && this.isCut(value)) return this.sayShorter(value);
      this.sent.set(element, value);
      return element !== PROGRESS || this.tookProgress(value);
    }
    if (!this.version.forGood.has(this.api?.lastError() ?? "")) return false;
    if (element === PROGRESS) return this.sayShorter(value);
    // Some LMSs refuse texts of several lines: the words matter more than where a line ends.
    const line = value.replace(/\s*[\r\n\u2028\u2029]\s*/g, " ");
    if (line !== value) return this.say(element, line);
    this.refused.add(element);
    return true;
  }

  /** The LMS has taken progress; if it is longer than what it refused before, it has room again for the whole. */
  private tookProgress(value: string): boolean {
    this.progressRefused = false;
    if (value.length < this.shortest) return true;
    this.shortest = Infinity;
    return value === this.progress || this.say(PROGRESS, this.progress);
  }

  /** Whether an LMS that keeps no more than the standard asks for has cut the progress without a word. */
  private isCut(value: string): boolean {
    return value.length > this.version.sureLength && this.savedText() !== value;
  }

  /** The LMS has refused the progress: say a shorter form, if there is one. It is tried again when it has changed. */
  private sayShorter(refused: string): boolean {
    this.shortest = Math.min(this.shortest, refused.length);
    const text = this.fitting();
    if (text.length < refused.length) return this.say(PROGRESS, text);
    this.progressRefused = true;
    return true;
  }

  private commit(): boolean {
    this.saving.flush();
    if (this.open && !this.closed) this.want(...this.version.sessionTime(Date.now() - this.began));
    this.lastCommit = Date.now();
    let done: boolean;
    try {
      done = this.sayAll() && isYes(this.api?.commit());
    } catch {
      done = false;
    }
    if (done) {
      this.failures = 0;
      const whole = this.sent.get(PROGRESS) === this.progress;
      this.keep(whole || !this.progress);
      this.stand(this.progressRefused ? { kind: "local", reason: "refused" }
        : whole || !this.progress ? { kind: "saved" } : { kind: "shortened" });
    } else {
      // What was said but not committed may be lost with the LMS: it is said again.
      this.sent.clear();
      this.failures += 1;
      this.stand(this.api ? { kind: "retrying" } : { kind: "local", reason: "no-lms" });
    }
    return done;
  }

  private schedule(wait: number): void {
    window.clearTimeout(this.timer);
    this.timer = window.setTimeout(() => this.work(), wait);
  }

  private work(): void {
    if (this.closed || this.held) return;
    if (!this.isWhole) {
      this.schedule(retryAfter(0));
      return;
    }
    if (!this.open && this.connect()) this.meetLate();
    if (this.held || (this.open && !this.reports)) return;
    if (!this.open || !this.commit()) {
      this.schedule(retryAfter(this.failures));
    }
  }

  /** The LMS has answered after all: what it holds may be further on than what was begun here. */
  private meetLate(): void {
    const saved = this.savedText();
    if (saved && this.time(saved) > this.time(this.progress)) {
      // Nothing is said until the learner has chosen; then `tell` goes on.
      this.held = true;
      this.onLate({ saved, rescued: false });
    }
  }

  private keep(confirmed: boolean): void {
    this.keptHere = this.store.write({ progress: this.progress, confirmed, answers: this.answers });
  }

  private stand(standing: Standing): void {
    if (standing.kind === this.standing.kind) return;
    this.standing = standing;
    this.onStandingChange(standing);
  }
}

/** SCORM says “true” as a word; some LMSs answer with the value, or with 1. */
function isYes(answer: unknown): boolean {
  return ["true", "1"].includes(String(answer));
}
