/** Numbers and times as people say them. */
import { t } from "../words/kit";
const UNITS: [Intl.RelativeTimeFormatUnit, number][] = [
  ["year", 31_536_000], ["month", 2_592_000], ["week", 604_800], ["day", 86_400],
  ["hour", 3_600], ["minute", 60],
];
const RELATIVE = new Intl.RelativeTimeFormat("en", { numeric: "auto" });

/** Return how long ago a moment (ISO 8601) was, in words. */
export function ago(iso: string): string {
  const seconds = (Date.parse(iso) - Date.now()) / 1000;
  for (const [unit, length] of UNITS) {
    if (Math.abs(seconds) >= length) return RELATIVE.format(Math.round(seconds / length), unit);
  }
  return t("justNow");
}

/** Return a size in bytes as people read it. */
export function bytes(size: number): string {
  if (size < 1_000) return t("sizeBytes", { size });
  if (size < 1_000_000) return t("sizeKb", { size: Math.round(size / 1_000) });
  return t("sizeMb", { size: (size / 1_000_000).toFixed(1) });
}

/** Return a time in ms as people read it. */
export function duration(milliseconds: number): string {
  const seconds = Math.round(milliseconds / 1000);
  if (seconds < 60) return `${seconds} s`;
  const minutes = Math.floor(seconds / 60);
  if (minutes < 60) return t("minutesMinSecondsS", { minutes, seconds: seconds % 60 });
  return t("hoursHMinutesMin", { hours: Math.floor(minutes / 60), minutes: minutes % 60 });
}
