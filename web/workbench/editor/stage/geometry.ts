/** What dragging does to boxes, in slide pixels: all that a pointer needs at 60 frames a second. */
import type { Element } from "../../../api/types";

export interface Box { x: number; y: number; w: number; h: number }

/** Which edges a handle moves: -1 the left or top one, 1 the right or bottom one, 0 none. */
export interface Grip { name: "top left" | "top" | "top right" | "right" | "bottom right" | "bottom" | "bottom left" | "left"; dx: -1 | 0 | 1; dy: -1 | 0 | 1 }

export const GRIPS: readonly Grip[] = [
  { name: "top left", dx: -1, dy: -1 }, { name: "top", dx: 0, dy: -1 },
  { name: "top right", dx: 1, dy: -1 }, { name: "right", dx: 1, dy: 0 },
  { name: "bottom right", dx: 1, dy: 1 }, { name: "bottom", dx: 0, dy: 1 },
  { name: "bottom left", dx: -1, dy: 1 }, { name: "left", dx: -1, dy: 0 },
];

const LEAST = 8;

/** Only position and size, in px. */
export function boxOf({ x, y, w, h }: Box): Box {
  return { x, y, w, h };
}

/** The upright box that an element covers, its turn taken into account. */
export function coverOf(element: Box & { turn: number }): Box {
  const { x, y, w, h, turn } = element;
  if (turn % 180 === 0) return { x, y, w, h };
  const angle = (turn * Math.PI) / 180;
  const c = Math.abs(Math.cos(angle));
  const s = Math.abs(Math.sin(angle));
  const wide = w * c + h * s;
  const high = w * s + h * c;
  return { x: x + (w - wide) / 2, y: y + (h - high) / 2, w: wide, h: high };
}

/** The smallest box around all `boxes`. */
export function around(boxes: readonly Box[]): Box {
  const x = Math.min(...boxes.map((box) => box.x));
  const y = Math.min(...boxes.map((box) => box.y));
  return {
    x, y, w: Math.max(...boxes.map((box) => box.x + box.w)) - x,
    h: Math.max(...boxes.map((box) => box.y + box.h)) - y,
  };
}

/** Whether two boxes have some area in common. */
export function overlaps(a: Box, b: Box): boolean {
  return a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;
}

/** A box moved by some px, on whole px. */
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

/** A turned box resized by a grip: the pointer's way along its own sides, the far side at rest. */
export function resizedTurned(
  box: Box, turn: number, grip: Grip, dx: number, dy: number, keep: boolean,
): Box {
  if (!turn) return resizedBy(box, grip, dx, dy, keep);
  const angle = (turn * Math.PI) / 180;
  const c = Math.cos(angle);
  const s = Math.sin(angle);
  const next = resizedBy(box, grip, dx * c + dy * s, dy * c - dx * s, keep);
  const shift = { x: next.x + next.w / 2 - box.x - box.w / 2, y: next.y + next.h / 2 - box.y - box.h / 2 };
  const middle = {
    x: box.x + box.w / 2 + shift.x * c - shift.y * s, y: box.y + box.h / 2 + shift.x * s + shift.y * c,
  };
  return { ...next, x: middle.x - next.w / 2, y: middle.y - next.h / 2 };
}

/** Boxes that stood in `from` scaled and moved as it became `to`: a selection resized as one. */
export function carried(box: Box, from: Box, to: Box): Box {
  const kx = from.w ? to.w / from.w : 1;
  const ky = from.h ? to.h / from.h : 1;
  return {
    x: Math.round(to.x + (box.x - from.x) * kx), y: Math.round(to.y + (box.y - from.y) * ky),
    w: Math.round(box.w * kx), h: Math.round(box.h * ky),
  };
}

/** `ids` and everything that is in the groups among them. */
export function withMembers(elements: readonly Element[], ids: Iterable<string>): Set<string> {
  const found = new Set(ids);
  for (let size = -1; size !== found.size;) {
    size = found.size;
    for (const element of elements) if (element.group && found.has(element.group)) found.add(element.id);
  }
  return found;
}

/** The outermost group that an element is in, or the element itself. */
export function outermost(elements: readonly Element[], id: string): string {
  const groups = new Map(elements.map((element) => [element.id, element.group]));
  let here = id;
  for (let group = groups.get(here); group; group = groups.get(here)) here = group;
  return here;
}

/** The elements with every group's box drawn anew around its members. */
export function boxedGroups(elements: readonly Element[]): Element[] {
  const groups = elements.filter((element) => element.kind === "group");
  if (!groups.length) return [...elements];
  const members = new Map<string, Element[]>();
  for (const element of elements) {
    if (element.group) members.set(element.group, [...(members.get(element.group) ?? []), element]);
  }
  const boxes = new Map<string, Box>();
  const boxAround = (id: string): Box => {
    const known = boxes.get(id);
    if (known) return known;
    const box = around((members.get(id) ?? []).map((member) => (
      member.kind === "group" ? boxAround(member.id) : coverOf(member))));
    boxes.set(id, box);
    return box;
  };
  return elements.map((element) => {
    if (element.kind !== "group" || !members.has(element.id)) return element;
    const box = boxAround(element.id);
    const same = box.x === element.x && box.y === element.y && box.w === element.w && box.h === element.h;
    return same ? element : { ...element, ...box };
  });
}
