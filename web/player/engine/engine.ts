/**
 * The engine that learners run: `step(index, state, event)` gives the next state and the effects.
 * The reference is `zigzag_core/engine`; traces written from there must be met exactly.
 */
import { LIMITS } from "../../api/tables";
import * as clock from "./clock";
import { completed, mayChange } from "./completion";
import { followUp } from "./following";
import { Growing } from "./growing";
import * as learner from "./learner";
import * as leading from "./leading";
import * as leaving from "./leaving";
import * as moving from "./moving";
import { openAndClose } from "./opening";
import type { Index } from "./program";
import { answer, orderOf } from "./questions";
import * as quizWays from "./quizWays";
import * as reports from "./reports";
import { arrived, comeBack, firstDraws, leaveWhole } from "./quizzes";
import * as results from "./results";
import { Run } from "./run";
import type { Effect, Event, Ran } from "../../api/events";
import type { State } from "./state";
import { clipped, firstValue, number, toText, type Value } from "./values";

export { gateIsOpen, isVisible } from "./expression";
export { mayGo, slideBefore } from "./moving";

/** Return the state before the first event: quizzes are drawn. */
export function start(index: Index, seed: number, learnerName = "", retake = false): State {
  const variables: Record<string, Value> = {};
  for (const v of index.program.variables) variables[v.id] = firstValue(v, learnerName);
  return {
    seed: seed >>> 0, rng: seed >>> 0, draws: firstDraws(index, seed >>> 0), taking: {}, time: 0, entered: 0, slide: null, visited: [], path: [],
    clicked: Growing.of(), hidden: {}, disabled: {}, looks: {}, variables, overlays: [], answers: {}, clocks: {},
    waiting: [], paused: false, offsets: {}, moves: {}, dropped: {}, watched: {}, positions: {}, opened: new Set(),
    back: null, leaving: null, more_time: 1, speed: 100, learner: clipped(learnerName), retake, flagged: new Set(), epoch: 0, zone: 0, saved: 0, marked: "", completed: false, success: "unknown", ended: false,
  };
}

/** One event; every rule that runs is noted in `log`. */
export function step(index: Index, state: State, event: Event, log: Ran[] | null = null): [State, Effect[]] {
  const run = new Run(index, state, log);
  take(run, event);
  followUp(run);
  if (leaving.goesOn(run)) followUp(run);
  openAndClose(run);
  if (index.posting.length) reports.tellFinished(run);
  settle(run);
  return [run.state, run.effects];
}

/** Return the choices of `question` in the order in which this learner sees them. */
export function choiceOrder(index: Index, state: State, question: string): readonly string[] {
  const grader = index.questions.get(question);
  if (!grader) return [];
  return orderOf(grader, state);
}

type Takes = { readonly [E in Event as E["event"]]: (run: Run, event: E) => void };

/** What each event does to a run that shows a slide. */
const TAKES: Takes = {
  start: () => undefined,
  resume: (run, { now, zone }) => {
    if (now !== undefined) comeBack(run, now, zone ?? 0);
    moving.resume(run);
    reports.tellUnsent(run);
  },
  tick: (run, { ms }) => clock.advance(run, Math.min(Math.max(Math.trunc(ms), 0), LIMITS.longest_tick)),
  clicked: (run, { target }) => learner.click(run, target),
  double_clicked: (run, { target }) => learner.doubleClick(run, target),
  pointed: (run, { target, away }) => learner.point(run, target, away),
  key: (run, { key }) => learner.pressKey(run, toText(key)),
  entered: (run, { target, value }) => learner.enterValue(run, target, value),
  answered: (run, { question, part, value }) => answer(run, question, part, value),
  dropped: (run, { target, on, x, y }) => learner.drop(run, target, on, x, y),
  media: (run, { target, what }) => {
    learner.mediaEvent(run, target, what);
    leading.leadOn(run, target, what);
  },
  played: (run, { target, since, until }) => {
    const stretch = learner.played(run, target, since, until);
    if (stretch) leading.lead(run, target, ...stretch);
  },
  next: (run) => leaving.go(run, "next", null),
  previous: (run) => leaving.go(run, "previous", null),
  slide: (run, { target }) => chooseSlide(run, target),
  close: (run, { target }) => close(run, target),
  flagged: (run, { target, on }) => quizWays.flag(run, target, on),
  postpone: (run) => goPast(run, quizWays.nextOpen(run.index, run.state)),
  finish: (run) => goPast(run, quizWays.exitOf(run.index, run.state)),
  sent: (run, { quiz, attempt }) => arrived(run, quiz, Math.trunc(attempt)),
  pause: (run, { on }) => run.update({ paused: !on }),
  set: (run, { target, value }) => run.setVariable(target, value),
  speed: (run, { percent }) => run.update({ speed: Math.trunc(Math.min(Math.max(number(percent), LIMITS.slowest), LIMITS.fastest)) }),
  more_time: (run, { factor }) => run.update({ more_time: Math.min(Math.max(number(factor), 0), LIMITS.most_time) }),
  leave: (run) => leaving.go(run, "leave", null),
};

function take(run: Run, event: Event): void {
  if (event.event === "start") begin(run, event);
  else if (run.state.slide !== null && !run.state.ended) {
    (TAKES[event.event] as (run: Run, event: Event) => void)(run, event);
  }
}

function begin(run: Run, { target: slide, now, zone }: Extract<Event, { event: "start" }>): void {
  if (run.state.slide !== null || !run.index.order.length) return;
  comeBack(run, now ?? 0, zone ?? 0);
  moving.startTimers(run, "course");
  if (slide) leaveWhole(run, slide);
  moving.enter(run, slide || (run.index.ordered(run.state.draws).slides[0] ?? ""));
}

/** A learner closes an overlay, where it can be closed so. */
function close(run: Run, name: string): void {
  const overlay = run.index.overlays.get(name);
  if (overlay && (overlay.on_escape || overlay.on_outside)) moving.closeOverlay(run, overlay.id);
}

/** The learner leaves a question of a quiz where this is free, whatever its gate says. */
function goPast(run: Run, slide: string | null): void {
  if (slide !== null) leaving.go(run, "slide", slide);
}

function chooseSlide(run: Run, slide: string): void {
  if (moving.mayGo(run.index, run.state, slide)) leaving.go(run, "slide", slide);
  else if (run.index.position.has(slide)) moving.isClosed(run);
}

/** Bring gate, completion and success up to date; once completed or passed stays so. */
function settle(run: Run): void {
  keepGateOpen(run);
  const { before, index, state } = run;
  if (!mayChange(index, before, state)) return;
  const success = before.success === "passed" ? "passed" : state.marked || results.success(index, state);
  if (success !== state.success) run.update({ success });
  const isCompleted = before.completed || state.completed || completed(index, run.state);
  if (isCompleted !== state.completed) run.update({ completed: isCompleted });
  if (success !== before.success || isCompleted !== before.completed) {
    run.effects.push({ effect: "status", completed: isCompleted, success });
  }
}

/** The gate of the slide that is shown stays open for good once it was, where it says so. */
function keepGateOpen(run: Run): void {
  const { slide, opened } = run.state;
  if (slide === null || opened.has(slide)) return;
  const gate = run.index.slides.get(slide)?.gate;
  if (gate?.for_good && run.holds(gate.condition)) run.update({ opened: new Set(opened).add(slide) });
}
