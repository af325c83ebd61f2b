/** Where items lie that share a target: all of them to be seen, and the target's words, too. */
import type { Element } from "../../../api/types";

/** The upper left corner (px), how large the item is there, and how much smaller all of it is drawn. */
export interface Tile { left: number; top: number; width: number; height: number; scale: number }

const GAP = 8;
/** No smaller are items drawn; where there are so many, they overlap. */
const LEAST = 0.5;
/** Below so much height (px) there is no use in leaving the target's words free. */
const LEAST_ROOM = 40;
/** The inner margin (px) that words can do with. */
const AIR = 4;
/** The width of a letter as a share of the size of its font. */
const LETTER = 0.52;

interface Room { x: number; y: number; w: number; h: number }

/** Return where `items`, in the order in which they were put there, lie on `target`. */
export function tiles(target: Element, items: readonly Element[]): Tile[] {
  const room = roomOn(target);
  const most = { w: Math.max(...items.map(({ w }) => w)), h: Math.max(...items.map(({ h }) => h)) };
  const least = items.map(leastSize);
  const low = { w: Math.max(...least.map(({ w }) => w)), h: Math.max(...least.map(({ h }) => h)) };
  const { columns, scale } = bestGrid(items.length, room, low);
  const rows = Math.ceil(items.length / columns);
  const wide = Math.min(Math.max((room.w - (columns - 1) * GAP) / columns / scale, low.w), most.w);
  const high = Math.min(Math.max((room.h - (rows - 1) * GAP) / rows / scale, low.h), most.h);
  const [cell, line] = [wide * scale, high * scale];
  // More than there is room for lie closer, then on each other.
  const step = rows > 1 ? Math.min(line + GAP, (room.h - line) / (rows - 1)) : 0;
  const across = columns * (cell + GAP) - GAP;
  const left = room.x + (room.w - across) / 2;
  return items.map((item, index) => {
    const middle = left + (index % columns) * (cell + GAP) + cell / 2;
    const [width, height] = [Math.min(item.w, wide), Math.min(item.h, high)];
    // Filled from below; a single row of a low target stands in its middle.
    const bottom = rows === 1 && room.h < 2 * line ? room.y + (room.h + line) / 2
      : room.y + room.h - Math.floor(index / columns) * step;
    return { left: middle - width / 2, top: bottom - line / 2 - height / 2, width, height, scale };
  });
}

interface Size { w: number; h: number }

/** So many columns that the items are as large as can be; the more of them, if it is the same. */
function bestGrid(count: number, room: Room, { w, h }: Size): { columns: number; scale: number } {
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

const lettersIn = ({ runs }: Worded["text"]["blocks"][number]): number => (
  runs.reduce((sum, run) => sum + (run.kind === "text" ? run.text.length : 6), 0)
);

/** About how high (px) the words of an element are, its inner margin included. */
function wordsHeight({ w, text, style }: Worded): number {
  const inside = Math.max(w - 2 * style.padding, style.size);
  const lines = text.blocks
    .reduce((sum, block) => sum + Math.max(Math.ceil((lettersIn(block) * style.size * LETTER) / inside), 1), 0);
  return lines ? lines * style.size * style.line_height + 2 * style.padding : 0;
}

/** How small an item can be: words with less air around them, pictures as they are. */
function leastSize(item: Element): Size {
  if ((item.kind !== "text" && item.kind !== "shape") || !item.text.blocks.length) return { w: item.w, h: item.h };
  const { size, padding, border_width } = item.style;
  const longest = Math.max(...item.text.blocks.map(lettersIn)) * size * LETTER;
  return {
    w: Math.min(longest + size + 2 * (padding + border_width), item.w),
    h: Math.min(wordsHeight({ ...item, style: { ...item.style, padding: AIR } }) + 2 * border_width, item.h),
  };
}
