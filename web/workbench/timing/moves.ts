/** Moves along a path: making them, drawing them freely, changing their points. */
import { DEFAULTS } from "../../api/defaults";
import simplify from "simplify-js";
import { create } from "zustand";
import type { Element, Move } from "../../api/types";
import { freshId } from "../store/ids";
import { freeName } from "../store/names";
import { removeThing } from "../store/commands";
import { changeElements } from "../store/store";
import { t } from "../../words/timing";

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
  return { ...DEFAULTS.Move, id: freshId(), name: freeName(t("move"), taken.map(({ name }) => name)), path: [{ x: 240, y: 0 }] };
}

/** Add a move to an element, and choose it. */
export function addMove(element: Element): void {
  const move = newMove(element.moves);
  changeElements(t("addMove"), [element.id], (e) => ({ ...e, moves: [...e.moves, move] }));
  useMoving.setState({ element: element.id, move: move.id, drawing: false });
}

/** Set fields of a move. */
export function changeMove(element: string, id: string, change: Partial<Move>, label = t("changeMove")): void {
  changeElements(label, [element], (e) => ({
    ...e, moves: e.moves.map((move) => (move.id === id ? { ...move, ...change } : move)),
  }), `move-${id}-${Object.keys(change).join()}`);
}

/** Remove a move, and what runs it. */
export function removeMove(element: string, id: string): void {
  void removeThing(t("removeMove"), { kind: "move", id }, (slide) => ({
    ...slide, elements: slide.elements.map((e) => (
      e.id === element ? { ...e, moves: e.moves.filter((move) => move.id !== id) } : e)),
  }));
  useMoving.setState({ element: null, move: null, drawing: false });
}

/** A drawn line with as few points as keep its shape: none further than `slack` px from it (Douglas and Peucker). */
export function simplified(line: readonly Point[], slack: number): Point[] {
  return simplify([...line], slack, true);
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
