/** One learner's session: the engine, the clock and the tracker, for the views to watch. */
import { start, step } from "../engine/engine";
import type { Index } from "../engine/program";
import { gateIsOpen } from "../engine/expression";
import { timed } from "../engine/questions";
import { inTime, timeLeft } from "../engine/quizzes";
import type { Effect, Event, Ran } from "../../api/events";
import type { State } from "../engine/state";
import { pauseSounds, setSpeed, playSound, runMedia, stopSounds } from "../render/players";
import type { Value } from "../engine/values";
import { now } from "../engine/wall";
import { unpack } from "../tracking/progress";
import type { PostStanding } from "../post/outbox";
import type { Begun, Kept, Standing, Tracker } from "../tracking/tracker";
import type { Arrival } from "./arrival";
import { Posting } from "./posting";
import { saying } from "./saying";

export type Phase =
  | { kind: "connecting" }
  /** Progress was found: go on with it, or start over? */
  | { kind: "asking"; state: State; rescued: boolean }
  | { kind: "running" }
  | { kind: "left"; kept: Kept };

export interface Snapshot {
  readonly phase: Phase;
  readonly state: State;
  readonly standing: Standing;
  /** Saved progress that could not be used: said once. */
  readonly unreadable: boolean;
  /** What was said last, and how many times something was said: the same words are said again. */
  readonly announcement: { readonly text: string; readonly count: number };
  /** Whether the slide that is asked for is still on its way. */
  readonly loading: boolean;
  /** How it stands with the reports of quizzes: what waits, what was not accepted, and words for what has arrived now. */
  readonly post: PostStanding & { readonly arrived: string | null };
  /** Why the learner cannot go on, shown until something else happens. */
  readonly closed: string | null;
}

/** What a session tells of each event: for a rehearsal, which shows it all. */
type Witness = (event: Event, state: State, effects: readonly Effect[], log: readonly Ran[]) => void;

const TICK_MS = 100;
/** Texts and conditions may show how much time has passed, so they hear of it this often at least. */
const SLOW_TICK_MS = 1_000;
/** What is watched is told once in so many ms: an LMS is asked to keep it each time. Who leaves loses nothing. */
const WATCHED_MS = 5_000;
/** The LMS hears of the time at least this often, so that a crash takes no more of it. */
const LONGEST_UNTOLD_MS = 30_000;

/** How a session begins; who is told of it beside the tracker. */
export interface SessionOptions {
  seed: number;
  arrival?: Arrival;
  from?: string | null;
  learner?: string;
  set?: Readonly<Record<string, Value>>;
  witness?: Witness;
  receivers?: string;
}

/** A run of a course: takes events, moves the engine on, shows its state and reports to a tracker. */
export class Session {
  private snapshot: Snapshot;
  private readonly listeners = new Set<() => void>();
  private since = performance.now();
  private rest = 0;
  private toldAt = performance.now();
  private readonly heart: number;
  private learner: string;
  private retake = false;
  /** What leads to a slide that is still on its way: it is done again when more has come. */
  private waiting: Event | null = null;
  /** What the tracker has not heard of yet: progress can only be written with all of the course. */
  private readonly untold: Effect[] = [];
  private readonly posting: Posting | null;
  /** Whether results of this run are reported. */
  private counts = true;

  constructor(
    readonly index: Index, private readonly tracker: Tracker,
    private readonly options: SessionOptions,
  ) {
    this.learner = options.learner ?? "";
    this.snapshot = {
      phase: { kind: "connecting" }, state: start(index, options.seed, this.learner),
      standing: { kind: "saved" }, unreadable: false, announcement: { text: "", count: 0 }, closed: null, loading: false, post: { waiting: [], refused: [], arrived: null },
    };
    this.heart = window.setInterval(() => this.beat(), TICK_MS);
    this.posting = options.receivers !== undefined && index.posting.length ? new Posting(index, options.receivers, {
      standing: (standing) => this.set({ post: { ...this.snapshot.post, ...standing } }),
      arrived: (quiz, attempt) => this.arrived(quiz, attempt),
    }) : null;
    options.arrival?.listen(() => this.more());
    tracker.onStanding((standing) => this.set({ standing }));
    tracker.onLateProgress?.((begun) => this.offer(begun));
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly read = (): Snapshot => this.snapshot;

  async begin(): Promise<void> {
    const begun = await this.tracker.begin();
    this.learner = begun.learner ?? this.learner;
    this.counts = begun.counts ?? true;
    this.retake = Boolean(begun.saved || begun.decided);
    // An LMS that asks for another mark to pass has the last word on it.
    if (begun.passMark !== undefined) this.index.take({ ...this.index.program, pass_mark: begun.passMark });
    this.offer(begun);
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
    this.set({ phase: { kind: "running" }, state: { ...state, learner: this.learner } });
    this.dispatch({ event: "resume", ...onTheWall() });
  }

  startOver(): void {
    this.since = performance.now();
    const fresh = start(this.index, this.options.seed, this.learner, this.retake);
    this.set({ phase: { kind: "running" }, state: fresh });
    this.elapsed();
    this.take({ event: "start", target: this.options.from ?? null, ...onTheWall() });
    for (const [target, value] of Object.entries(this.options.set ?? {})) this.take({ event: "set", target, value });
  }

  readonly dispatch = (event: Event): void => {
    if (this.snapshot.phase.kind !== "running") return;
    const ms = this.elapsed();
    if (ms) this.take({ event: "tick", ms });
    this.take(event);
    if (event.event === "pause") pauseSounds(this.snapshot.state.paused);
  };

  /** Put another state in the place of this one: only a rehearsal does so. */
  replace(state: State): void {
    this.elapsed();
    this.set({ phase: { kind: "running" }, state, closed: null });
  }

  /** Let time pass while something waits for it. */
  private beat(): void {
    if (this.snapshot.phase.kind !== "running") return;
    // In a rehearsal one goes back in time, which looks the same.
    if (!this.options.witness && hasSlept(this.index, this.snapshot.state)) this.dispatch({ event: "resume", ...onTheWall() });
    if (performance.now() - this.since < SLOW_TICK_MS && !needsTime(this.index, this.snapshot.state)) return;
    const ms = this.elapsed();
    if (ms) this.take({ event: "tick", ms });
  }

  private take(event: Event): void {
    if (this.waiting && event.event !== "tick") return;
    const before = this.snapshot.state;
    const log: Ran[] | null = this.options.witness ? [] : null;
    const [state, effects] = step(this.index, before, event, log);
    if (this.isComing(state)) {
      this.waiting = event;
      this.set({ loading: true });
      return;
    }
    const closed = effects.find((effect) => effect.effect === "closed")?.message
      ?? (passes(event) ? this.snapshot.closed : null);
    const text = saying(this.index, before, state, event, effects);
    const { announcement } = this.snapshot;
    this.set({ state, closed, announcement: text ? { text, count: announcement.count + 1 } : announcement });
    this.run(effects);
    this.options.witness?.(event, state, effects, log ?? []);
    this.tell(state, effects, this.isWorthIt(event) || effects.length > 0 || state.variables !== before.variables);
    if (state.ended && this.snapshot.phase.kind === "running") this.stepOut();
  }

  /** Whether an event is worth telling for itself: what is watched, now and then. */
  private isWorthIt(event: Event): boolean {
    return !passes(event) || (event.event === "played" && performance.now() - this.toldAt >= WATCHED_MS);
  }

  /** Tell the tracker what is worth it; the mere passing of time only now and then. */
  private tell(state: State, effects: readonly Effect[], worth: boolean): void {
    if (!worth && performance.now() - this.toldAt < LONGEST_UNTOLD_MS) return;
    if (this.options.arrival?.isWhole === false) {
      this.untold.push(...effects);
      return;
    }
    this.toldAt = performance.now();
    this.tracker.tell(state, effects);
  }

  /** Whether a state needs more of the course than has come: its slide, or at the end all of it, to be saved. */
  private isComing({ slide, ended }: State): boolean {
    const { arrival } = this.options;
    return arrival !== undefined && (!arrival.has(slide) || (ended && !arrival.isWhole));
  }

  /** More of the course has come. */
  private more(): void {
    const { waiting } = this;
    this.waiting = null;
    this.set({ loading: false });
    if (this.snapshot.phase.kind !== "running") return;
    if (waiting) this.take(waiting);
    if (this.options.arrival?.isWhole) this.tracker.tell(this.snapshot.state, this.untold.splice(0));
  }

  /** What the outside must do. */
  private run(effects: readonly Effect[]): void {
    for (const effect of effects) {
      if (effect.effect === "media") runMedia(effect);
      else if (effect.effect === "link") window.open(effect.address, "_blank", "noopener,noreferrer");
      else if (effect.effect === "print") window.setTimeout(() => window.print());
      else if (effect.effect === "report") {
        const { state } = this.snapshot;
        this.dismissArrived();
        // All that it tells of the questions may be yet to come.
        if (this.posting && this.counts) void (this.options.arrival?.whole ?? Promise.resolve()).then(() => this.posting?.send(effect, state));
        // A rehearsal sends nothing, and goes on as if it had.
        else if (this.options.witness) window.setTimeout(() => this.arrived(effect.quiz, effect.attempt, "post_rehearsed"));
      } else if (effect.effect === "sound") {
        const src = this.index.program.media[effect.media]?.src;
        if (src) playSound(src);
      }
    }
  }

  /** The learner leaves by the course's own action. The page stays, and so does the session with the LMS. */
  private stepOut(): void {
    const { state } = this.snapshot;
    stopSounds();
    this.set({ phase: { kind: "left", kept: this.tracker.suspend(state) } });
  }

  /** Whether a learner who has left can come back on this page: not once the LMS was told goodbye. */
  get canComeBack(): boolean {
    return this.tracker.isOver?.() !== true;
  }

  /** The learner who has left comes back to where they were. */
  comeBack(): void {
    if (this.snapshot.phase.kind !== "left" || !this.canComeBack) return;
    this.since = performance.now();
    this.set({ phase: { kind: "running" }, state: { ...this.snapshot.state, ended: false } });
    this.dispatch({ event: "resume", ...onTheWall() });
  }

  /** The page goes away. */
  leave(): void {
    const { phase, state } = this.snapshot;
    window.clearInterval(this.heart);
    if (phase.kind === "asking" || phase.kind === "left") this.tracker.finish(null);
    if (phase.kind !== "running") return;
    const [ticked] = step(this.index, state, { event: "tick", ms: this.elapsed() });
    const kept = this.tracker.finish(this.options.arrival?.isWhole === false ? null : ticked);
    this.set({ phase: { kind: "left", kept }, state: ticked });
  }

  /** Send at once what waits to be sent. */
  postAgain(): void {
    this.posting?.again();
  }

  dismissArrived(): void {
    this.set({ post: { ...this.snapshot.post, arrived: null } });
  }

  private arrived(quiz: string, attempt: number, words: "post_sent" | "post_rehearsed" = "post_sent"): void {
    const text = this.index.say(words, { title: this.index.quizzes.get(quiz)?.title ?? "" });
    const { announcement, post } = this.snapshot;
    this.set({ post: { ...post, arrived: text }, announcement: { text, count: announcement.count + 1 } });
    this.dispatch({ event: "sent", quiz, attempt });
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
    const { speed } = this.snapshot.state;
    this.snapshot = { ...this.snapshot, ...changes };
    if (this.snapshot.state.speed !== speed) setSpeed(this.snapshot.state.speed / 100);
    for (const listener of this.listeners) listener();
  }
}

/** A clock that has gone on so much further than the page's own means that the machine slept. */
const LONGEST_DRIFT_S = 15;

/** Whether the machine slept while the time of a quiz, or the waiting for the next attempt, went on. */
function hasSlept(index: Index, state: State): boolean {
  const counts = index.away.length > 0 || index.program.quizzes.some(({ wait }) => wait);
  return counts && state.epoch > 0 && onTheWall().now - now(state) > LONGEST_DRIFT_S;
}

/** Whether time merely passes: nobody does anything. */
const passes = (event: Event): boolean => event.event === "tick" || event.event === "played";

/** What the learner's own clock shows. */
function onTheWall(): { now: number; zone: number } {
  return { now: Math.floor(Date.now() / 1_000), zone: -new Date().getTimezoneOffset() };
}

/** Whether anything comes of time alone: clocks, waits, time limits, a gate that counts seconds. */
function needsTime(index: Index, state: State): boolean {
  const quiz = inTime({ index, state });
  if (quiz && timeLeft(state, quiz) !== null) return true;
  if (state.waiting.length || timed({ index, state }).length || Object.values(state.clocks).some(({ runs }) => runs)) return true;
  return state.slide !== null && !gateIsOpen(index, state, state.slide);
}
