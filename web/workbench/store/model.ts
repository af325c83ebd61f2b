/** What the workbench holds of a course, and what one edit of it is. */
import type { Change, Course, Slide } from "../../api/types";

/** A course as it is edited: its settings, and all its slides by id. */
export interface Document {
  course: Course;
  slides: Readonly<Record<string, Slide>>;
}

/** Documents that an edit replaces: the settings, slides, or both. */
export interface Parts {
  course?: Course;
  slides?: Readonly<Record<string, Slide>>;
}

/** Which slide is looked at, and what is selected on it. */
export interface Selection {
  slide: string | null;
  selected: readonly string[];
}

/** An edit that can be taken back: the change that it made, and where one was before and after. */
export interface Entry {
  id: number;
  label: string;
  /** What was to be done. Where an earlier edit comes in late, it is done anew. */
  intent: Change;
  /** What it came to: turned round, it takes the edit back. */
  change: Change;
  /** The core is still working it out; until then `change` is what can be shown at once. */
  pending: boolean;
  from: Selection;
  to: Selection;
  /** Edits of one kind in a row (typing, nudging) become one while this is the same. */
  merge: string | null;
  at: number;
}

/** Numbers of the states that the server had: of the settings, and of slides by id. */
export interface Versions {
  course: number;
  slides: Readonly<Record<string, number>>;
}

export type Saving =
  | { kind: "saved" }
  | { kind: "saving" }
  /** The server does not answer or does not take it; it is kept here and tried again. */
  | { kind: "unsaved"; reason: string }
  /** The server does not take what is left (`refused` of the store says what); all else is saved. */
  | { kind: "refused" };

/** A document that the server does not take as it is now, and why. */
export interface Refused {
  document: Slide | Course;
  reason: string;
}

/** One document that was changed here and elsewhere so that somebody has to choose. */
export interface Clash {
  /** Null for the settings. */
  slide: string | null;
  version: number;
  /** As it was saved elsewhere; null where it is not there. */
  theirs: Slide | Course | null;
  /** The same with all of this window's changes that are in no conflict. */
  merged: Slide | Course | null;
  /** What both have changed: paths within the course. */
  places: readonly (readonly string[])[];
}

/** The name of the settings among documents; slides go by their ids. */
export const SETTINGS = "course";
