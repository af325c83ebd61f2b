/** Which pieces of a video or audio are played: cut at a place, left out, taken back. */
import type { Piece } from "../../../api/types";
import { isWhole } from "../../../player/engine/pieces";

/** A shorter piece (ms) would be neither seen nor heard. */
const SHORTEST = 100;
const MOST = 50;

/** The pieces as they are kept: none where all is played. */
export function kept(pieces: readonly Piece[], duration: number): Piece[] {
  return isWhole(pieces, duration) ? [] : [...pieces];
}

/** What lies before `ms` is left out; what is left stays as it is where that would be too short. */
export function beginAt(pieces: readonly Piece[], ms: number): Piece[] {
  return or(pieces, pieces.filter(({ until }) => until - ms >= SHORTEST).map(({ since, until }) => ({ since: Math.max(since, ms), until })));
}

/** What lies behind `ms` is left out. */
export function endAt(pieces: readonly Piece[], ms: number): Piece[] {
  return or(pieces, pieces.filter(({ since }) => ms - since >= SHORTEST).map(({ since, until }) => ({ since, until: Math.min(until, ms) })));
}

/** The piece that `ms` lies in becomes two, of which one can be left out. */
export function splitAt(pieces: readonly Piece[], ms: number): Piece[] {
  const inside = ({ since, until }: Piece): boolean => ms - since >= SHORTEST && until - ms >= SHORTEST;
  if (pieces.length >= MOST) return [...pieces];
  return pieces.flatMap((one) => (inside(one) ? [{ since: one.since, until: ms }, { since: ms, until: one.until }] : [one]));
}

/** All but one piece; the last one stays. */
export function without(pieces: readonly Piece[], place: number): Piece[] {
  return or(pieces, pieces.filter((_, at) => at !== place));
}

const or = (before: readonly Piece[], after: Piece[]): Piece[] => (after.length ? after : [...before]);

/** Whether what is played begins or ends with more silence than anybody would leave there. */
export function hasSilence(heard: { since: number; until: number }, pieces: readonly Piece[]): boolean {
  const [first, last] = [pieces[0]?.since ?? 0, pieces.at(-1)?.until ?? 0];
  return heard.since - first >= SHORTEST || last - heard.until >= SHORTEST;
}
