/** What the workbench holds of a course, and what one change of it is. */
import type { Course, Slide } from "../../api/types";

export interface Parts {
  /** The settings, where they change. */
  course?: Course;
  /** Slides by id, where they change. */
  slides?: Readonly<Record<string, Slide>>;
}

export interface Place {
  slide: string | null;
  selected: readonly string[];
}

/** A change that can be undone: the parts as they were and as they are, and where one was. */
export interface Change {
  label: string;
  before: Parts;
  after: Parts;
  from: Place;
  to: Place;
  /** Changes of one kind in a row (typing, nudging) become one while this is the same. */
  merge: string | null;
  at: number;
}

export type Saving =
  | { kind: "saved" }
  | { kind: "saving" }
  /** The server does not answer or does not take it; it is kept here and tried again. */
  | { kind: "unsaved"; reason: string };

/** Two versions of one thing, of which the author chooses. */
export interface Conflict {
  slide: string | null;
  version: number;
  theirs: Slide | Course | null;
}

const MERGE_MS = 1_500;

/** Return the past with `change` at its end, merged into the last one where they belong together. */
export function remembered(past: readonly Change[], change: Change): Change[] {
  const last = past.at(-1);
  if (last && change.merge && last.merge === change.merge && change.at - last.at < MERGE_MS) {
    return [...past.slice(0, -1), {
      ...last,
      after: {
        ...last.after, ...change.after,
        slides: { ...last.after.slides, ...change.after.slides },
      },
      to: change.to, at: change.at,
    }];
  }
  return [...past, change];
}
