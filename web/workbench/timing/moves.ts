/** Moves along a path: making them, drawing them freely, changing their points. */
import { DEFAULTS } from "../../api/defaults";
import { create } from "zustand";
import type { Element, Move } from "../../api/types";
import { freshId } from "../store/ids";
import { freeName } from "../store/names";
import { removeThing } from "../store/commands";
import { changeElements } from "../store/store";

export interface Point { x: number; y: number }

interface Moving {
  element: string | null;
  move: string | null;
  /** The next drag over the slide draws the path. */
  drawing: boolean;
}

/** The move whose path is seen on the slide. */
export const useMoving = create<Moving>(() => ({ element: null, move: null, drawing: false }));

const MOST_POINTS = 60;
const MOST_DRAWN = 400;

function newMove(taken: readonly Move[]): Move {
  return { ...DEFAULTS.Move, id: freshId(), name: freeName("Move", taken.map(({ name }) => name)), path: [{ x: 240, y: 0 }] };
}

export function addMove(element: Element): void {
  const move = newMove(element.moves);
  changeElements("Add move", [element.id], (e) => ({ ...e, moves: [...e.moves, move] }));
  useMoving.setState({ element: element.id, move: move.id, drawing: false });
}

export function changeMove(element: string, id: string, change: Partial<Move>, label = "Change move"): void {
  changeElements(label, [element], (e) => ({
    ...e, moves: e.moves.map((move) => (move.id === id ? { ...move, ...change } : move)),
  }), `move-${id}-${Object.keys(change).join()}`);
}

export function removeMove(element: string, id: string): void {
  void removeThing("Remove move", { kind: "move", id }, (slide) => ({
    ...slide, elements: slide.elements.map((e) => (
      e.id === element ? { ...e, moves: e.moves.filter((move) => move.id !== id) } : e)),
  }));
  useMoving.setState({ element: null, move: null, drawing: false });
}

/** A drawn line with as few points as keep its shape: none further than `slack` px from it (Douglas and Peucker). */
export function simplified(line: readonly Point[], slack: number): Point[] {
  const first = line[0];
  const last = line.at(-1);
  if (!first || !last || line.length < 3) return [...line];
  let far = 0;
  let place = 0;
  line.forEach((point, n) => {
    const away = distance(point, first, last);
    if (away > far) [far, place] = [away, n];
  });
  if (far <= slack) return [first, last];
  return [...simplified(line.slice(0, place + 1), slack), ...simplified(line.slice(place), slack).slice(1)];
}

/** The drawn line as the path of a move, which begins at the line's beginning. */
export function pathOf(line: readonly Point[]): Point[] {
  const first = line[0];
  if (!first) return [];
  // A hand gives a point every few milliseconds: some hundreds say as much.
  const every = Math.ceil(line.length / MOST_DRAWN);
  const thin = line.filter((_, n) => n % every === 0 || n === line.length - 1);
  let slack = 3;
  let points = simplified(thin, slack);
  while (points.length > MOST_POINTS) points = simplified(thin, slack *= 1.5);
  return points.slice(1).map(({ x, y }) => ({ x: Math.round(x - first.x), y: Math.round(y - first.y) }));
}

function distance({ x, y }: Point, from: Point, to: Point): number {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const length = Math.hypot(dx, dy);
  if (!length) return Math.hypot(x - from.x, y - from.y);
  const along = Math.min(Math.max(((x - from.x) * dx + (y - from.y) * dy) / length ** 2, 0), 1);
  return Math.hypot(x - from.x - along * dx, y - from.y - along * dy);
}
