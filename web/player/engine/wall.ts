/** What a clock on the wall shows during a run. The twin of `engine/wall.py`. */
import { LIMITS } from "../../api/tables";
import type { State } from "./state";

/** The seconds since 1970 (UTC); 0 where nobody has told them. */
export function now({ epoch, time }: State): number {
  return epoch ? Math.floor((epoch + time) / 1_000) : 0;
}

/** The epoch and zone of a state for which it is now `seconds` since 1970. */
export function setTo({ time }: State, seconds: number, zone: number): Pick<State, "epoch" | "zone"> {
  const known = Number.isFinite(seconds) && seconds > 0 && seconds <= LIMITS.last_second;
  const there = Number.isFinite(zone) && Math.abs(zone) <= LIMITS.farthest_zone;
  return { epoch: known ? Math.trunc(seconds) * 1_000 - time : 0, zone: there ? Math.trunc(zone) : 0 };
}

/** The day at the learner's place, as in ISO 8601; empty where it is not known. */
export function day({ zone }: State, seconds: number): string {
  return seconds ? new Date((seconds + zone * 60) * 1_000).toISOString().slice(0, 10) : "";
}
