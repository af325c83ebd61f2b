/** What dragging does to boxes, in slide pixels: all that a pointer needs at 60 frames a second. */
import type { Element } from "../../api/types";

export interface Box { x: number; y: number; w: number; h: number }

/** Which edges a handle moves: -1 the left or top one, 1 the right or bottom one, 0 none. */
export interface Grip { name: string; dx: -1 | 0 | 1; dy: -1 | 0 | 1 }

export const GRIPS: readonly Grip[] = [
  { name: "top left", dx: -1, dy: -1 }, { name: "top", dx: 0, dy: -1 },
  { name: "top right", dx: 1, dy: -1 }, { name: "right", dx: 1, dy: 0 },
  { name: "bottom right", dx: 1, dy: 1 }, { name: "bottom", dx: 0, dy: 1 },
  { name: "bottom left", dx: -1, dy: 1 }, { name: "left", dx: -1, dy: 0 },
];

const LEAST = 8;

export function boxOf({ x, y, w, h }: Element): Box {
  return { x, y, w, h };
}

export function movedBy(box: Box, dx: number, dy: number): Box {
  return { ...box, x: Math.round(box.x + dx), y: Math.round(box.y + dy) };
}

/** Return `box` with the edges of `grip` moved; `keep` holds the proportions at corners. */
export function resizedBy(box: Box, grip: Grip, dx: number, dy: number, keep: boolean): Box {
  let w = Math.max(box.w + dx * grip.dx, grip.dx ? LEAST : box.w);
  let h = Math.max(box.h + dy * grip.dy, grip.dy ? LEAST : box.h);
  if (keep && grip.dx && grip.dy && box.w && box.h) {
    const scale = Math.max(w / box.w, h / box.h);
    w = box.w * scale;
    h = box.h * scale;
  }
  w = Math.round(w);
  h = Math.round(h);
  return {
    x: grip.dx < 0 ? Math.round(box.x + box.w - w) : box.x,
    y: grip.dy < 0 ? Math.round(box.y + box.h - h) : box.y,
    w, h,
  };
}
