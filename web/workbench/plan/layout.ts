/** Where the stops of a route stand: a zigzag path, row by row, section by section. */

export interface Place { readonly x: number; readonly y: number }

/** The slides of a section; those before the first one have no heading. */
export interface Part { readonly id: string | null; readonly slides: readonly string[] }

interface Heading { readonly id: string; readonly count: number; readonly y: number }

export interface Layout {
  /** The middle of each stop's picture, in px. */
  readonly places: ReadonlyMap<string, Place>;
  readonly rows: readonly (readonly string[])[];
  readonly headings: readonly Heading[];
  readonly width: number;
  readonly height: number;
}

/** A stop's picture, in px. */
export const STOP = { w: 84, h: 52 } as const;
const STEP = 108;
/** How much lower every other stop stands. */
const ZIG = 34;
/** Below a stop, for its title in two lines and what is the matter with it. */
const TITLE = 44;
const BETWEEN = 20;
const HEADING = 44;
/** Left of the first stop and right of the last one, for the ways from row to row. */
const SIDE = 28;
const FEWEST = 3;

/** Return where all stops stand in a width (px); the slides of folded sections have no stop. */
export function laidOut(parts: readonly Part[], folded: ReadonlySet<string>, width: number): Layout {
  const most = Math.max(Math.floor((width - 2 * SIDE) / STEP), FEWEST);
  const places = new Map<string, Place>();
  const rows: string[][] = [];
  const headings: Heading[] = [];
  let y = 0;
  for (const { id, slides } of parts) {
    if (id !== null) {
      headings.push({ id, count: slides.length, y });
      y += HEADING;
    }
    if (id !== null && folded.has(id)) continue;
    for (let first = 0; first < slides.length; first += most) {
      const row = slides.slice(first, first + most);
      row.forEach((slide, turn) => places.set(slide, {
        x: SIDE + turn * STEP + STEP / 2, y: y + STOP.h / 2 + 12 + (turn % 2 ? ZIG : 0),
      }));
      rows.push(row);
      y += 12 + STOP.h + (row.length > 1 ? ZIG : 0) + TITLE + BETWEEN;
    }
  }
  return { places, rows, headings, width: 2 * SIDE + most * STEP, height: y };
}

/** The line from one row to the next: round the right side, between the rows, and round the left side. */
export function turnOf(from: Place, to: Place, width: number): string {
  const [right, left] = [width - SIDE / 2, SIDE / 2];
  const between = to.y - STOP.h / 2 - BETWEEN / 2 - 6;
  const start = from.x + STOP.w / 2;
  const r = 8;
  return `M${start} ${from.y}H${right - r}q${r} 0 ${r} ${r}V${between - r}q0 ${r} ${-r} ${r}H${left + r}q${-r} 0 ${-r} ${r}`
    + `V${to.y - r}q0 ${r} ${r} ${r}H${to.x - STOP.w / 2}`;
}

/** Whether a way that leaves the path is short enough to be drawn always: to the next row at most. */
export const isNear = (from: Place | undefined, to: Place | undefined): boolean => Boolean(
  from && to && Math.abs(from.y - to.y) < 2 * (STOP.h + TITLE + ZIG) + HEADING,
);

/** A way that leaves the path: a curve over the stops between, higher the farther it goes. */
export function curveOf(from: Place, to: Place): string {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const bend = Math.min(36 + Math.hypot(dx, dy) * 0.14, 120) * (dx < 0 ? -1 : 1);
  const length = Math.hypot(dx, dy) || 1;
  const over = { x: from.x + dx / 2 + (dy / length) * bend, y: from.y + dy / 2 - (dx / length) * bend };
  return `M${from.x} ${from.y}Q${Math.round(over.x)} ${Math.round(over.y)} ${to.x} ${to.y}`;
}
