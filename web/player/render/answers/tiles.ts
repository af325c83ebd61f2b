/** Where items lie that share a target: all of them to be seen, and the target's words, too. */
import type { Element } from "../../../api/types";

/** The upper left corner (px), how much smaller than it is an item is drawn, and how high. */
export interface Tile { left: number; top: number; scale: number; height: number }

const GAP = 8;
/** No smaller are items drawn; where there are so many, they overlap. */
const LEAST = 0.5;
/** Below so much height (px) there is no use in leaving the target's words free. */
const LEAST_ROOM = 40;
/** The width of a letter as a share of the size of its font. */
const LETTER = 0.52;

interface Room { x: number; y: number; w: number; h: number }

/** Return where `items`, in the order in which they were put there, lie on `target`. */
export function tiles(target: Element, items: readonly Element[]): Tile[] {
  const room = roomOn(target);
  const w = Math.max(...items.map((item) => item.w));
  const full = Math.max(...items.map((item) => item.h));
  const low = Math.max(...items.map(leastHeight));
  const { columns, scale } = bestGrid(items.length, room, w, low);
  const rows = Math.ceil(items.length / columns);
  const high = Math.min(Math.max((room.h - (rows - 1) * GAP) / rows / scale, low), full);
  const [cell, line] = [w * scale, high * scale];
  // More than there is room for lie closer, then on each other.
  const step = rows > 1 ? Math.min(line + GAP, (room.h - line) / (rows - 1)) : 0;
  const across = columns * (cell + GAP) - GAP;
  const left = room.x + (room.w - across) / 2;
  return items.map((item, place) => {
    const middle = left + (place % columns) * (cell + GAP) + cell / 2;
    const height = Math.min(item.h, high);
    // Filled from below; a single row of a low target stands in its middle.
    const bottom = rows === 1 && room.h < 2 * line ? room.y + (room.h + line) / 2
      : room.y + room.h - Math.floor(place / columns) * step;
    return { left: middle - item.w / 2, top: bottom - line / 2 - height / 2, scale, height };
  });
}

/** So many columns that the items are as large as can be; the more of them, if it is the same. */
function bestGrid(count: number, room: Room, w: number, h: number): { columns: number; scale: number } {
  let best = { columns: 1, scale: 0 };
  for (let columns = 1; columns <= count; columns++) {
    const rows = Math.ceil(count / columns);
    const wide = (room.w - (columns - 1) * GAP) / (columns * w);
    const high = (room.h - (rows - 1) * GAP) / (rows * h);
    const scale = Math.min(wide, high, 1);
    if (scale >= best.scale) best = { columns, scale };
  }
  if (best.scale >= LEAST) return best;
  return { columns: Math.max(Math.floor((room.w + GAP) / (w * LEAST + GAP)), 1), scale: LEAST };
}

/** The target within its border, without what its words need at its top or bottom. */
function roomOn(target: Element): Room {
  const edge = GAP + (target.style.border_width ?? 0);
  const room = { x: target.x + edge, y: target.y + edge, w: Math.max(target.w - 2 * edge, 1), h: Math.max(target.h - 2 * edge, 1) };
  const words = target.kind === "shape" || target.kind === "text" ? wordsHeight(target) : 0;
  const left = room.h + edge - words;
  if (!words || target.style.valign === "middle" || left < LEAST_ROOM) return room;
  const top = target.style.valign === "top";
  return { ...room, y: top ? target.y + words : room.y, h: left };
}

type Worded = Extract<Element, { kind: "text" | "shape" }>;

/** About how high (px) the words of an element are, its inner margin included. */
function wordsHeight({ w, text, style }: Worded): number {
  const inside = Math.max(w - 2 * style.padding, style.size);
  const lines = text.blocks.map(({ runs }) => {
    const letters = runs.reduce((sum, run) => sum + (run.kind === "text" ? run.text.length : 6), 0);
    return Math.max(Math.ceil((letters * style.size * LETTER) / inside), 1);
  }).reduce((sum, count) => sum + count, 0);
  return lines ? lines * style.size * style.line_height + 2 * style.padding : 0;
}

/** How low an item can be: words with less air around them, pictures as they are. */
function leastHeight(item: Element): number {
  if (item.kind !== "text" && item.kind !== "shape") return item.h;
  return Math.min(wordsHeight({ ...item, style: { ...item.style, padding: 4 } }) || item.h, item.h);
}
