/** Where the stops of a route stand: columns along the way, and the zigzag path they make. */
import type { Way } from "../shell/useCheck";


/**
 * Give each of `order` a column: one further than the furthest slide that leads to it from before,
 * so that the arms of a fork stand side by side. A column holds `most` stops at most.
 */
export function columnsOf(order: readonly string[], ways: readonly Way[], most: number): Map<string, { column: number; stack: number }> {
  const position = new Map(order.map((id, n) => [id, n]));
  const from = new Map<string, string[]>();
  for (const { source, target } of ways) {
    if ((position.get(source) ?? Infinity) < (position.get(target) ?? -1)) {
      from.set(target, [...(from.get(target) ?? []), source]);
    }
  }
  const found = new Map<string, { column: number; stack: number }>();
  const filled = new Map<number, number>();
  order.forEach((id, n) => {
    const before = from.get(id) ?? (n ? [order[n - 1] as string] : []);
    let column = Math.max(-1, ...before.map((source) => found.get(source)?.column ?? -1)) + 1;
    while ((filled.get(column) ?? 0) >= most) column += 1;
    const stack = filled.get(column) ?? 0;
    filled.set(column, stack + 1);
    found.set(id, { column, stack });
  });
  return found;
}

const STEP = 196;
const ZIG = 44;
const STACKED = 118;
const BETWEEN = 96;

/** Places in px: rows of columns, one to the right and the next back to the left, as on a slope. */
export function placesOf(order: readonly string[], ways: readonly Way[]): Map<string, { x: number; y: number }> {
  const columns = columnsOf(order, ways, 3);
  const count = Math.max(0, ...[...columns.values()].map(({ column }) => column)) + 1;
  const perRow = Math.min(Math.max(Math.round(Math.sqrt(count * 2.4)), 5), 18);
  const highest = new Map<number, number>();
  for (const { column, stack } of columns.values()) {
    const row = Math.floor(column / perRow);
    highest.set(row, Math.max(highest.get(row) ?? 0, stack));
  }
  const tops: number[] = [];
  let top = 0;
  for (let row = 0; row * perRow < count; row++) {
    tops.push(top);
    top += STACKED * (1 + (highest.get(row) ?? 0)) + 2 * ZIG + BETWEEN;
  }
  return new Map([...columns].map(([id, { column, stack }]) => {
    const row = Math.floor(column / perRow);
    const within = column % perRow;
    const x = (row % 2 ? perRow - 1 - within : within) * STEP;
    return [id, { x, y: (tops[row] ?? 0) + (column % 2 ? 2 * ZIG : 0) + stack * STACKED }];
  }));
}
