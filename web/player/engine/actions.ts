/** What each action does to a run. The twin of `engine/actions.py`. */
import type { Action } from "../../api/types";
import * as moving from "./moving";
import * as questions from "./questions";
import { without, type Run } from "./run";
import { own } from "./own";

export function act(run: Run, action: Action): void {
  switch (action.do) {
    case "go": moving.go(run, action.to, action.slide ?? null, action.back); break;
    case "enter": moving.enter(run, action.slide); break;
    case "show":
    case "hide":
    case "toggle": show(run, action.element, action.do); break;
    case "look": {
      const looks = without(run.state.looks, (name) => name === action.element);
      if (action.look !== null && run.index.elements.has(action.element)) looks[action.element] = action.look;
      run.update({ looks });
      break;
    }
    case "set": run.setVariable(action.variable, action.value); break;
    case "pick": pick(run, action); break;
    case "open": moving.openOverlay(run, action.overlay); break;
    case "close": moving.closeOverlay(run, action.overlay); break;
    case "choose": questions.choose(run, action.question, action.choice); break;
    case "submit": questions.submit(run, action.question); break;
    case "reset": questions.reset(run, action.question, action.answer_only); break;
    case "clear": moving.clear(run, action); break;
    case "move": moving.startMove(run, action.element, action.move); break;
    case "clock": runClock(run, action.of, action.run); break;
    case "mark": mark(run, action.status); break;
    case "media":
      run.effects.push({ effect: "media", element: action.element, run: action.run, at: action.at });
      break;
    case "sound": run.effects.push({ effect: "sound", media: action.media }); break;
    case "link": run.effects.push({ effect: "link", address: action.address }); break;
    case "announce": run.effects.push({ effect: "announce", text: action.text }); break;
    case "wait": break;
  }
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
  const now = own(run.state.clocks, owner) ?? { at: 0, runs: false };
  if (how === "stop") moving.setClock(run, owner, { at: now.at, runs: false });
  else if (how === "restart" || (now.at >= clock.length && !now.runs)) {
    moving.setClock(run, owner, { at: 0, runs: true });
  } else if (!now.runs) moving.setClock(run, owner, { at: now.at, runs: true });
}

function mark(run: Run, status: "completed" | "passed" | "failed"): void {
  if (status === "completed") run.update({ completed: true });
  else if (run.state.marked !== "passed") run.update({ marked: status });
}
