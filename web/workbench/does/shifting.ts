/** A sentence for another element: what it names goes along, from "Panel 1" to "Panel 2". */
import type { Rule, Slide } from "../../api/types";
import { freshId } from "../store/ids";

interface Named { id: string; name: string }

/** The rule as it means the same for `to` as it did for `from`; what has no counterpart stays. */
export function shifted(rule: Rule, from: string | null, to: Named, slide: Slide): Rule {
  const things: Named[] = [...slide.elements, ...slide.overlays, ...slide.questions];
  const old = things.find(({ id }) => id === from);
  const map = new Map<string, string>();
  if (old) {
    map.set(old.id, to.id);
    const [, then] = numbered(old.name);
    const [, now] = numbered(to.name);
    for (const thing of things) {
      const [base, number] = numbered(thing.name);
      if (number !== then || map.has(thing.id)) continue;
      const counterpart = things.find((other) => {
        const [name, count] = numbered(other.name);
        return other.id !== thing.id && name === base && count === now;
      });
      if (counterpart && then !== now) map.set(thing.id, counterpart.id);
    }
  }
  return { ...replaced(rule, map) as Rule, id: freshId() };
}

/** A name and its number at the end; one without a number is the first of its kind. */
function numbered(name: string): [base: string, number: number] {
  const found = /^(.*?)\s*(\d+)$/.exec(name);
  return found ? [found[1] ?? "", Number(found[2])] : [name, 1];
}

function replaced(value: unknown, map: ReadonlyMap<string, string>): unknown {
  if (typeof value === "string") return map.get(value) ?? value;
  if (Array.isArray(value)) return value.map((part) => replaced(part, map));
  if (value && typeof value === "object") {
    return Object.fromEntries(Object.entries(value).map(([name, part]) => [name, replaced(part, map)]));
  }
  return value;
}
