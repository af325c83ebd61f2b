/** Putting together what two windows have made of a course's settings. */
import type { Course } from "../../api/types";

/**
 * Return `mine` and `theirs` together, both made from `base`: what only one has changed is as that
 * one has it, slides and media that either has added are there. Null where both have changed the
 * same thing to something else, so that somebody must choose.
 */
export function merged(base: Course, mine: Course, theirs: Course): Course | null {
  const result: Record<string, unknown> = { ...theirs };
  for (const name of Object.keys(mine) as (keyof Course)[]) {
    if (name === "slides" || name === "media" || name === "remembered") continue;
    const changed = !same(mine[name], base[name]);
    if (changed && !same(theirs[name], base[name]) && !same(mine[name], theirs[name])) return null;
    if (changed) result[name] = mine[name];
  }
  result.slides = order(base.slides, mine.slides, theirs.slides);
  const known = new Set(theirs.media.map((file) => file.id));
  result.media = [...theirs.media, ...mine.media.filter((file) => !known.has(file.id))];
  return result as Course;
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
