/** One step in the making: state, effects, and events still to be followed up. The twin of `engine/run.py`. */
import { evaluate } from "./expression";
import type { Index } from "./program";
import { step32 } from "./random";
import type { Effect, Ran } from "../../api/events";
import { copyOf, type State } from "./state";
import { fitted, toYesNo } from "./values";
import { own } from "./own";

/** An event, what it happened to, and the detail that narrows it down. */
export type Raised = readonly [event: string, target: string, detail: string | null];

/** One event on its way: the state as it is so far, its effects, and what rules still wait for. */
export class Run {
  readonly effects: Effect[] = [];
  readonly before: State;
  queue: Raised[] = [];
  handled = 0;
  /** Whether a slide was entered, until that has been looked at. */
  entered = false;
  /** The quizzes that no attempt is left to begin of. */
  readonly refused = new Set<string>();

  private own: State | null = null;

  constructor(readonly index: Index, before: State, readonly log: Ran[] | null) {
    this.before = before;
  }

  /** The state so far. What is to be kept from before a change must be taken out of it. */
  get state(): State {
    return this.own ?? this.before;
  }

  /** Change the state: the first time a copy of it, which is this run's own. */
  update(changes: Partial<State>): void {
    Object.assign(this.own ??= copyOf(this.before), changes);
  }

  raised(event: string, target: string, detail: string | null = null): void {
    this.queue.push([event, target, detail]);
  }

  holds(condition: unknown): boolean {
    return condition === true || toYesNo(evaluate(this.index, this.state, condition));
  }

  setVariable(name: string, value: unknown): void {
    const variable = this.index.variables.get(name);
    if (!variable) return;
    const fresh = fitted(variable, evaluate(this.index, this.state, value));
    if (fresh !== own(this.state.variables, name)) {
      this.update({ variables: { ...this.state.variables, [name]: fresh } });
      this.raised("variable_changed", name);
    }
  }

  /** A whole number from 0 to below `count`, from the run's own generator. */
  draw(count: number): number {
    const [rng, drawn] = step32(this.state.rng);
    this.update({ rng });
    return drawn % Math.max(count, 1);
  }
}

/** Return `entries` without some names. */
export function without<T>(entries: Readonly<Record<string, T>>, gone: (name: string) => boolean): Record<string, T> {
  return Object.fromEntries(Object.entries(entries).filter(([name]) => !gone(name)));
}
