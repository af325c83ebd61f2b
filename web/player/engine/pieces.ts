/** What of a video or audio is played: pieces of its file. All times are in ms. */
import type { Piece } from "../../api/types";

/** The pieces that are played of a file of `duration`: all of it where none is named that is there. */
export function playedOf(pieces: readonly Piece[], duration: number): Piece[] {
  const there = pieces.filter(({ since }) => since < duration).map(({ since, until }) => ({ since, until: Math.min(until, duration) }));
  return there.length ? there : [{ since: 0, until: duration }];
}

/** How long all pieces are. */
export function lengthOf(pieces: readonly Piece[]): number {
  return pieces.reduce((sum, { since, until }) => sum + until - since, 0);
}

/** Whether all of the file is played. */
export function isWhole(pieces: readonly Piece[], duration: number): boolean {
  const [only] = pieces;
  return pieces.length === 1 && only?.since === 0 && only.until >= duration;
}
