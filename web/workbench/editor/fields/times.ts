/** Times in a video or audio, as they are written. */

/** A time such as `1:05` or `0:07.25`. */
export function clock(ms: number): string {
  const [hours, minutes, seconds] = [Math.floor(ms / 3_600_000), Math.floor(ms / 60_000) % 60, (ms % 60_000) / 1000];
  const rest = `${seconds < 10 ? "0" : ""}${Number(seconds.toFixed(3))}`;
  return hours ? `${hours}:${String(minutes).padStart(2, "0")}:${rest}` : `${minutes}:${rest}`;
}

/** The ms of a time in its parts, as digits. */
export function msOf(hours: string, minutes: string, seconds: string): number {
  return Math.round((Number(hours) * 3_600 + Number(minutes) * 60 + Number(seconds.replace(",", "."))) * 1000);
}

/** The ms of a time such as `1:05`, `7` or `0:07.25`; null where it is none. */
export function timeIn(text: string): number | null {
  const read = /^\s*(?:(?:(\d{1,3}):)?(\d{1,4}):)?(\d{1,4}(?:[.,]\d{1,3})?)\s*$/.exec(text);
  if (!read) return null;
  const [, hours = "0", minutes = "0", seconds = "0"] = read;
  return msOf(hours, minutes, seconds);
}
