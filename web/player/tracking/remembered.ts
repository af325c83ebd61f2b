/** The numbers by which saved progress names things. The twin of `zigzag_core/tracking/remembered.py`. */
import { LIMITS } from "../../api/tables";
import type { Grader, Program } from "../../api/types";
import type { Index } from "../engine/program";
import { fnv1a } from "../engine/random";
import type { Answer } from "../engine/state";
import { measure } from "../engine/tally";
import { number } from "../engine/values";
import { Damaged } from "./coder";

/** Saved progress that is not of this course. */
class OtherCourse extends Error {}

const KINDS = ["slides", "questions", "choices", "variables", "elements"] as const;

/** The things of one kind: by number in `names`, and their numbers. */
export class Names {
  readonly numbers: ReadonlyMap<string, number>;

  constructor(readonly names: readonly string[]) {
    this.numbers = new Map(names.map((name, number) => [name, number]));
  }

  /** The numbers of those of `names` that have one, in rising order. */
  known(names: Iterable<string>): number[] {
    const found: number[] = [];
    for (const name of names) {
      const number = this.numbers.get(name);
      if (number !== undefined) found.push(number);
    }
    return found.sort((a, b) => a - b);
  }

  /** The name with a number; throws `Damaged` where there is none. */
  name(number: number): string {
    const name = this.names[number];
    if (name === undefined) throw new Damaged("the saved progress names a thing that was never published");
    return name;
  }

  named(numbers: readonly number[]): string[] {
    return numbers.map((number) => this.name(number));
  }
}

/** All that the progress of a program may name. */
class Remembered {
  readonly slides: Names;
  readonly questions: Names;
  readonly parts: Names;
  readonly variables: Names;
  readonly elements: Names;
  readonly lengths: readonly number[];
  /** The fingerprint of all names of today. */
  readonly own: number;
  private readonly lists: readonly Names[];

  constructor(private readonly index: Index) {
    this.lists = KINDS.map((kind) => new Names(index.program.remembered[kind] ?? []));
    [this.slides, this.questions, this.parts, this.variables, this.elements] = this.lists as [Names, Names, Names, Names, Names];
    this.lengths = this.lists.map(({ names }) => names.length);
    this.own = this.fingerprint(this.lengths);
  }

  /** Throw `OtherCourse` where the progress was not saved by this course. */
  check(lengths: readonly number[], fingerprint: number): void {
    if (lengths.some((length, position) => length > (this.lengths[position] as number))) {
      throw new OtherCourse("the saved progress is from another course or a newer publication");
    }
    if (fingerprint !== this.fingerprint(lengths)) throw new OtherCourse("the saved progress is from another course");
  }

  private fingerprint(lengths: readonly number[]): number {
    const known = this.lists.flatMap(({ names }, position) => names.slice(0, lengths[position]));
    return fnv1a([this.index.program.course, ...known].join(","));
  }
}

const made = new WeakMap<Program, Remembered>();

/** Return what the progress of a program may name; it is made once. */
export function rememberedOf(index: Index): Remembered {
  let found = made.get(index.program);
  if (!found) made.set(index.program, found = new Remembered(index));
  return found;
}

export type { Remembered };

/** The slide that was shown; where it is gone, the last one that was seen. */
export function slideToResume(index: Index, slide: string | null, visited: readonly string[]): string | null {
  return slide !== null && index.position.has(slide) ? slide : visited.at(-1) ?? null;
}

/** An answer as the question can have it now, with what was right and wrong counted again. */
export function restoredAnswer(grader: Grader, answer: Answer): Answer {
  const lowest = number(answer.attempts ? grader.floor : -grader.unanswered);
  const points = Math.max(Math.min(number(answer.points), grader.points), lowest);
  const given = stillThere(grader, answer.given);
  const slips = Math.min(answer.slips, LIMITS.most_slips);
  const restored = { ...answer, given, judged: answer.judged && given, slips, points };
  if (answer.result === null) return restored;
  const { right, wrong } = measure(grader, restored.given);
  return { ...restored, right, wrong: wrong + slips };
}

/** What was given, without what the question no longer has; an order only if it is whole. */
function stillThere(grader: Grader, given: Answer["given"]): Answer["given"] {
  const parts = new Set([grader.id, ...grader.parts.map(({ id }) => id)]);
  const targets = new Set(grader.targets.map(({ id }) => id));
  const kept = given.filter(([part, value]) => parts.has(part) && (grader.form !== "pairs" || targets.has(value)));
  return grader.form === "order" && kept.length !== grader.parts.length ? [] : kept;
}
