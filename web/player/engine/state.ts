/** The state of a run. The twin of `zigzag_core/logic/state.py`. */
import type { Value } from "./values";

export type Success = "unknown" | "passed" | "failed";
export type Result = "right" | "wrong" | "neutral";

export interface Answer {
  readonly chosen: readonly string[];
  readonly attempts: number;
  readonly result: Result | null;
  readonly points: number;
  readonly locked: boolean;
  /** The run's time (ms) at the last submission. */
  readonly since: number;
}

export const NO_ANSWER: Answer = {
  chosen: [], attempts: 0, result: null, points: 0, locked: false, since: 0,
};

export interface State {
  readonly seed: number;
  readonly rng: number;
  /** ms spent in the course. */
  readonly time: number;
  /** The time at which the current slide was entered. */
  readonly entered: number;
  readonly slide: string | null;
  readonly visited: readonly string[];
  /** The slides that the learner came by and can go back to, the last at its end. */
  readonly path: readonly string[];
  readonly clicked: ReadonlySet<string>;
  readonly hidden: Readonly<Record<string, boolean>>;
  readonly looks: Readonly<Record<string, string>>;
  readonly variables: Readonly<Record<string, Value>>;
  readonly overlays: readonly string[];
  readonly answers: Readonly<Record<string, Answer>>;
  readonly completed: boolean;
  readonly success: Success;
  readonly ended: boolean;
}

/** Return `state` as plain JSON values, sets sorted, as the traces hold it. */
export function asJson(state: State): unknown {
  return { ...state, clicked: [...state.clicked].sort() };
}

export type Event =
  | { event: "start"; target?: string | null }
  | { event: "clicked" | "slide" | "close"; target: string }
  | { event: "entered"; target: string; value: Value }
  | { event: "next" | "previous" | "leave" }
  | { event: "tick"; ms: number };

export type Effect =
  | { effect: "moved"; slide: string }
  | { effect: "leave" }
  | { effect: "announce"; text: string }
  | { effect: "loop"; rules: string[] }
  | { effect: "status"; completed: boolean; success: Success }
  | {
      effect: "answered"; question: string; attempt: number; chosen: string[]; result: Result;
      points: number; latency: number;
    };
