/** Which slides a learner can still come to. The twin of `engine/ways.py`, which says why. */
import type { ProgramRule, ProgramSlide } from "../../api/types";
import type { Order } from "./order";
import type { Index } from "./program";
import type { State } from "./state";

function leadsTo(index: Index, name: string, order: Order): readonly string[] {
  const slide = index.slides.get(name);
  if (!slide) return [];
  const { navigation } = index.program;
  if ((slide.navigation.menu ?? navigation.menu) && navigation.order !== "seen") return order.slides;
  const after = order.onward.get(name);
  const found = slide.forks.map((fork) => fork.slide);
  for (const { then, otherwise } of [...rulesOf(slide), ...index.program.rules]) {
    for (const action of [...then, ...otherwise]) {
      if ((action.do === "go" || action.do === "enter") && action.slide) found.push(action.slide);
    }
  }
  return [...(after ? [after] : []), ...found.flatMap((one) => order.entrance(one) ?? [])];
}

/** A slide and all that can be come to from it. */
function ahead(index: Index, slide: string, order: Order): ReadonlySet<string> {
  const known = order.ahead.get(slide);
  if (known) return known;
  const seen = new Set([slide]);
  for (const one of seen) {
    if (seen.size === order.slides.length) break;
    for (const after of leadsTo(index, one, order)) seen.add(after);
  }
  order.ahead.set(slide, seen);
  return seen;
}

/** How many slides are on the learner's way: those seen, and those still ahead. */
export function way(index: Index, { slide, visited, draws }: State): number {
  const order = index.ordered(draws);
  if (slide === null || !order.position.has(slide)) return order.slides.length;
  const those = ahead(index, slide, order);
  return those.size + visited.filter((one) => !those.has(one)).length;
}

function rulesOf(slide: ProgramSlide): ProgramRule[] {
  return [
    ...slide.rules, ...slide.elements.flatMap(({ rules }) => rules),
    ...slide.overlays.flatMap((overlay) => [...overlay.rules, ...overlay.elements.flatMap(({ rules }) => rules)]),
  ];
}
