/** Putting together what two windows have made of a course's settings. */
import type { Course } from "../../api/types";

/** Lists of things with an id: each thing is merged for itself. */
const LISTS = ["sections", "styles", "layouts", "variables", "media"] as const;

interface Thing { id: string }

/**
 * Return `mine` and `theirs` together, both made from `base`: what only one has changed is as that
 * one has it, slides and other things that either has added are there. Null where both have changed
 * the same thing to something else, so that somebody must choose.
 */
export function merged(base: Course, mine: Course, theirs: Course): Course | null {
  const result: Record<string, unknown> = { ...theirs };
  const apart = new Set<string>(["slides", "remembered", ...LISTS]);
  for (const name of Object.keys(mine) as (keyof Course)[]) {
    if (apart.has(name)) continue;
    const changed = !same(mine[name], base[name]);
    if (changed && !same(theirs[name], base[name]) && !same(mine[name], theirs[name])) return null;
    if (changed) result[name] = mine[name];
  }
  for (const name of LISTS) {
    const list = mergedList<Thing>(base[name], mine[name], theirs[name]);
    if (!list) return null;
    result[name] = list;
  }
  result.slides = order(base.slides, mine.slides, theirs.slides);
  return result as Course;
}

/** Their list with my changes: what I changed, added or took away. Null where both changed one. */
function mergedList<T extends Thing>(
  base: readonly T[], mine: readonly T[], theirs: readonly T[],
): T[] | null {
  if (same(mine, base)) return [...theirs];
  if (same(theirs, base)) return [...mine];
  const before = new Map(base.map((thing) => [thing.id, thing]));
  const ours = new Map(mine.map((thing) => [thing.id, thing]));
  const result: T[] = [];
  for (const their of theirs) {
    const was = before.get(their.id);
    const our = ours.get(their.id);
    const changedByThem = !was || !same(their, was);
    if (!our) {
      if (was && !changedByThem) continue;
      result.push(their);
    } else if (was && !same(our, was)) {
      if (changedByThem && !same(our, their)) return null;
      result.push(our);
    } else result.push(their);
  }
  const known = new Set(theirs.map((thing) => thing.id));
  const added = mine.filter((thing) => !known.has(thing.id) && changedSince(before.get(thing.id), thing));
  return [...result, ...added];
}

/** Whether a thing is new or changed: what they took away and I left alone stays away. */
function changedSince(was: Thing | undefined, thing: Thing): boolean {
  return !was || !same(was, thing);
}

/** My order, with what they have added after its neighbour, and without what they have deleted. */
function order(
  base: readonly string[], mine: readonly string[], theirs: readonly string[],
): string[] {
  const before = new Set(base);
  const left = new Set(theirs);
  const result = same(mine, base) ? [...theirs] : mine.filter((id) => !before.has(id) || left.has(id));
  theirs.forEach((id, place) => {
    if (before.has(id) || result.includes(id)) return;
    const neighbour = theirs[place - 1];
    result.splice(neighbour === undefined ? 0 : result.indexOf(neighbour) + 1 || result.length, 0, id);
  });
  return result;
}

function same(a: unknown, b: unknown): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}
