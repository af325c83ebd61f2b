/** The columns in which the stops of the route strip stand. */
import type { Way } from "../../shell/useCheck";

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
