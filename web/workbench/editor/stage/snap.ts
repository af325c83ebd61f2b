/** Snapping while dragging: to edges, centres, guides, the grid, and to gaps that are equal. */
import { overlaps, type Box } from "./geometry";

/** A line to align with; `from` and `to` are its ends along the other axis. */
interface Target { at: number; from: number; to: number }

export interface Targets {
  down: readonly Target[];
  across: readonly Target[];
  boxes: readonly Box[];
  grid: number | null;
}

/** What is shown while something snaps: a line that it lies on, or a gap with its px. */
export interface SnapGuide {
  axis: "x" | "y";
  at: number;
  from: number;
  to: number;
  /** The gap in px that the line measures; absent for a line that is aligned with. */
  gap?: number;
}

export interface Snapped { dx: number; dy: number; guides: SnapGuide[] }

/** Everything that may be aligned with: the slide, the guides, the boxes at rest. */
export function targetsOf(
  boxes: readonly Box[], size: { w: number; h: number },
  guides: { across: readonly number[]; down: readonly number[] }, grid: number | null,
): Targets {
  const whole = { x: 0, y: 0, ...size };
  const down: Target[] = guides.down.map((at) => ({ at, from: 0, to: size.h }));
  const across: Target[] = guides.across.map((at) => ({ at, from: 0, to: size.w }));
  for (const { x, y, w, h } of [whole, ...boxes]) {
    for (const at of [x, x + w / 2, x + w]) down.push({ at, from: y, to: y + h });
    for (const at of [y, y + h / 2, y + h]) across.push({ at, from: x, to: x + w });
  }
  return { down, across, boxes, grid };
}

/** How far `box` has to go to hold on what is within `reach` px, on each axis for itself. */
export function snapMove(box: Box, targets: Targets, reach: number): Snapped {
  const x = nearest([box.x, box.x + box.w / 2, box.x + box.w], targets.down, reach);
  const y = nearest([box.y, box.y + box.h / 2, box.y + box.h], targets.across, reach);
  const gapX = x === null ? nearestGap(box, targets.boxes, reach, "x") : null;
  const gapY = y === null ? nearestGap(box, targets.boxes, reach, "y") : null;
  const dx = x ?? gapX ?? onGrid(box.x, targets.grid, reach);
  const dy = y ?? gapY ?? onGrid(box.y, targets.grid, reach);
  const moved = { ...box, x: box.x + dx, y: box.y + dy };
  return { dx, dy, guides: [...lines(moved, targets), ...gaps(moved, targets.boxes)] };
}

/** The same for edges that are being moved: `edges` says which of the box's sides these are. */
export function snapEdges(
  box: Box, edges: { dx: -1 | 0 | 1; dy: -1 | 0 | 1 }, targets: Targets, reach: number,
): Snapped {
  const side = edges.dx < 0 ? box.x : box.x + box.w;
  const level = edges.dy < 0 ? box.y : box.y + box.h;
  const dx = edges.dx ? nearest([side], targets.down, reach) ?? onGrid(side, targets.grid, reach) : 0;
  const dy = edges.dy ? nearest([level], targets.across, reach) ?? onGrid(level, targets.grid, reach) : 0;
  const moved = {
    x: edges.dx < 0 ? box.x + dx : box.x, y: edges.dy < 0 ? box.y + dy : box.y,
    w: box.w + dx * edges.dx, h: box.h + dy * edges.dy,
  };
  return { dx, dy, guides: lines(moved, targets) };
}

function nearest(positions: readonly number[], targets: readonly Target[], reach: number): number | null {
  let best: number | null = null;
  for (const position of positions) {
    for (const { at } of targets) {
      const by = at - position;
      if (Math.abs(by) <= reach && (best === null || Math.abs(by) < Math.abs(best))) best = by;
    }
  }
  return best;
}

function onGrid(position: number, grid: number | null, reach: number): number {
  if (!grid) return 0;
  const by = Math.round(position / grid) * grid - position;
  return Math.abs(by) <= Math.max(reach, grid / 2) ? by : 0;
}

const AXES = {
  x: { start: "x", length: "w", cross: "y", breadth: "h" },
  y: { start: "y", length: "h", cross: "x", breadth: "w" },
} as const;

/** The boxes beside `box` along an axis, those before it and those after it, the nearest first. */
function beside(box: Box, boxes: readonly Box[], axis: "x" | "y"): [before: Box[], after: Box[]] {
  const { start, length } = AXES[axis];
  const band = { ...box, [start]: -1e6, [length]: 2e6 };
  const row = boxes.filter((other) => overlaps(band, other));
  const before = row.filter((other) => other[start] + other[length] <= box[start] + 1)
    .sort((a, b) => b[start] + b[length] - a[start] - a[length]);
  const after = row.filter((other) => other[start] >= box[start] + box[length] - 1)
    .sort((a, b) => a[start] - b[start]);
  return [before, after];
}

/** The way to where the gaps beside `box` are equal: to both sides, or to the next gap on one. */
function nearestGap(box: Box, boxes: readonly Box[], reach: number, axis: "x" | "y"): number | null {
  const { start, length } = AXES[axis];
  const [before, after] = beside(box, boxes, axis);
  const end = (other: Box): number => other[start] + other[length];
  const positions: number[] = [];
  const [left, beyondLeft] = before;
  const [right, beyondRight] = after;
  if (left && right) positions.push((end(left) + right[start] - box[length]) / 2);
  if (left && beyondLeft) positions.push(end(left) + left[start] - end(beyondLeft));
  if (right && beyondRight) positions.push(right[start] - (beyondRight[start] - end(right)) - box[length]);
  let best: number | null = null;
  for (const position of positions) {
    const by = Math.round(position) - box[start];
    if (Math.abs(by) <= reach && (best === null || Math.abs(by) < Math.abs(best))) best = by;
  }
  return best;
}

/** The lines on which the moved box lies now. */
function lines(box: Box, targets: Targets): SnapGuide[] {
  const found: SnapGuide[] = [];
  const add = (axis: "x" | "y", positions: number[], among: readonly Target[], low: number, high: number): void => {
    for (const position of positions) {
      const on = among.filter(({ at }) => Math.abs(at - position) < 0.01);
      if (!on.length) continue;
      found.push({
        axis, at: position, from: Math.min(low, ...on.map(({ from }) => from)),
        to: Math.max(high, ...on.map(({ to }) => to)),
      });
    }
  };
  add("x", [box.x, box.x + box.w / 2, box.x + box.w], targets.down, box.y, box.y + box.h);
  add("y", [box.y, box.y + box.h / 2, box.y + box.h], targets.across, box.x, box.x + box.w);
  return found;
}

/** The gaps between the moved box and its neighbours; equal ones beyond them are shown as well. */
function gaps(box: Box, boxes: readonly Box[]): SnapGuide[] {
  return (["x", "y"] as const).flatMap((axis) => {
    const { start, length, cross, breadth } = AXES[axis];
    const end = (other: Box): number => other[start] + other[length];
    const [before, after] = beside(box, boxes, axis);
    const found = [
      ...gapsOnOneSide(box, before, (near, far) => [end(far), near[start]]),
      ...gapsOnOneSide(box, after, (near, far) => [end(near), far[start]]),
    ];
    const at = box[cross] + box[breadth] / 2;
    return found.filter(([from, to]) => to - from >= 1).map(([from, to]): SnapGuide => (
      { axis: axis === "x" ? "y" : "x", at, from, to, gap: Math.round(to - from) }));
  });
}

type Gap = readonly [from: number, to: number];

/** The gap from `box` to its neighbour on one side, and the next one if it is as large. */
function gapsOnOneSide(box: Box, [next, beyond]: readonly Box[], between: (near: Box, far: Box) => Gap): Gap[] {
  if (!next) return [];
  const gap = between(box, next);
  if (!beyond) return [gap];
  const other = between(next, beyond);
  return same(other[1] - other[0], gap[1] - gap[0]) ? [gap, other] : [gap];
}

function same(a: number, b: number): boolean {
  return Math.abs(a - b) < 1;
}
