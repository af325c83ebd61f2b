/** The outlines of drawn figures, as SVG paths in px of the element's box. */
import type { ShapeElement } from "../../api/types";

type Point = readonly [number, number];

interface Flips { flip_x: boolean; flip_y: boolean }

/** Corners given in shares of the box, in px, mirrored as the element is. */
export function corners(
  points: readonly { x: number; y: number }[], w: number, h: number, { flip_x, flip_y }: Flips,
): Point[] {
  return points.map(({ x, y }) => [(flip_x ? 1 - x : x) * w, (flip_y ? 1 - y : y) * h]);
}

/** A polygon as the path of an SVG; points in px. */
export function polygonPath(points: readonly Point[]): string {
  return `M${points.map(([x, y]) => `${round(x)} ${round(y)}`).join(" L")} Z`;
}

/** A polygon as a CSS clip path; points in px. */
export function clipPolygon(points: readonly Point[]): string {
  return `polygon(${points.map(([x, y]) => `${round(x)}px ${round(y)}px`).join(", ")})`;
}

/** A rounded box whose outline runs out to the place that is pointed at. */
export function calloutPath(element: ShapeElement, radius: number): string {
  const { w, h } = element;
  const [tail] = corners([element.tail], w, h, element) as [Point];
  const r = Math.min(radius, w / 2, h / 2);
  const half = Math.min(Math.max(Math.min(w, h) * 0.14, 8), 28);
  const side = sideOf(tail, w, h);
  const along = (length: number, at: number): number => Math.min(Math.max(at, r + half), length - r - half);
  const x = along(w, tail[0]);
  const y = along(h, tail[1]);
  const out = `L${round(tail[0])} ${round(tail[1])}`;
  const gaps = {
    top: `L${round(x - half)} 0 ${out} L${round(x + half)} 0`,
    right: `L${w} ${round(y - half)} ${out} L${w} ${round(y + half)}`,
    bottom: `L${round(x + half)} ${h} ${out} L${round(x - half)} ${h}`,
    left: `L0 ${round(y + half)} ${out} L0 ${round(y - half)}`,
  };
  const gap = (name: keyof typeof gaps): string => (side === name ? gaps[name] : "");
  const bend = (to: string): string => (r ? `A${r} ${r} 0 0 1 ${to}` : `L${to}`);
  return [
    `M${r} 0`, gap("top"), `L${w - r} 0`, bend(`${w} ${r}`), gap("right"), `L${w} ${h - r}`,
    bend(`${w - r} ${h}`), gap("bottom"), `L${r} ${h}`, bend(`0 ${h - r}`), gap("left"), `L0 ${r}`,
    bend(`${r} 0`), "Z",
  ].join(" ");
}

/** The side of the box that the tail leaves by; none while it lies within. */
function sideOf([x, y]: Point, w: number, h: number): "top" | "right" | "bottom" | "left" | null {
  const beyond = { top: -y, bottom: y - h, left: -x, right: x - w };
  const [side, by] = Object.entries(beyond).sort((a, b) => b[1] - a[1])[0] as
    [keyof typeof beyond, number];
  return by > 0 ? side : null;
}

/** The ends of a line or arrow, and the corners of an arrow's head. */
export function lineEnds(element: ShapeElement): { from: Point; to: Point } {
  const { w, h, rising, flip_x, flip_y } = element;
  const up = rising !== flip_y;
  const [from, to]: [Point, Point] = up ? [[0, h], [w, 0]] : [[0, 0], [w, h]];
  return flip_x ? { from: [w - from[0], from[1]], to: [w - to[0], to[1]] } : { from, to };
}

/** The head of an arrow at `to`, and where its shaft ends. */
export function arrowHead(from: Point, to: Point, width: number): { head: string; end: Point } {
  const angle = Math.atan2(to[1] - from[1], to[0] - from[0]);
  const size = Math.max(width * 3.2, 12);
  const at = (back: number, aside: number): Point => [
    to[0] - back * Math.cos(angle) + aside * Math.sin(angle),
    to[1] - back * Math.sin(angle) - aside * Math.cos(angle),
  ];
  return { head: polygonPath([to, at(size, size * 0.45), at(size, -size * 0.45)]), end: at(size * 0.9, 0) };
}

function round(value: number): number {
  return Math.round(value * 100) / 100;
}
