/**
 * The engine that learners run: `step(index, state, event)` gives the next state and the effects.
 * The reference is `zigzag_core/logic/engine.py`; traces written from there must be met exactly.
 */
import type { Action } from "../../api/types";
import { evaluate } from "./expression";
import { judge } from "./grade";
import type { Index } from "./program";
import { fnv1a, shuffled } from "./random";
import * as results from "./results";
import { NO_ANSWER, type Answer, type Effect, type Event, type State } from "./state";
import { admitted, fitted, toYesNo, type Value } from "./values";

const FOLLOW_UPS = 1_000;
const LONGEST_PATH = 50;
const MAX_TICK = 24 * 3_600_000;

/** Return the state before the first event. */
export function start(index: Index, seed: number): State {
  const variables: Record<string, Value> = {};
  for (const v of index.program.variables) variables[v.id] = fitted(v, v.default);
  return {
    seed: seed >>> 0, rng: seed >>> 0, time: 0, entered: 0, slide: null, visited: [], path: [],
    clicked: new Set(), hidden: {}, looks: {}, variables, overlays: [], answers: {},
    completed: false, success: "unknown", ended: false,
  };
}

export function step(index: Index, state: State, event: Event): [State, Effect[]] {
  const run = new Run(index, state);
  run.take(event);
  run.followUp();
  run.settle();
  return [run.state, run.effects];
}

/** Return the choices of `question` in the order in which this learner sees them. */
export function choiceOrder(index: Index, state: State, question: string): readonly string[] {
  const grader = index.questions.get(question);
  if (!grader) return [];
  return grader.shuffle
    ? shuffled(grader.choices, (state.seed ^ fnv1a(question)) >>> 0)
    : grader.choices;
}

/** The slide that *previous* leads to: where the learner came from, else the one before. */
export function slideBefore(index: Index, state: State): string | null {
  return state.path.at(-1) ?? index.order[(index.position.get(state.slide ?? "") ?? 0) - 1] ?? null;
}

/** Whether `element` is shown, and the groups that it is in. */
export function isVisible(index: Index, state: State, element: string): boolean {
  for (let here: string | null = element; here !== null; here = index.groupOf(here)) {
    if (!isShown(index, state, here)) return false;
  }
  return true;
}

function isShown(index: Index, state: State, element: string): boolean {
  const hidden = state.hidden[element];
  if (hidden !== undefined) return !hidden;
  return toYesNo(evaluate(index, state, index.elements.get(element)?.visible ?? false));
}

export function isEnabled(index: Index, state: State, element: string): boolean {
  return toYesNo(evaluate(index, state, index.elements.get(element)?.enabled ?? false));
}

function without<T>(entries: Readonly<Record<string, T>>, name: string): Record<string, T> {
  return Object.fromEntries(Object.entries(entries).filter(([key]) => key !== name));
}

/** One step in the making. Containers are replaced, never changed in place. */
class Run {
  readonly effects: Effect[] = [];
  private readonly before: State;
  private queue: [event: string, target: string][] = [];

  constructor(private readonly index: Index, public state: State) {
    this.before = state;
  }

  take(event: Event): void {
    const { state, index } = this;
    if (event.event === "start") {
      const first = index.order[0];
      if (state.slide === null && first !== undefined) this.enter(event.target || first);
      return;
    }
    if (state.slide === null || state.ended) return;
    switch (event.event) {
      case "tick": {
        const passed = Math.min(Math.max(Math.trunc(event.ms), 0), MAX_TICK);
        this.update({ time: state.time + passed });
        break;
      }
      case "clicked": this.click(event.target); break;
      case "entered": this.enterValue(event.target, event.value); break;
      case "next":
      case "previous": this.go(event.event, null); break;
      case "slide": this.go("slide", event.target); break;
      case "close": this.close(event.target); break;
      case "leave": this.go("leave", null); break;
    }
  }

  followUp(): void {
    let handled = 0;
    for (;;) {
      const next = this.queue[0];
      if (!next) return;
      const [event, target] = next;
      const bound = this.index.matching(event, target);
      if (handled >= FOLLOW_UPS) {
        this.queue = [];
        this.effects.push({ effect: "loop", rules: bound.map(({ rule }) => rule.id) });
        return;
      }
      handled += 1;
      this.queue.shift();
      const here = this.state.slide;
      for (const { slide, rule } of bound) {
        if (slide !== null && slide !== here && event !== "slide_left") continue;
        const holds = toYesNo(evaluate(this.index, this.state, rule.condition));
        for (const action of holds ? rule.then : rule.otherwise) this.act(action);
      }
    }
  }

  /** Bring completion and success up to date; once completed or passed stays so. */
  settle(): void {
    const { state, before, index } = this;
    if (state.visited === before.visited && state.answers === before.answers) return;
    const success = state.success === "passed" ? "passed" : results.success(index, state);
    if (success !== state.success) this.update({ success });
    const completed = state.completed || results.completed(index, this.state);
    if (completed !== state.completed) this.update({ completed });
    if (success !== state.success || completed !== state.completed) {
      this.effects.push({ effect: "status", completed, success });
    }
  }

  private update(changes: Partial<State>): void {
    this.state = { ...this.state, ...changes };
  }

  private click(element: string): void {
    if (!this.atHand(element)) return;
    const { state } = this;
    if (!state.clicked.has(element)) {
      this.update({ clicked: new Set(state.clicked).add(element) });
    }
    this.queue.push(["clicked", element]);
  }

  /** Keep what was entered, as far as the input and its variable can hold it. */
  private enterValue(element: string, value: Value): void {
    if (!this.atHand(element)) return;
    const draw = this.index.elements.get(element)?.draw;
    if (draw?.kind !== "input" || !draw.variable || !this.index.variables.has(draw.variable)) return;
    const before = this.state.variables[draw.variable];
    this.setVariable(draw.variable, admitted(draw, value));
    if (this.state.variables[draw.variable] !== before) this.queue.push(["entered", element]);
  }

  /** Whether the learner can reach `element` now: here, shown, switched on, not covered. */
  private atHand(element: string): boolean {
    const { index, state } = this;
    return index.home.get(element) === state.slide && this.reachable(element)
      && isVisible(index, state, element) && isEnabled(index, state, element);
  }

  /** Whether no blocking overlay lies over `element`, and its own overlay is open. */
  private reachable(element: string): boolean {
    const own = this.index.overlayOf.get(element);
    const open = this.state.overlays;
    if (own !== undefined && !open.includes(own)) return false;
    for (let place = open.length - 1; place >= 0; place--) {
      const overlay = open[place] as string;
      if (overlay === own) return true;
      if (this.index.overlays.get(overlay)?.blocks) return false;
    }
    return true;
  }

  private act(action: Action): void {
    const { state } = this;
    switch (action.do) {
      case "go": this.go(action.to, action.slide ?? null); break;
      case "show":
      case "hide":
        if (this.index.elements.has(action.element)) {
          this.update({ hidden: { ...state.hidden, [action.element]: action.do === "hide" } });
        }
        break;
      case "look": {
        const looks = without(state.looks, action.element);
        if (action.look !== null && this.index.elements.has(action.element)) {
          looks[action.element] = action.look;
        }
        this.update({ looks });
        break;
      }
      case "set": this.setVariable(action.variable, action.value); break;
      case "open": this.open(action.overlay); break;
      case "close": this.close(action.overlay); break;
      case "choose": this.choose(action.question, action.choice); break;
      case "submit": this.submit(action.question); break;
      case "reset": {
        this.update({ answers: without(state.answers, action.question) });
        break;
      }
      case "announce": this.effects.push({ effect: "announce", text: action.text }); break;
    }
  }

  private go(to: "next" | "previous" | "slide" | "leave", slide: string | null): void {
    const { state, index } = this;
    if (state.ended) return;
    if (to === "leave") {
      this.update({ ended: true });
      this.effects.push({ effect: "leave" });
      return;
    }
    let target = slide;
    if (to === "next") target = index.onward.get(state.slide ?? "") ?? null;
    else if (to === "previous") target = slideBefore(index, state);
    if (target !== null && target !== state.slide) this.enter(target, to === "previous");
  }

  private enter(slide: string, back = false): void {
    const { state } = this;
    if (!this.index.position.has(slide)) return;
    let path = back ? state.path.slice(0, -1) : state.path;
    if (state.slide !== null) {
      this.queue.push(["slide_left", state.slide]);
      if (!back) path = [...path, state.slide].slice(-LONGEST_PATH);
    }
    const visited = state.visited.includes(slide) ? state.visited : [...state.visited, slide];
    this.update({ slide, visited, path, overlays: [], entered: state.time });
    this.queue.push(["slide_entered", slide]);
    this.effects.push({ effect: "moved", slide });
  }

  private setVariable(name: string, value: unknown): void {
    const variable = this.index.variables.get(name);
    if (!variable) return;
    const fresh = fitted(variable, evaluate(this.index, this.state, value));
    if (fresh !== this.state.variables[name]) {
      this.update({ variables: { ...this.state.variables, [name]: fresh } });
      this.queue.push(["variable_changed", name]);
    }
  }

  private open(overlay: string): void {
    const { state } = this;
    if (this.index.home.get(overlay) === state.slide && !state.overlays.includes(overlay)) {
      this.update({ overlays: [...state.overlays, overlay] });
      this.queue.push(["overlay_opened", overlay]);
    }
  }

  private close(overlay: string): void {
    if (this.state.overlays.includes(overlay)) {
      this.update({ overlays: this.state.overlays.filter((other) => other !== overlay) });
      this.queue.push(["overlay_closed", overlay]);
    }
  }

  private putAnswer(question: string, answer: Answer): void {
    this.update({ answers: { ...this.state.answers, [question]: answer } });
  }

  private choose(question: string, choice: string): void {
    const grader = this.index.questions.get(question);
    const answer = this.state.answers[question] ?? NO_ANSWER;
    if (grader && !answer.locked && grader.choices.includes(choice)) {
      this.putAnswer(question, { ...answer, chosen: [choice] });
    }
  }

  private submit(question: string): void {
    const { state } = this;
    const grader = this.index.questions.get(question);
    const answer = state.answers[question] ?? NO_ANSWER;
    if (!grader || answer.locked || !answer.chosen.length) return;
    const { result, points } = judge(grader, answer.chosen);
    const attempts = answer.attempts + 1;
    const usedUp = grader.attempts !== null && attempts >= grader.attempts;
    const locked = result !== "wrong" || usedUp;
    this.putAnswer(question, { ...answer, attempts, result, points, locked, since: state.time });
    this.effects.push({
      effect: "answered", question, attempt: attempts, chosen: [...answer.chosen], result, points,
      latency: state.time - Math.max(answer.since, state.entered),
    });
    const event = result === "right" ? "answered_right"
      : result === "neutral" ? "answered"
      : locked ? "answered_last" : "answered_wrong";
    this.queue.push([event, question]);
  }
}
