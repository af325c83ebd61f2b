/**
 * Changes: what an edit does to a course, as operations on its JSON. The twin of `editing/changes/`,
 * which says how they are made and why; traces hold the two together.
 */
import type { Change, Operation } from "../../api/types";

/** A value as `JSON.parse` gives it. */
export type Json = unknown;
type Fields = Record<string, Json>;

/** An operation that was not done: what it changes is gone, or was changed to something else. */
export interface Conflict {
  operation: Operation;
  why: "gone" | "changed";
}

export interface Applied<T> {
  document: T;
  conflicts: Conflict[];
}

const KINDS = ["kind", "type", "event", "action", "to", "wants"] as const;

/** Return the change that makes `after` of `before`. */
export function diff(before: Json, after: Json): Change {
  const operations: Operation[] = [];
  findDifferences(before, after, [], operations);
  return { operations };
}

/**
 * Return `document` with `change`; `document` itself stays as it is, and what did not change in it is
 * shared. Where something else stands than the change was made from, that operation is a conflict; with
 * `force` it is done all the same, unless what it belongs to is gone.
 */
export function apply<T>(change: Change, document: T, force = false): Applied<T> {
  const draft = new Draft(document);
  const conflicts: Conflict[] = [];
  for (const operation of change.operations) {
    const why = draft.do(operation, force);
    if (why) conflicts.push({ operation, why });
  }
  return { document: draft.document as T, conflicts };
}

/** Return the change that takes `change` back. */
export function invert(change: Change): Change {
  return { operations: change.operations.map(inverse).reverse() };
}

/** Return whether two values are the same JSON. */
export function equal(one: Json, other: Json): boolean {
  if (one === other) return true;
  if (Array.isArray(one)) {
    return Array.isArray(other) && one.length === other.length && one.every((item, n) => equal(item, other[n]));
  }
  if (!isFields(one) || !isFields(other)) return false;
  const names = Object.keys(one);
  return names.length === Object.keys(other).length
    && names.every((name) => Object.hasOwn(other, name) && equal(one[name], other[name]));
}

function isFields(value: Json): value is Fields {
  return typeof value === "object" && value !== null && !Array.isArray(value);
}

// Making a change

function findDifferences(before: Json, after: Json, path: string[], found: Operation[]): void {
  if (before === after) return;
  if (isFields(before) && isFields(after) && sameForm(before, after)) {
    for (const name of Object.keys(before)) {
      if (!Object.hasOwn(after, name)) {
        found.push({ op: "remove", path: [...path, name], was: before[name], after: null, before: null });
      }
    }
    for (const name of Object.keys(after)) {
      const at = [...path, name];
      if (Object.hasOwn(before, name)) findDifferences(before[name], after[name], at, found);
      else found.push({ op: "add", path: at, value: after[name], after: null, before: null });
    }
  } else if (Array.isArray(before) && Array.isArray(after)) {
    findListDifferences(before, after, path, found);
  } else if (!equal(before, after)) {
    found.push({ op: "set", path, value: after, was: before });
  }
}

/** Whether two objects can be compared field by field: of one form, with one id. */
function sameForm(before: Fields, after: Fields): boolean {
  for (const name of KINDS) {
    const one = own(before, name);
    const other = own(after, name);
    if (typeof one === "string" && typeof other === "string" && one !== other) return false;
  }
  const [one, other] = [own(before, "id"), own(after, "id")];
  return one === other || !(typeof one === "string" || typeof other === "string");
}

function own(fields: Fields, name: string): Json {
  return Object.hasOwn(fields, name) ? fields[name] : null;
}

function findListDifferences(before: Json[], after: Json[], path: string[], found: Operation[]): void {
  const old = keysOf(before);
  const fresh = keysOf(after);
  if (!old || !fresh || !ofOneSort(before, after)) {
    if (!equal(before, after)) found.push({ op: "set", path, value: after, was: before });
    return;
  }
  const wanted = new Map(fresh.map((key, n) => [key, n]));
  const values = new Map(old.map((key, n) => [key, before[n]]));
  const now = [...old];
  for (const key of old.filter((name) => !wanted.has(name))) {
    const at = now.indexOf(key);
    found.push({ op: "remove", path: [...path, key], was: values.get(key), ...beside(now, at) });
    now.splice(at, 1);
  }
  if (now.length !== fresh.length || now.some((key, n) => key !== fresh[n])) {
    putInOrder(now, fresh, after, wanted, path, found);
  }
  fresh.forEach((key, n) => {
    if (values.has(key)) findDifferences(values.get(key), after[n], [...path, key], found);
  });
}

/** Add and move what makes the keys `fresh` of `now`. */
function putInOrder(
  now: string[], fresh: readonly string[], after: readonly Json[], wanted: ReadonlyMap<string, number>,
  path: string[], found: Operation[],
): void {
  const staying = longestRun(now, wanted);
  const known = new Set(now);
  fresh.forEach((key, n) => {
    if (staying.has(key)) return;
    let was: { was_after: string | null; was_before: string | null } | null = null;
    if (known.has(key)) {
      const from = now.indexOf(key);
      const { after: before, before: behind } = beside(now, from);
      was = { was_after: before, was_before: behind };
      now.splice(from, 1);
    }
    const at = n ? now.indexOf(fresh[n - 1] as string) + 1 : 0;
    now.splice(at, 0, key);
    if (was) found.push({ op: "move", path: [...path, key], ...beside(now, at), ...was });
    else found.push({ op: "add", path: [...path, key], value: after[n], ...beside(now, at) });
  });
}

function beside(keys: readonly string[], at: number): { after: string | null; before: string | null } {
  return { after: keys[at - 1] ?? null, before: keys[at + 1] ?? null };
}

/** The most of `keys` that stand in `order` already. */
function longestRun(keys: readonly string[], order: ReadonlyMap<string, number>): Set<string> {
  const tails: number[] = [];
  const holders: number[] = [];
  const earlier: number[] = [];
  keys.forEach((key, n) => {
    const rank = order.get(key) as number;
    let low = 0;
    let high = tails.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((tails[middle] as number) < rank) low = middle + 1;
      else high = middle;
    }
    earlier.push(low ? holders[low - 1] as number : -1);
    tails[low] = rank;
    holders[low] = n;
  });
  const run = new Set<string>();
  for (let at = holders.at(-1) ?? -1; at >= 0; at = earlier[at] as number) run.add(keys[at] as string);
  return run;
}

/** The keys of a list: the ids of its things, or its texts. Null where it has none. */
function keysOf(items: readonly Json[]): string[] | null {
  const keys: string[] = [];
  for (const item of items) {
    const key = isFields(item) ? own(item, "id") : item;
    if (typeof key !== "string") return null;
    keys.push(key);
  }
  return new Set(keys).size === keys.length ? keys : null;
}

/** Whether all items are things, or all are texts. */
function ofOneSort(before: readonly Json[], after: readonly Json[]): boolean {
  return new Set([...before, ...after].map(isFields)).size < 2;
}

// Turning it round

function inverse(operation: Operation): Operation {
  switch (operation.op) {
    case "set": return { ...operation, value: operation.was, was: operation.value };
    case "add": {
      const { path, value, after, before } = operation;
      return { op: "remove", path, was: value, after, before };
    }
    case "remove": {
      const { path, was, after, before } = operation;
      return { op: "add", path, value: was, after, before };
    }
    case "move": {
      const { path, after, before, was_after, was_before } = operation;
      return { op: "move", path, after: was_after, before: was_before, was_after: after, was_before: before };
    }
  }
}

// Applying it

type Why = Conflict["why"] | null;
type Slot = string | number | null;

/** What holds something, and under which name or index; a null index: it is not there. */
interface Spot {
  holder: Fields | Json[];
  slot: Slot;
}

/** A document that is changed without changing what it was made of; see its twin. */
class Draft {
  document: Json;
  private readonly copies = new Set<object>();
  private readonly indexes = new Map<readonly Json[], Map<string, number>>();

  constructor(document: Json) {
    this.document = document;
  }

  /** Do `operation`; return why it was not done, or null. */
  do(operation: Operation, force: boolean): Why {
    const { path } = operation;
    if (!path.length) return operation.op === "set" ? this.setRoot(operation.value, operation.was, force) : "gone";
    const spot = this.at(path);
    switch (operation.op) {
      case "set": return spot ? this.put(operation, spot, force) : "gone";
      case "add": return spot ? this.add(operation, spot, force) : "gone";
      case "remove": return spot?.slot == null ? null : this.remove(path, spot, operation.was, force);
      case "move":
        if (spot?.slot != null && Array.isArray(spot.holder)) this.move(operation, spot.slot as number);
        return null;
    }
  }

  private setRoot(value: Json, was: Json, force: boolean): Why {
    if (!force && !equal(this.document, was) && !equal(this.document, value)) return "changed";
    this.document = value;
    return null;
  }

  private put({ path, value, was }: Extract<Operation, { op: "set" }>, spot: Spot, force: boolean): Why {
    if (spot.slot === null && Array.isArray(spot.holder)) return "gone";
    // A field that is left out is one that has nothing in it.
    const now = spot.slot === null ? null : valueAt(spot);
    if (equal(now, value)) return null;
    if (!force && !equal(now, was)) return "changed";
    setAt({ holder: this.written(path), slot: spot.slot ?? path.at(-1) as string }, value);
    return null;
  }

  private add(operation: Extract<Operation, { op: "add" }>, spot: Spot, force: boolean): Why {
    const { path, value, after, before } = operation;
    if (spot.slot !== null) {
      if (equal(valueAt(spot), value)) return null;
      if (!force) return "changed";
      setAt({ holder: this.written(path), slot: spot.slot }, value);
      return null;
    }
    const holder = this.written(path);
    if (Array.isArray(holder)) this.insert(holder, value, after ?? null, before ?? null);
    else setAt({ holder, slot: path.at(-1) as string }, value);
    return null;
  }

  private remove(path: readonly string[], spot: Spot, was: Json, force: boolean): Why {
    if (!force && !equal(valueAt(spot), was)) return "changed";
    const holder = this.written(path);
    if (Array.isArray(holder)) {
      holder.splice(spot.slot as number, 1);
      this.indexes.delete(holder);
    } else {
      Reflect.deleteProperty(holder, spot.slot as string);
    }
    return null;
  }

  private move(operation: Extract<Operation, { op: "move" }>, from: number): void {
    const holder = this.written(operation.path) as Json[];
    const [item] = holder.splice(from, 1);
    this.indexes.delete(holder);
    this.insert(holder, item, operation.after ?? null, operation.before ?? null);
  }

  private insert(items: Json[], value: Json, after: string | null, before: string | null): void {
    const index = this.index(items);
    const behind = after === null ? undefined : index?.get(after);
    const ahead = before === null ? undefined : index?.get(before);
    items.splice(behind !== undefined ? behind + 1 : ahead ?? (after === null ? 0 : items.length), 0, value);
    this.indexes.delete(items);
  }

  /** What holds the last name of `path`; null where the way there leads nowhere. */
  private at(path: readonly string[]): Spot | null {
    let holder = this.document;
    for (const name of path.slice(0, -1)) {
      const slot = this.slot(holder, name);
      if (slot === null || slot === undefined) return null;
      holder = valueAt({ holder: holder as Fields | Json[], slot });
    }
    const slot = this.slot(holder, path.at(-1) as string);
    return slot === undefined ? null : { holder: holder as Fields | Json[], slot };
  }

  /** Where `name` stands in `holder`: null if it does not, undefined if nothing can. */
  private slot(holder: Json, name: string): Slot | undefined {
    if (Array.isArray(holder)) {
      const index = this.index(holder);
      return index ? index.get(name) ?? null : undefined;
    }
    if (!isFields(holder)) return undefined;
    return Object.hasOwn(holder, name) ? name : null;
  }

  /** Where each key stands in a list. */
  private index(items: readonly Json[]): Map<string, number> | null {
    const known = this.indexes.get(items);
    if (known) return known;
    const keys = keysOf(items);
    if (!keys) return null;
    const found = new Map(keys.map((key, n) => [key, n]));
    this.indexes.set(items, found);
    return found;
  }

  /** What holds the last name of `path`, as a copy that may be changed. */
  private written(path: readonly string[]): Fields | Json[] {
    let holder = this.copied(this.document);
    this.document = holder;
    for (const name of path.slice(0, -1)) {
      const spot = { holder, slot: this.slot(holder, name) as Slot };
      const inner = this.copied(valueAt(spot));
      setAt(spot, inner);
      holder = inner;
    }
    return holder;
  }

  private copied(value: Json): Fields | Json[] {
    if (this.copies.has(value as object)) return value as Fields | Json[];
    const copy = Array.isArray(value) ? [...value] as Json[] : { ...value as Fields };
    this.copies.add(copy);
    return copy;
  }
}

function valueAt({ holder, slot }: Spot): Json {
  return Array.isArray(holder) ? holder[slot as number] : holder[slot as string];
}

/** Set a field or an item; a name such as `__proto__` is one like any other. */
function setAt({ holder, slot }: Spot, value: Json): void {
  if (Array.isArray(holder)) holder[slot as number] = value;
  else Object.defineProperty(holder, slot as string, { value, writable: true, enumerable: true, configurable: true });
}
