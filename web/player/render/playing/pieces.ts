/** A video or audio of which only some pieces are played: as learners see it, there is nothing between them. */
import type { Chapter } from "../../../api/types";

export type Stretch = readonly [number, number];

/** How long (ms) all pieces are. */
export function lengthOf(pieces: readonly Stretch[]): number {
  return pieces.reduce((sum, [since, until]) => sum + until - since, 0);
}

/** Where learners see the place `ms` of the file; what is not played is where the next piece begins. */
export function shownAt(pieces: readonly Stretch[], ms: number): number {
  return pieces.reduce((sum, [since, until]) => sum + Math.min(Math.max(ms - since, 0), until - since), 0);
}

/** The place of the file that learners see at `shown` (ms); where a piece ends, the next one begins. */
export function placeOf(pieces: readonly Stretch[], shown: number): number {
  let before = 0;
  for (const [since, until] of pieces) {
    if (shown < before + until - since) return since + Math.max(shown - before, 0);
    before += until - since;
  }
  return pieces.at(-1)?.[1] ?? 0;
}

/** What learners see of stretches of the file. */
export function shownOf(pieces: readonly Stretch[], stretches: readonly Stretch[]): Stretch[] {
  const found: [number, number][] = [];
  for (const [since, until] of stretches) {
    const [from, to] = [shownAt(pieces, since), shownAt(pieces, until)];
    const last = found.at(-1);
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else if (to > from) found.push([from, to]);
  }
  return found;
}

/** Whether all of the file is played. */
export function isWhole(pieces: readonly Stretch[], duration: number): boolean {
  return pieces.length === 1 && pieces[0]?.[0] === 0 && pieces[0][1] >= duration;
}

/** The chapters of which something is played, where learners see them begin. */
export function seenChapters(chapters: readonly Chapter[], pieces: readonly Stretch[]): Chapter[] {
  return chapters.flatMap(({ since, name }, place) => {
    const [from, to] = [shownAt(pieces, since), shownAt(pieces, chapters[place + 1]?.since ?? Infinity)];
    return to > from ? [{ since: from, name }] : [];
  });
}
