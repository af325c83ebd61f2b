/** From slide to slide, opening and closing overlays, beginning again. The twin of `engine/moving.py`. */
import { LIMITS } from "../../api/tables";
import type { Action, ClockCue, Move } from "../../api/types";
import { gateIsOpen } from "./expression";
import { middle } from "./geometry";
import { Growing } from "./growing";
import type { Index } from "./program";
import { admitted, mayChoose, underWay } from "./quizWays";
import { finishAt, holdsBack, keptAnswers } from "./quizzes";
import { without, type Run } from "./run";
import type { Offset, State, Time, To } from "./state";
import { firstValue, number, type Value } from "./values";
import { own } from "./own";


/** The slide that *previous* leads to: where the learner came from, else the one before. */
export function slideBefore(index: Index, state: State): string | null {
  return wayBack(index, state).at(-1) ?? null;
}

/** The slides that the learner can go back through, the nearest last. */
function wayBack(index: Index, state: State): readonly string[] {
  if (underWay(index, state)?.way === "onward") return [];
  const { slides, position } = index.ordered(state.draws);
  const place = position.get(state.slide ?? "") ?? 0;
  const path = state.path.length ? state.path : slides.slice(Math.max(place - 1, 0), place);
  return path.slice(0, path.findLastIndex((slide) => admitted(index, state, slide) === slide) + 1);
}

/** Go to the next or the previous slide, to a certain one, or leave; a closed gate holds back. */
export function go(
  run: Run, to: To, slide: string | null, offerBack = false,
): void {
  const { state, index } = run;
  if (state.ended) return;
  if (to === "leave") {
    run.update({ ended: true });
    run.effects.push({ effect: "leave" });
    return;
  }
  let target = slide;
  if (to === "next") {
    if (isClosed(run)) return;
    target = wayOn(run);
  } else if (to === "previous") target = slideBefore(index, state);
  if (target !== null && target !== state.back) target = admitted(index, state, target);
  if (target === null || target === state.slide) return;
  if (to !== "previous" && holdsBack(run, target)) return;
  const from = state.slide;
  enter(run, target, to === "previous");
  if (offerBack && run.state.slide === target) run.update({ back: from });
}

/** Whether the gate of this slide is closed; says so. */
export function isClosed(run: Run): boolean {
  const here = run.state.slide ?? "";
  if (gateIsOpen(run.index, run.state, here)) return false;
  const gate = run.index.slides.get(here)?.gate;
  const lacking = (gate?.fields ?? []).filter(({ condition }) => !run.holds(condition)).map(({ label }) => label);
  const message = lacking.length ? run.index.say("fill_in_first", { names: lacking.join(", ") }) : gate?.message ?? "";
  run.effects.push({ effect: "closed", slide: here, message });
  return true;
}

function wayOn(run: Run): string | null {
  const here = run.state.slide ?? "";
  const order = run.index.ordered(run.state.draws);
  for (const { slide, condition } of run.index.slides.get(here)?.forks ?? []) {
    const there = order.entrance(slide);
    if (there !== null && run.holds(condition)) return there;
  }
  return order.onward.get(here) ?? null;
}

/** Whether the menu leads to `slide` now. */
export function mayGo(index: Index, state: State, slide: string): boolean {
  const { order: opens } = index.program.navigation;
  const order = index.ordered(state.draws);
  const position = order.position.get(slide);
  if (position === undefined) return false;
  if (slide !== state.back && admitted(index, state, slide) !== slide) return false;
  if (state.visited.includes(slide) || mayChoose(index, state, slide)) return true;
  if (opens === "seen") return false;
  const before = order.slides.slice(0, position);
  if (before.some((other) => !gateIsOpen(index, state, other))) return false;
  return opens === "free" || before.every((other) => state.visited.includes(other));
}

/** Show a slide; with `back` the learner is offered the way back to the present one. */
export function enter(run: Run, wanted: string, back = false): void {
  const slide = run.index.ordered(run.state.draws).landing(wanted);
  if (slide === null) return;
  if (slide !== run.state.slide) finishAt(run, slide);
  const { state } = run;
  let path = back ? wayBack(run.index, state).slice(0, -1) : state.path;
  if (state.slide !== null && state.slide !== slide) {
    if (!back) path = [...path, state.slide].slice(-LIMITS.longest_path);
    run.raised("slide_left", state.slide);
  }
  const visited = state.visited.includes(slide) ? state.visited : [...state.visited, slide];
  run.update({
    slide, visited, path, overlays: [], entered: state.time, clocks: {}, moves: {}, positions: {}, leaving: null,
    waiting: state.waiting.filter(({ owner }) => owner === "course"),
    back: state.back === slide ? null : state.back,
  });
  run.entered = true;
  run.raised("slide_entered", slide);
  run.effects.push({ effect: "moved", slide });
  beginClock(run, slide);
  startTimers(run, slide);
}

/** Go on after having been away: with timing as it was; from its beginning on a slide that was just entered. */
export function resume(run: Run): void {
  const { slide, entered, time, clocks, waiting } = run.state;
  if (slide === null || entered !== time || Object.keys(clocks).length || waiting.length) return;
  startTimers(run, "course");
  beginClock(run, slide);
  startTimers(run, slide);
}

function beginClock(run: Run, owner: string): void {
  const clock = run.index.clocks.get(owner);
  if (clock && !clock.follows) setClock(run, owner, { at: 0, runs: clock.starts });
}

const OF_ELEMENTS = ["hidden", "disabled", "looks", "offsets", "moves", "dropped", "positions"] as const;

/** Open an overlay of the slide; it comes above those that are open. */
export function openOverlay(run: Run, name: string): void {
  const overlay = run.index.overlays.get(name);
  if (!overlay || run.index.home.get(name) !== run.state.slide || run.state.overlays.includes(name)) return;
  if (overlay.closes_others) for (const other of run.state.overlays) closeOverlay(run, other);
  if (overlay.resets) forget(run, overlay.elements.map(({ draw }) => draw.id), OF_ELEMENTS);
  run.update({ overlays: [...run.state.overlays, name] });
  run.raised("overlay_opened", name);
  if (overlay.resets || !own(run.state.clocks, name)) beginClock(run, name);
  startTimers(run, name);
}

/** Close an overlay, and stop its timing. */
export function closeOverlay(run: Run, name: string): void {
  if (!run.state.overlays.includes(name)) return;
  run.update({
    overlays: run.state.overlays.filter((other) => other !== name),
    waiting: run.state.waiting.filter(({ owner }) => owner !== name),
  });
  run.raised("overlay_closed", name);
}

/** Bring things back to how the course begins. */
export function clear(run: Run, action: Extract<Action, { do: "clear" }>): void {
  const elements = [...action.elements];
  for (const slide of action.slides) elements.push(...run.index.onSlide.get(slide) ?? []);
  forget(run, elements, [...OF_ELEMENTS, "watched"]);
  const { state } = run;
  const gone = new Set(elements);
  const slides = new Set<string>(action.slides);
  const kept = keptAnswers(run);
  run.update({
    clicked: Growing.of([...state.clicked].filter((element) => !gone.has(element))),
    visited: state.visited.filter((slide) => !slides.has(slide)),
    opened: new Set([...state.opened].filter((slide) => !slides.has(slide))),
    flagged: new Set([...state.flagged].filter((slide) => !slides.has(slide))),
    answers: without(state.answers, (question) => action.questions.includes(question) && !kept.has(question)),
  });
  const fresh: Record<string, Value> = {};
  for (const name of action.variables) {
    const variable = run.index.variables.get(name);
    if (variable) fresh[name] = firstValue(variable, run.state.learner);
  }
  const changed = [...new Set(action.variables)].filter((name) => (
    Object.hasOwn(fresh, name) && own(run.state.variables, name) !== fresh[name]));
  run.update({ variables: { ...run.state.variables, ...fresh } });
  for (const name of changed) run.raised("variable_changed", name);
}

function forget(run: Run, elements: readonly string[], kinds: readonly (typeof OF_ELEMENTS[number] | "watched")[]): void {
  const gone = new Set(elements);
  for (const kind of kinds) {
    const before: Readonly<Record<string, unknown>> = run.state[kind];
    if (Object.keys(before).some((name) => gone.has(name))) {
      run.update({ [kind]: without(before, (name) => gone.has(name)) });
    }
  }
}

/** A clock has reached a cue: what it starts begins, and rules hear of it. */
export function reach(run: Run, owner: string, cue: ClockCue): void {
  if (cue.uncovers) run.update({ hidden: without(run.state.hidden, (name) => name === cue.uncovers) });
  if (cue.element && cue.move) startMove(run, cue.element, cue.move);
  if (cue.element && cue.plays) run.effects.push({ effect: "media", element: cue.element, run: "play", at: 0 });
  run.raised("cue_reached", owner, cue.id);
}

/** Set where a clock is (ms) and whether it runs. */
export function setClock(run: Run, owner: string, time: Time): void {
  run.update({ clocks: { ...run.state.clocks, [owner]: time } });
  if (time.at !== 0 || !time.runs) return;
  for (const cue of run.index.clocks.get(owner)?.cues ?? []) if (cue.at === 0) reach(run, owner, cue);
}

/** Begin the timers of a slide, an overlay or the course. */
export function startTimers(run: Run, owner: string): void {
  const timers = run.index.timers.get(owner);
  if (!timers) return;
  const fresh = timers.map((rule) => ({
    due: run.state.time + Math.max(rule.after, 100), owner, rule: rule.id, branch: "timer" as const, index: 0,
  }));
  run.update({ waiting: [...run.state.waiting, ...fresh] });
}

/** Begin a move from where the element is; where it ends, the element stays. */
export function startMove(run: Run, element: string, name: string): void {
  const move = run.index.elements.get(element)?.draw.moves.find(({ id }) => id === name);
  if (!move) return;
  const from = own(run.state.offsets, element) ?? [0, 0];
  run.update({ moves: { ...run.state.moves, [element]: [name, run.state.time, ...from] } });
  if (!move.times) return;
  run.update({ offsets: { ...run.state.offsets, [element]: endOf(run, element, move, from) } });
}

function endOf({ index, state }: Run, element: string, move: Move, from: Offset): Offset {
  if (move.goes === "to") return (move.to ? middle(index, state, move.to, element) : null) ?? from;
  const { x = 0, y = 0 } = move.path.at(-1) ?? {};
  return move.goes === "by" ? [number(from[0] + x), number(from[1] + y)] : [x, y];
}
