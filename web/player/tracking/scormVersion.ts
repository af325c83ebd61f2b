/** What differs between the versions of SCORM: names, forms, and what is told. `scormTracker.ts` does the rest. */
import type { Effect } from "../../api/events";
import type { Index } from "../engine/program";
import type { State } from "../engine/state";
import type { Held } from "./runs";

/** A data element and the value it is set to. */
export type Call = readonly [element: string, value: string];

export type Answered = Extract<Effect, { effect: "answered" }>;

/** What an LMS held when a visit began; `objectives` are the names that it has, in its order. */
export interface Before extends Held {
  readonly completed: boolean;
  readonly objectives: readonly string[];
}

/** Gives what the LMS has of an element, nothing where it has nothing. */
export type Get = (element: string) => string;

export interface ScormVersion {
  /** The names of the object that an LMS offers, and of its methods. */
  readonly object: string;
  readonly methods: Readonly<Record<"initialize" | "terminate" | "get" | "set" | "commit" | "lastError", string>>;
  readonly elements: Readonly<Record<"mode" | "learner" | "name" | "exit" | "status", string>>;
  /** Refusals that trying again will not change. */
  readonly forGood: ReadonlySet<string>;
  /** The error of an LMS that was opened before. */
  readonly isOpen: string;
  /** So many characters of progress every LMS takes: the standard asks for it. */
  readonly sureLength: number;
  /** Whether an LMS goes on once it was said goodbye to, so that who leaves cannot come back on the same page. */
  readonly endsOnLeaving: boolean;
  /** What is said when a learner leaves by what the course offers for it. */
  readonly leaving: readonly Call[];
  before(get: Get): Before;
  /** The mark to pass (0..100) that the LMS asks for; null where it asks for none. */
  passMark(get: Get): number | null;
  /** What is told of a run: of status and score those that count. */
  told(index: Index, state: State, before: Before): Call[];
  interactionCalls(index: Index, effect: Answered, number: number, now: Date): Call[][];
  sessionTime(milliseconds: number): Call;
}

/** A number in words of an LMS, null where there is none. */
export function numberIn(text: string): number | null {
  const plain = text.trim();
  return plain === "" || Number.isNaN(Number(plain)) ? null : Number(plain);
}
