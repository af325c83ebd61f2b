/** The time axis of a slide or of one of its overlays: its rows, and what is done with its cues. */
import { DEFAULTS } from "../../api/defaults";
import type { Cue, Element, Overlay, Slide, Timing } from "../../api/types";
import { freshId } from "../store/ids";
import { t } from "../../words/timing";

/** How long an audio or video lasts, in ms, by the element that plays it. */
export type Durations = (element: Element) => number;

/** A cue as a bar: from `at` to `until` ms; `open` where it lasts to the end of the axis. */
export interface Bar { cue: Cue; at: number; until: number; open: boolean }
export interface TimeRow { id: string; name: string; bars: Bar[] }

const SHORTEST_AXIS = 5_000;
const LONGEST = 3_600_000;
/** Cues are set to tenths of a second, unless they hold on to something or are typed. */
const STEP = 100;

/** The timing of the overlay, or of the slide where none is edited. */
export function timingOf(slide: Slide, overlay: Overlay | null): Timing {
  return (overlay ?? slide).timing;
}

/** The slide with another timing, of itself or of its overlay. */
export function withTiming(slide: Slide, overlay: Overlay | null, timing: Timing): Slide {
  if (!overlay) return { ...slide, timing };
  return { ...slide, overlays: slide.overlays.map((o) => (o.id === overlay.id ? { ...o, timing } : o)) };
}

/** When the timing ends: at its length, or with its last cue. */
export function endOf(timing: Timing): number {
  return Math.max(timing.length, 0, ...timing.cues.map((cue) => cue.until ?? cue.at));
}

/** How much time the axis shows: somewhat more than there is. */
export function axisOf(timing: Timing, bars: readonly Bar[] = []): number {
  const end = Math.max(endOf(timing), ...bars.filter((bar) => !bar.open).map((bar) => bar.until));
  return Math.max(end * 1.15, SHORTEST_AXIS);
}

/** Moments first, then a row for each element that has cues, in running order. */
export function rowsOf(slide: Slide, timing: Timing, durations: Durations): TimeRow[] {
  const end = Math.max(endOf(timing), SHORTEST_AXIS);
  const bar = (cue: Cue): Bar => {
    const element = slide.elements.find(({ id }) => id === cue.what);
    const lasts = lastsFor(cue, element, durations);
    return { cue, at: cue.at, until: lasts === null ? Math.max(end, cue.at + STEP) : cue.at + lasts, open: lasts === null };
  };
  const rows: TimeRow[] = [];
  const moments = timing.cues.filter((cue) => cue.does === "moment");
  if (moments.length) rows.push({ id: "moments", name: t("timeMarks"), bars: moments.map(bar) });
  for (const element of slide.elements) {
    const cues = timing.cues.filter((cue) => cue.does !== "moment" && cue.what === element.id);
    if (cues.length) rows.push({ id: element.id, name: element.name, bars: cues.map(bar) });
  }
  return rows;
}

/** How long a cue lasts, in ms; null where it has no end of its own. */
function lastsFor(cue: Cue, element: Element | undefined, durations: Durations): number | null {
  switch (cue.does) {
    case "moment": return 0;
    case "appear": return cue.until != null && cue.until > cue.at ? cue.until - cue.at : null;
    case "move": {
      const move = element?.moves.find(({ id }) => id === cue.move);
      return move ? (move.times ? move.times * move.duration : null) : 0;
    }
    case "play": return element ? durations(element) || null : 0;
  }
}

/** A cue at `at` ms. */
export function newCue(does: Cue["does"], what: string | null, at: number, more: Partial<Cue> = {}): Cue {
  return { ...DEFAULTS.Cue, id: freshId(), does, what, at: whole(at), ...more };
}

/** The timing with a cue changed; its end never comes before its beginning. */
export function withCue(timing: Timing, id: string, change: Partial<Cue>): Timing {
  return {
    ...timing,
    cues: timing.cues.map((cue) => {
      if (cue.id !== id) return cue;
      // Set to another time it is no longer set to a word.
      const next = { ...cue, ...("at" in change && !("word" in change) ? { word: null } : {}), ...change };
      const at = whole(next.at);
      const until = next.until == null ? null : Math.max(whole(next.until), at + 1);
      return { ...next, at, until };
    }),
  };
}

/** The timing without one of its cues. */
export function withoutCue(timing: Timing, id: string): Timing {
  return { ...timing, cues: timing.cues.filter((cue) => cue.id !== id) };
}

/** A cue moved by `by` ms: all of it, or only one of its ends. */
export function moved(cue: Cue, by: number, part: "all" | "at" | "until"): Partial<Cue> {
  if (part === "until") return { until: whole((cue.until ?? cue.at) + by) };
  if (part === "at") return { at: Math.min(whole(cue.at + by), (cue.until ?? Infinity) - 1) };
  const step = Math.max(by, -cue.at);
  return { at: whole(cue.at + step), ...(cue.until == null ? {} : { until: whole(cue.until + step) }) };
}

/** What a time snaps to: the ends of other cues, the moment looked at, the end; else tenths. */
export function snapped(time: number, others: readonly number[], reach: number): number {
  const near = others.reduce<number | null>((best, other) => (
    Math.abs(other - time) <= reach && (best === null || Math.abs(other - time) < Math.abs(best - time)) ? other : best
  ), null);
  return near ?? Math.round(time / STEP) * STEP;
}

/** The times, in ms, that a dragged cue snaps to. */
export function edgesOf(timing: Timing, without: string, now: number | null): number[] {
  const edges = timing.cues.filter((cue) => cue.id !== without).flatMap((cue) => [cue.at, ...(cue.until == null ? [] : [cue.until])]);
  return [0, ...edges, ...(timing.length ? [timing.length] : []), ...(now === null ? [] : [now])];
}

/** Ticks for a scale of `pixels` per second: neither crowded nor rare. */
export function ticksOf(span: number, pixels: number): { every: number; at: number[] } {
  const every = [100, 200, 500, 1_000, 2_000, 5_000, 10_000, 30_000, 60_000].find((ms) => (ms / 1000) * pixels >= 52) ?? 60_000;
  return { every, at: Array.from({ length: Math.floor(span / every) + 1 }, (_, n) => n * every) };
}

/** A time in words: minutes and seconds, to a tenth. */
export function inSeconds(ms: number): string {
  const minutes = Math.floor(ms / 60_000);
  const rest = (ms % 60_000) / 1000;
  return minutes ? `${minutes}:${rest.toFixed(1).padStart(4, "0")}` : `${rest.toFixed(1)} s`;
}

/** A cue in words, for the list, for screen readers and for rules that wait for it. */
export function cueWords(cue: Cue, name: (id: string) => string): string {
  const what = cue.what ? name(cue.what) : "";
  switch (cue.does) {
    case "appear": return cue.until == null ? t("whatAppearsAtAt", { what, at: inSeconds(cue.at) }) : t("whatAppearsAtAtLeaves", { what, at: inSeconds(cue.at), until: inSeconds(cue.until) });
    case "move": return t("whatMovesAtInseconds", { what, inSeconds: inSeconds(cue.at) });
    case "play": return t("whatPlaysFromInseconds", { what, inSeconds: inSeconds(cue.at) });
    case "moment": return t("nameAtInseconds", { name: cue.name || t("timeMark"), inSeconds: inSeconds(cue.at) });
  }
}

const whole = (ms: number): number => Math.round(Math.min(Math.max(ms, 0), LONGEST));
