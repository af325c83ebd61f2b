/** A video or audio of which only some pieces are played: as learners see it, there is nothing between them. */
import type { Chapter, Piece } from "../../../api/types";

/** What was played, from the first to the second (ms). */
export type Stretch = readonly [number, number];

/** Where learners see the place `ms` of the file; what is not played is where the next piece begins. */
export function shownAt(pieces: readonly Piece[], ms: number): number {
  return pieces.reduce((sum, { since, until }) => sum + Math.min(Math.max(ms - since, 0), until - since), 0);
}

/** The place of the file that learners see at `shown` (ms); where a piece ends, the next one begins. */
export function placeOf(pieces: readonly Piece[], shown: number): number {
  let before = 0;
  for (const { since, until } of pieces) {
    if (shown < before + until - since) return since + Math.max(shown - before, 0);
    before += until - since;
  }
  return pieces.at(-1)?.until ?? 0;
}

/** What learners see of stretches of the file. */
export function shownOf(pieces: readonly Piece[], stretches: readonly Stretch[]): Stretch[] {
  const found: [number, number][] = [];
  for (const [since, until] of stretches) {
    const [from, to] = [shownAt(pieces, since), shownAt(pieces, until)];
    const last = found.at(-1);
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else if (to > from) found.push([from, to]);
  }
  return found;
}

/** The chapters of which something is played, where learners see them begin. */
export function seenChapters(chapters: readonly Chapter[], pieces: readonly Piece[]): Chapter[] {
  return chapters.flatMap(({ since, name }, place) => {
    const [from, to] = [shownAt(pieces, since), shownAt(pieces, chapters[place + 1]?.since ?? Infinity)];
    return to > from ? [{ since: from, name }] : [];
  });
}
