/** The rows of the running order: each element with all that its row says of its place on the slide. */
import type { Element, Slide } from "../../../api/types";
import { answersOf, roleIn } from "../../judges/parts";
import { isDecoration, needsAlternative } from "./rowText";

export interface OrderRow {
  readonly element: Element;
  readonly depth: number;
  readonly part: string;
  readonly missed: boolean;
}

/** The rows of `elements`, which are on `slide`, in their order. */
export function rowsOf(slide: Slide, elements: readonly Element[]): OrderRow[] {
  const groups = new Map(slide.elements.map(({ id, group }) => [id, group]));
  const depthOf = ({ group }: Element): number => {
    let depth = 0;
    for (let outer = group; outer && depth < 9; outer = groups.get(outer)) depth += 1;
    return depth;
  };
  return elements.map((element) => ({
    element, depth: depthOf(element), missed: needsAlternative(slide, element),
    part: slide.questions.map((question) => roleIn(question, element.id)).find(Boolean) ?? "",
  }));
}

/** What is read out, in order, and what is not: the decoration. */
export function readAndRest(slide: Slide | undefined): [read: OrderRow[], rest: OrderRow[]] {
  if (!slide) return [[], []];
  const here = slide.elements.filter((element) => !element.overlay);
  // What answers a question is never decoration, even while there are no words for it.
  const operated = new Set(slide.questions.flatMap(answersOf));
  const isRead = (element: Element): boolean => operated.has(element.id) || !isDecoration(element, slide);
  return [rowsOf(slide, here.filter(isRead)), rowsOf(slide, here.filter((element) => !isRead(element)))];
}
