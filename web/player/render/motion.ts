/** Moves along a path, as keyframes for the browser. */
import { useEffect, useRef, type RefObject } from "react";
import type { Element, Move } from "../../api/types";
import { middle } from "../engine/geometry";
import { own } from "../engine/own";
import type { Index } from "../engine/program";
import type { State } from "../engine/state";
import { useActing } from "./acting";

const prefersStill = (): boolean => window.matchMedia("(prefers-reduced-motion: reduce)").matches;

type Point = readonly [number, number];

/** Play the move that an element is on, from where the run's time says it is. */
export function useMove(box: RefObject<HTMLElement | null>, element: Element, state: State): void {
  const { index } = useActing();
  const [name, since, x, y] = own(state.moves, element.id) ?? [null, 0, 0, 0];
  const { paused, speed } = state;
  const stood = useRef<{ name: string | null; since: number; time: number; at: number } | null>(null);
  useEffect(() => {
    const move = element.moves.find(({ id }) => id === name);
    if (!box.current || !move || prefersStill()) return;
    // A move that was stopped, or changed its speed, goes on from where it was.
    const before = stood.current;
    const goesOn = before?.name === name && before.since === since && before.time <= state.time;
    const passed = goesOn ? before.at : (state.time - since) * (speed / 100);
    const playing = box.current.animate(
      path(move, [x, y], ending(index, state, element, move)).map(([x, y]) => ({ translate: `${x}px ${y}px` })),
      { duration: move.duration, easing: move.easing, iterations: move.times || Infinity },
    );
    playing.currentTime = passed;
    playing.playbackRate = speed / 100;
    if (paused) playing.pause();
    return () => {
      stood.current = { name, since, time: state.time, at: Number(playing.currentTime ?? 0) };
      playing.cancel();
    };
    // The time is only read when a move begins; the browser goes on from there.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [box, element, name, since, paused, speed]);
}

/** The places of a move from where it begins; a curve goes through them all. One *to* something ends at `end`. */
export function path(move: Move, from: Point = [0, 0], end: Point | null = null): Point[] {
  const [left, top] = move.goes === "by" ? from : [0, 0];
  const points: Point[] = move.goes === "to" ? [from, end ?? from]
    : [from, ...move.path.map(({ x, y }): Point => [left + x, top + y])];
  return move.curved && points.length > 2 ? curve(points) : points;
}

/** Where a move *to* something ends: kept by the run, but for a move without end. */
function ending(index: Index, state: State, { id }: Element, { to, times }: Move): Point | null {
  if (times) return own(state.offsets, id) ?? null;
  return to ? middle(index, state, to, id) : null;
}

const BETWEEN = 12;

/** Catmull and Rom's curve through `points`. */
function curve(points: readonly Point[]): Point[] {
  const at = (index: number): Point => points[Math.min(Math.max(index, 0), points.length - 1)] as Point;
  const found: Point[] = [at(0)];
  for (let index = 0; index < points.length - 1; index++) {
    const [p0, p1, p2, p3] = [at(index - 1), at(index), at(index + 1), at(index + 2)];
    for (let step = 1; step <= BETWEEN; step++) {
      const t = step / BETWEEN;
      const part = (axis: 0 | 1): number => 0.5 * (2 * p1[axis] + (p2[axis] - p0[axis]) * t
        + (2 * p0[axis] - 5 * p1[axis] + 4 * p2[axis] - p3[axis]) * t * t
        + (3 * p1[axis] - p0[axis] - 3 * p2[axis] + p3[axis]) * t * t * t);
      found.push([part(0), part(1)]);
    }
  }
  return found;
}

/** Whether anything on the slide moves for longer than five seconds, or for ever. */
export function movesLong(elements: readonly Element[]): boolean {
  return elements.some((element) => element.pulse !== "none"
    || element.moves.some((move) => !move.times || move.times * move.duration > 5_000));
}
