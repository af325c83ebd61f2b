/** What the learner does, and what videos and audio report. The twin of `engine/learner.py`. */
import { LIMITS } from "../../api/tables";
import type { Element } from "../../api/types";
import { atHand } from "./atHand";
import { middle } from "./geometry";
import { openOverlay } from "./moving";
import { without, type Run } from "./run";
import type { Offset, Stretch } from "./state";
import { admitted, number, toNumber, type Value } from "./values";
import { own } from "./own";


/** The learner clicks an element, if it is at hand; the sets that it is in may be seen in full. */
export function click(run: Run, element: string): void {
  if (!atHand(run, element)) return;
  const before = run.state.clicked;
  run.update({ clicked: before.with(element) });
  run.raised("clicked", element);
  if (before.has(element)) return;
  for (const seen of run.index.setsOf.get(element) ?? []) {
    if (seen.of.every((other) => run.state.clicked.has(other))) run.raised("all_seen", seen.id);
  }
}

/** The learner points at an element, or `away` from it. */
export function point(run: Run, element: string, away: boolean): void {
  if (atHand(run, element)) run.raised(away ? "pointed_away" : "pointed_at", element);
}

/** The learner clicks an element twice, if it is at hand. */
export function doubleClick(run: Run, element: string): void {
  if (atHand(run, element)) run.raised("double_clicked", element);
}

/** The learner presses a key (as in `KeyboardEvent.key`): overlays hear of it before the slide. */
export function pressKey(run: Run, key: string): void {
  let blocked = false;
  for (const overlay of [...run.state.overlays].reverse()) {
    run.raised("key_pressed", overlay, key);
    if (run.index.overlays.get(overlay)?.blocks) {
      blocked = true;
      break;
    }
  }
  if (!blocked) run.raised("key_pressed", run.state.slide ?? "", key);
  run.raised("key_pressed", "course", key);
}

/** Keep what was entered, as far as the input and its variable can hold it. */
export function enterValue(run: Run, element: string, value: Value): void {
  if (!atHand(run, element)) return;
  const found = run.index.elements.get(element);
  let name: string | null | undefined;
  let kept: Value;
  if (found?.control === "wiper") {
    name = found.variable;
    kept = Math.min(Math.max(toNumber(value), 0), 100);
  } else if (found?.draw.kind === "input") {
    name = found.draw.variable;
    kept = admitted(found.draw, value);
  } else return;
  if (!name || !run.index.variables.has(name)) return;
  const before = own(run.state.variables, name);
  run.setVariable(name, kept);
  if (own(run.state.variables, name) !== before) run.raised("entered", element);
}

/** An element is dropped at an offset (px) from its place, on a target or not. */
export function drop(run: Run, element: string, on: string | null, x: number, y: number): void {
  if (!atHand(run, element)) return;
  const draw = run.index.elements.get(element)?.draw;
  const drag = draw?.drag;
  if (!draw || !drag) return;
  const hit = on !== null && drag.targets.includes(on) && atHand(run, on, false) ? on : null;
  const at: Offset = [number(x), number(y)];
  const offset = hit !== null ? onTarget(run, draw, hit, at) : drag.elsewhere === "return" ? null : at;
  lie(run, element, offset, drag.on_target === "return" ? null : hit);
  if (hit === null) return run.raised("dropped_elsewhere", element);
  if (drag.on_target === "overlay") {
    run.update({ hidden: { ...run.state.hidden, [element]: true } });
    openOverlay(run, drag.overlay ?? "");
  }
  run.raised("dropped", element, hit);
}

/** An element lies at an offset from its place (null: at its place), on a target or on none. */
function lie(run: Run, element: string, offset: Offset | null, on: string | null): void {
  const isIt = (name: string): boolean => name === element;
  const offsets = without(run.state.offsets, isIt);
  const dropped = without(run.state.dropped, isIt);
  if (offset) offsets[element] = offset;
  if (on !== null) dropped[element] = on;
  run.update({ offsets, dropped, moves: without(run.state.moves, isIt) });
}

/** Where an element that is dropped on a target at the offset `at` goes; null: back to its place. */
function onTarget(run: Run, draw: Element, target: string, at: Offset): Offset | null {
  switch (draw.drag?.on_target) {
    case "snap": return middle(run.index, run.state, target, draw.id);
    case "place": return [number(draw.drag.x - draw.x), number(draw.drag.y - draw.y)];
    case "return": return null;
    default: return at;
  }
}

/** A video or sound of the slide has *started*, *paused* or *ended*. */
export function mediaEvent(run: Run, element: string, what: string): void {
  if (run.index.home.get(element) === run.state.slide && ["started", "paused", "ended"].includes(what)) {
    if (what === "ended") {
      const { [element]: _, ...positions } = run.state.positions;
      run.update({ positions });
    }
    run.raised(`media_${what}`, element);
  }
}

/** A video or audio really played: seeking does not count. Gives the stretch, if it is one on the slide that is shown. */
export function played(run: Run, element: string, from: number, to: number): Stretch | null {
  if (run.index.home.get(element) !== run.state.slide) return null;
  const since = Math.max(Math.trunc(from), 0);
  const until = Math.trunc(to);
  if (until - since <= 0 || until - since > LIMITS.longest_stretch) return null;
  run.update({ positions: { ...run.state.positions, [element]: until } });
  const before = own(run.state.watched, element) ?? [];
  const watched = merged(before, since, until);
  if (run.index.keepsWatched(element) && JSON.stringify(watched) !== JSON.stringify(before)) {
    run.update({ watched: { ...run.state.watched, [element]: watched } });
  }
  for (const moment of run.index.mediaMoments.get(element) ?? []) {
    if (since <= moment && moment < until) run.raised("media_reached", element, String(moment));
  }
  return [since, until];
}

function merged(stretches: readonly Stretch[], since: number, until: number): Stretch[] {
  const apart = stretches.filter((s) => s[1] < since || s[0] > until);
  const touched = stretches.filter((s) => s[1] >= since && s[0] <= until);
  const whole: Stretch = [
    Math.min(since, ...touched.map((s) => s[0])), Math.max(until, ...touched.map((s) => s[1])),
  ];
  return [...apart, whole].sort((a, b) => a[0] - b[0]);
}
