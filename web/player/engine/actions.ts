/** What each action does to a run. The twin of `engine/actions.py`. */
import type { Action } from "../../api/types";
import * as leaving from "./leaving";
import * as moving from "./moving";
import * as questions from "./questions";
import * as quizzes from "./quizzes";
import { without, type Run } from "./run";
import { own } from "./own";

/** What an action does; false ends what is done after it. */
type Acts = { readonly [A in Action as A["do"]]: (run: Run, action: A) => unknown };

/** What each action does. Waiting is up to whoever runs the actions. */
const ACTS: Acts = {
  go: (run, action) => leaving.go(run, action.to, entrance(run, action.slide), action.back),
  stay: (run) => run.update({ leaving: null }),
  enter: (run, action) => moving.enter(run, entrance(run, action.slide) ?? action.slide),
  show: (run, action) => show(run, action.element, action.do),
  hide: (run, action) => show(run, action.element, action.do),
  toggle: (run, action) => show(run, action.element, action.do),
  enable: (run, { element }) => run.update({ disabled: without(run.state.disabled, (name) => name === element) }),
  disable: (run, { element }) => {
    if (run.index.elements.has(element)) run.update({ disabled: { ...run.state.disabled, [element]: true } });
  },
  look: giveLook,
  set: (run, action) => run.setVariable(action.variable, action.value),
  pick,
  open: (run, action) => moving.openOverlay(run, action.overlay),
  close: (run, action) => moving.closeOverlay(run, action.overlay),
  choose: (run, action) => questions.choose(run, action.question, action.part),
  submit: (run, action) => questions.submit(run, action.question),
  reset: (run, action) => questions.reset(run, action.question, action.answer_only),
  clear: moving.clear,
  draw: (run, { quiz, stops }) => quizzes.drawAgain(run, quiz) || !stops,
  move: (run, action) => moving.startMove(run, action.element, action.move),
  clock: (run, action) => runClock(run, action.of, action.run),
  mark: (run, action) => mark(run, action.status),
  media: (run, { element, run: how, at }) => { run.effects.push({ effect: "media", element, run: how, at }); },
  sound: (run, { media }) => { run.effects.push({ effect: "sound", media }); },
  link: (run, { address }) => { run.effects.push({ effect: "link", address }); },
  print: (run) => { run.effects.push({ effect: "print" }); },
  announce: (run, { text }) => { run.effects.push({ effect: "announce", text }); },
  wait: () => undefined,
};

/** Do `action` in a run; tells whether those after it are to be done. */
export function act(run: Run, action: Action): boolean {
  return (ACTS[action.do] as (run: Run, action: Action) => unknown)(run, action) !== false;
}

/** Where a way leads that the author has set to `slide`. */
function entrance({ index, state }: Run, slide: string | null | undefined): string | null {
  return slide ? index.ordered(state.draws).entrance(slide) : null;
}

function giveLook(run: Run, action: Extract<Action, { do: "look" }>): void {
  const looks = without(run.state.looks, (name) => name === action.element);
  if (action.look !== null && run.index.elements.has(action.element)) looks[action.element] = action.look;
  run.update({ looks });
}

function show(run: Run, name: string, how: "show" | "hide" | "toggle"): void {
  if (run.index.overlays.has(name)) {
    if (run.state.overlays.includes(name) && how !== "show") moving.closeOverlay(run, name);
    else if (how !== "hide") moving.openOverlay(run, name);
  } else if (run.index.elements.has(name)) {
    const hide = how === "toggle" ? run.holds(["shown", name]) : how === "hide";
    run.update({ hidden: { ...run.state.hidden, [name]: hide } });
  }
}

function pick(run: Run, action: Extract<Action, { do: "pick" }>): void {
  if (action.texts.length) {
    run.setVariable(action.variable, action.texts[run.draw(action.texts.length)]);
    return;
  }
  const low = Math.trunc(Math.min(action.low, action.high));
  const high = Math.trunc(Math.max(action.low, action.high));
  run.setVariable(action.variable, low + run.draw(high - low + 1));
}

function runClock(run: Run, owner: string, how: "start" | "stop" | "restart"): void {
  const clock = run.index.clocks.get(owner);
  if (!clock || (owner !== run.state.slide && !run.state.overlays.includes(owner))) return;
  if (clock.follows) return runLeader(run, clock.follows, how);
  const now = own(run.state.clocks, owner) ?? { at: 0, runs: false };
  if (how === "stop") moving.setClock(run, owner, { at: now.at, runs: false });
  else if (how === "restart" || (now.at >= clock.length && !now.runs)) {
    moving.setClock(run, owner, { at: 0, runs: true });
  } else if (!now.runs) moving.setClock(run, owner, { at: now.at, runs: true });
}

/** Start, stop or restart a timing: what leads it is what starts and stops. */
function runLeader(run: Run, element: string, how: "start" | "stop" | "restart"): void {
  if (how === "restart") run.effects.push({ effect: "media", element, run: "seek", at: 0 });
  run.effects.push({ effect: "media", element, run: how === "stop" ? "pause" : "play", at: 0 });
}

function mark(run: Run, status: "completed" | "passed" | "failed"): void {
  if (status === "completed") run.update({ completed: true });
  else if (run.state.marked !== "passed") run.update({ marked: status });
}
