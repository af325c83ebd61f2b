/** Slides that follow layouts and named styles: what they take over, and what is their own. */
import type { Element, Slide } from "../../api/types";
import { boxedGroups } from "../editor/stage/geometry";
import { onLayout, ownOf, slotsOf, type Sources } from "../../player/render/resolve";
import { hasWords } from "./richText";

/** The slide after a change: each element knows what of it is its own, each group its box. */
export function settled(after: Slide, before: Slide | undefined, sources: Sources): Slide {
  const known = new Set(before?.elements);
  const slots = slotsOf(after, sources);
  const elements = after.elements.map((element) => {
    if (known.has(element) || !(element.slot || element.named_style)) return element;
    const own = ownOf(element, slots, sources);
    return own.join() === element.own.join() ? element : { ...element, own };
  });
  return { ...after, elements: boxedGroups(elements) };
}

const shown = new WeakMap<Slide, { sources: Sources; slide: Slide }>();

/** The whole slide as it looks, its layout laid under it. */
export function shownSlide(slide: Slide, sources: Sources): Slide {
  const before = shown.get(slide);
  if (before?.sources === sources) return before.slide;
  const result = onLayout(slide, sources);
  shown.set(slide, { sources, slide: result });
  return result;
}

/** The same for its author: slots that nobody has filled say what they are for. */
export function promptedSlide(slide: Slide, sources: Sources): Slide {
  const slots = slotsOf(slide, sources);
  const whole = shownSlide(slide, sources);
  if (!slots.size) return whole;
  return { ...whole, elements: whole.elements.map((element) => prompted(element, slots)) };
}

function prompted(element: Element, slots: ReadonlyMap<string, Element>): Element {
  const slot = slots.get(element.slot ?? "");
  if (element.kind !== "text" || slot?.kind !== "text" || hasWords(element.text)) return element;
  return { ...element, text: slot.text, style: { ...element.style, opacity: 0.4 } };
}
