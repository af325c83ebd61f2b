/**
 * The engine that learners run: `step(index, state, event)` gives the next state and the effects.
 * The reference is `zigzag_core/logic`; traces written from there must be met exactly.
 */
import { LIMITS } from "../../api/tables";
import * as clock from "./clock";
import { evaluate } from "./expression";
import { followUp } from "./following";
import { Growing } from "./growing";
import * as learner from "./learner";
import * as moving from "./moving";
import type { Index } from "./program";
import { answer, orderOf } from "./questions";
import * as results from "./results";
import { Run } from "./run";
import type { Effect, Event, Ran, State } from "./state";
import { clipped, fitted, number, toText, toYesNo, type Value } from "./values";

export { gateIsOpen, isVisible } from "./expression";
export { mayGo, slideBefore } from "./moving";


/** Return the state before the first event. */
export function start(index: Index, seed: number, learnerName = ""): State {
  const variables: Record<string, Value> = {};
  for (const v of index.program.variables) variables[v.id] = fitted(v, v.default);
  return {
    seed: seed >>> 0, rng: seed >>> 0, time: 0, entered: 0, slide: null, visited: [], path: [],
    clicked: Growing.of(), hidden: {}, looks: {}, variables, overlays: [], answers: {}, clocks: {},
    waiting: [], paused: false, places: {}, moves: {}, dropped: {}, watched: {}, opened: new Set(),
    back: null, more_time: 1, learner: clipped(learnerName), marked: "", completed: false, success: "unknown", ended: false,
  };
}

/** One event; every rule that runs is noted in `log`. */
export function step(index: Index, state: State, event: Event, log: Ran[] | null = null): [State, Effect[]] {
  const run = new Run(index, state, log);
  take(run, event);
  followUp(run);
  settle(run);
  return [run.state, run.effects];
}

/** Return the choices of `question` in the order in which this learner sees them. */
export function choiceOrder(index: Index, state: State, question: string): readonly string[] {
  const grader = index.questions.get(question);
  if (!grader) return [];
  return orderOf(grader, state);
}

export function isEnabled(index: Index, state: State, element: string): boolean {
  return toYesNo(evaluate(index, state, index.elements.get(element)?.enabled ?? false));
}

function take(run: Run, event: Event): void {
  const { state, index } = run;
  if (event.event === "start") {
    const first = index.order[0];
    if (state.slide === null && first !== undefined) {
      moving.startTimers(run, "course");
      moving.enter(run, event.target || first);
    }
    return;
  }
  if (state.slide === null || state.ended) return;
  switch (event.event) {
    case "resume": moving.resume(run); break;
    case "tick": clock.advance(run, Math.min(Math.max(Math.trunc(event.ms), 0), LIMITS.longest_tick)); break;
    case "clicked": learner.click(run, event.target); break;
    case "double_clicked": learner.doubleClick(run, event.target); break;
    case "pointed": learner.point(run, event.target, event.away); break;
    case "key": learner.pressKey(run, toText(event.key)); break;
    case "entered": learner.enterValue(run, event.target, event.value); break;
    case "answered": answer(run, event.question, event.part, event.value); break;
    case "dropped": learner.drop(run, event.target, event.on, event.x, event.y); break;
    case "media": learner.mediaEvent(run, event.target, event.what); break;
    case "played": learner.played(run, event.target, event.since, event.until); break;
    case "next":
    case "previous": moving.go(run, event.event, null); break;
    case "slide": chooseSlide(run, event.target); break;
    case "close": {
      const overlay = index.overlays.get(event.target);
      if (overlay && (overlay.on_escape || overlay.on_outside)) moving.closeOverlay(run, overlay.id);
      break;
    }
    case "pause": run.update({ paused: !event.on }); break;
    case "set": run.setVariable(event.target, event.value); break;
    case "more_time": run.update({ more_time: Math.min(Math.max(number(event.factor), 0), LIMITS.most_time) }); break;
    case "leave": moving.go(run, "leave", null); break;
  }
}

function chooseSlide(run: Run, slide: string): void {
  if (moving.mayGo(run.index, run.state, slide)) moving.go(run, "slide", slide);
  else if (run.index.position.has(slide)) moving.isClosed(run);
}

/** Bring gate, completion and success up to date; once completed or passed stays so. */
function settle(run: Run): void {
  const { before, index } = run;
  const here = run.state.slide;
  if (here !== null && !run.state.opened.has(here)) {
    const gate = index.slides.get(here)?.gate;
    if (gate?.for_good && run.holds(gate.condition)) run.update({ opened: new Set(run.state.opened).add(here) });
  }
  const { state } = run;
  if (state.visited === before.visited && state.answers === before.answers
    && state.marked === before.marked && state.completed === before.completed) return;
  const success = before.success === "passed" ? "passed" : state.marked || results.success(index, state);
  if (success !== state.success) run.update({ success });
  const completed = before.completed || state.completed || results.completed(index, run.state);
  if (completed !== state.completed) run.update({ completed });
  if (success !== before.success || completed !== before.completed) {
    run.effects.push({ effect: "status", completed, success });
  }
}
