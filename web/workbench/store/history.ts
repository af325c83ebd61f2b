/**
 * The way back: edits in the order in which they were made, each a change that can be turned round.
 *
 * An edit that the core works out takes its place in that order at once. When its answer comes, later
 * edits are taken back, it is made, and they are made again: the course is as if the answer had come
 * without delay. All functions here are pure.
 */
import type { Change } from "../../api/types";
import { apply, diff, equal, invert, type Conflict } from "./changes";
import { SETTINGS, type Document, type Entry } from "./model";

export interface Timeline {
  document: Document;
  past: readonly Entry[];
  future: readonly Entry[];
}

/** What of an edit could not be kept, and why. */
export interface Lost {
  entry: Entry;
  conflicts: readonly Conflict[];
}

export interface Outcome {
  timeline: Timeline;
  lost: readonly Lost[];
}

/** Lets what follows layouts and styles do so in a document, where these have changed. */
export type Tidy = (after: Document, before: Document) => Document;

const MERGE_MS = 1_500;

/** Return the change between two documents; slides that are the same object are not looked into. */
function changeBetween(before: Document, after: Document): Change {
  const parts = (one: Document, other: Document): object => ({
    ...(one.course === other.course ? {} : { course: one.course }),
    slides: Object.fromEntries(Object.entries(one.slides).filter(([id, slide]) => other.slides[id] !== slide)),
  });
  return diff(parts(before, after), parts(after, before));
}

/** Return the names of the documents that `change` writes: slide ids, and "course". */
export function documentsOf(change: Change): Set<string> {
  return new Set(change.operations.map(({ path }) => (path[0] === SETTINGS ? SETTINGS : path[1] as string)));
}

/**
 * Make an edit: its entry goes to the end of the past, or into the last one of the same kind. What
 * changes nothing is no edit.
 */
export function record(timeline: Timeline, entry: Omit<Entry, "change" | "intent">, after: Document): Timeline {
  const change = changeBetween(timeline.document, after);
  if (!change.operations.length && !entry.pending) return { ...timeline, document: after };
  const last = timeline.past.at(-1);
  const joins = last && !last.pending && entry.merge && last.merge === entry.merge && entry.at - last.at < MERGE_MS;
  const past = joins
    ? [...timeline.past.slice(0, -1), {
      ...last, change: joined(last.change, change), intent: joined(last.intent, change), to: entry.to, at: entry.at,
    }]
    : [...timeline.past, { ...entry, change, intent: change }];
  return { document: after, past, future: [] };
}

/** Two changes in a row as one; values that are set again are set once. */
function joined(first: Change, second: Change): Change {
  const operations = [...first.operations];
  // Where things come and go, a path may mean another thing by now.
  if (operations.some(({ op }) => op !== "set")) return { operations: [...operations, ...second.operations] };
  const setAt = new Map(operations.map((operation, n) => [JSON.stringify(operation.path), n]));
  for (const operation of second.operations) {
    const n = setAt.get(JSON.stringify(operation.path));
    const earlier = n === undefined ? undefined : operations[n];
    if (operation.op === "set" && earlier?.op === "set" && n !== undefined) operations[n] = { ...earlier, value: operation.value };
    else operations.push(operation);
  }
  return { operations };
}

/** The document as it was before the edit `id` of the past, and before all later ones. */
export function before(timeline: Timeline, id: number, tidy: Tidy): Document {
  const at = timeline.past.findIndex((entry) => entry.id === id);
  const later = at < 0 ? [] : timeline.past.slice(at);
  return later.reduceRight(
    (now, { change }) => tidy(apply(invert(change), now, true).document, now), timeline.document);
}

/** What an edit comes to that was worked out elsewhere, and what else is done in the same step. */
export interface Answer {
  change: Change;
  finish: (made: Document, before: Document) => Document;
}

/** Give a pending edit its answer; one that was answered before, or given up, stays as it is. */
export function settle(timeline: Timeline, id: number, answer: Answer, tidy: Tidy): Outcome {
  const waiting = timeline.future.findIndex((entry) => entry.id === id && entry.pending);
  if (waiting >= 0) return { timeline: settledInFuture(timeline, waiting, answer), lost: [] };
  const at = timeline.past.findIndex((entry) => entry.id === id && entry.pending);
  if (at < 0) return { timeline, lost: [] };
  const entry = timeline.past[at] as Entry;
  const start = before(timeline, id, tidy);
  const made = apply(answer.change, start);
  const document = answer.finish(made.document, start);
  const change = changeBetween(start, document);
  const outcome = replayed(timeline, at, document, [{ ...entry, change, intent: change, pending: false }], tidy);
  return { ...outcome, lost: [...lostOf(entry, made.conflicts), ...outcome.lost] };
}

/** An edit that was taken back while it was worked out can be made again once it is. */
function settledInFuture(timeline: Timeline, at: number, answer: Answer): Timeline {
  // The future is a stack: what would be made again before this edit lies above it.
  const start = timeline.future.slice(at + 1).reverse().reduce(
    (now, { intent }) => apply(intent, now, true).document, timeline.document);
  const intent = changeBetween(start, answer.finish(apply(answer.change, start, true).document, start));
  const future = timeline.future.map((entry, n) => (n === at ? { ...entry, intent, change: intent, pending: false } : entry));
  return { ...timeline, future };
}

/** Take a pending edit out again: it was refused, or its answer never came. */
export function drop(timeline: Timeline, id: number, tidy: Tidy): Outcome {
  const at = timeline.past.findIndex((entry) => entry.id === id && entry.pending);
  const future = timeline.future.filter((entry) => entry.id !== id);
  if (at < 0) return { timeline: { ...timeline, future }, lost: [] };
  return replayed({ ...timeline, future }, at, before(timeline, id, tidy), [], tidy);
}

/** The past up to `at`, then `kept`, then all that was later made once more on `document`. */
function replayed(
  timeline: Timeline, at: number, document: Document, kept: readonly Entry[], tidy: Tidy,
): Outcome {
  const past = [...timeline.past.slice(0, at), ...kept];
  const lost: Lost[] = [];
  for (const entry of timeline.past.slice(at + 1)) {
    const made = apply(entry.intent, document, true);
    const next = tidy(made.document, document);
    const change = changeBetween(document, next);
    document = next;
    lost.push(...lostOf(entry, made.conflicts));
    if (change.operations.length || entry.pending || !made.conflicts.length) past.push({ ...entry, change });
  }
  return { timeline: { ...timeline, document, past }, lost };
}

/** Take back the last edit. What has been changed elsewhere since stays, and is named. */
export function undo(timeline: Timeline, tidy: Tidy): Outcome {
  const entry = timeline.past.at(-1);
  if (!entry) return { timeline, lost: [] };
  const made = apply(invert(entry.change), timeline.document);
  return {
    timeline: {
      document: tidy(made.document, timeline.document),
      past: timeline.past.slice(0, -1), future: [...timeline.future, entry],
    },
    lost: lostOf(entry, made.conflicts),
  };
}

/** Make the edit again that was taken back last. */
export function redo(timeline: Timeline, tidy: Tidy): Outcome {
  const entry = timeline.future.at(-1);
  if (!entry) return { timeline, lost: [] };
  const made = apply(entry.intent, timeline.document, true);
  const document = tidy(made.document, timeline.document);
  const change = changeBetween(timeline.document, document);
  return {
    timeline: { document, past: [...timeline.past, { ...entry, change }], future: timeline.future.slice(0, -1) },
    lost: lostOf(entry, made.conflicts),
  };
}

function lostOf(entry: Entry, conflicts: readonly Conflict[]): Lost[] {
  return conflicts.length ? [{ entry, conflicts }] : [];
}

/**
 * Lay what was saved elsewhere under what was changed here: `theirs` with the difference between
 * `sent`, which the server knows, and `now`. What was changed here later holds.
 */
export function rebased<T>(sent: T, now: T, theirs: T): T {
  return equal(sent, now) ? theirs : apply(diff(sent, now), theirs, true).document;
}
