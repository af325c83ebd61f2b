/** The route as it is drawn: its stops, the path from one to the next, and the ways that leave it. */
import { useDeferredValue, useMemo } from "react";
import { useCourse } from "../store/store";
import { useCheck, type Check, type Way } from "../shell/useCheck";
import { linesOf } from "./lines";
import { isNear, type Layout, type Part } from "./layout";

/** So many ways beside the path are one bundle: they are drawn only while their slide is looked at. */
const BUNDLE = 4;

export interface Drawn {
  readonly check: Check | undefined;
  readonly parts: readonly Part[];
  readonly numbers: ReadonlyMap<string, number>;
  /** All ways by the slide that they lead from, and by the one that they lead to. */
  readonly from: ReadonlyMap<string, readonly Way[]>;
  readonly to: ReadonlyMap<string, readonly Way[]>;
}

/** The slides in order, in the sections that they are in. */
function partsOf(course: Parameters<typeof linesOf>[0]): Part[] {
  const parts: { id: string | null; slides: string[] }[] = [];
  for (const line of linesOf(course)) {
    if (line.kind === "section") parts.push({ id: line.id, slides: [] });
    else {
      if (!parts.length) parts.push({ id: null, slides: [] });
      parts.at(-1)?.slides.push(line.id);
    }
  }
  return parts;
}

/** The ways that leave the path from a slide: all but those to the slide after it. */
export function besides(ways: readonly Way[], numbers: ReadonlyMap<string, number>): Way[] {
  return ways.filter(({ source, target }) => numbers.get(target) !== (numbers.get(source) ?? 0) + 1);
}

/** Of the ways that leave the path from a slide, those that are drawn always: few, and to what is near. */
export function drawnAlways(ways: readonly Way[], { places }: Layout): readonly Way[] {
  return ways.length < BUNDLE ? ways.filter(({ source, target }) => isNear(places.get(source), places.get(target))) : [];
}

/** What is drawn of the open course; it may follow typing in the outline a moment later. */
export function useRoute(): Drawn {
  const check = useCheck();
  const order = useDeferredValue(useCourse((state) => state.course.slides));
  const sections = useDeferredValue(useCourse((state) => state.course.sections));
  return useMemo(() => {
    const numbers = new Map(order.map((id, index) => [id, index + 1]));
    const all = check?.route.ways ?? order.slice(1).map((target, index): Way => (
      { source: order[index] as string, target, kind: "onward", why: "" }
    ));
    const [from, to] = [new Map<string, Way[]>(), new Map<string, Way[]>()];
    for (const way of all) {
      if (!numbers.has(way.source) || !numbers.has(way.target)) continue;
      put(from, way.source, way);
      put(to, way.target, way);
    }
    return { check, parts: partsOf({ slides: order, sections }), numbers, from, to };
  }, [check, order, sections]);
}

function put(lists: Map<string, Way[]>, name: string, way: Way): void {
  const list = lists.get(name);
  if (list) list.push(way);
  else lists.set(name, [way]);
}
