/**
 * What a slide comes to: its own words laid over its layout and the named styles.
 * The twin of `course/layouts/resolve.py`; a test holds the two together.
 */
import type { Background, Course, Element, Layout, NamedStyle, Slide, Style } from "../../api/types";

const BOX = ["x", "y", "w", "h", "turn"] as const;
const NO_BACKGROUND: Background = { colour: "paper", picture: null, fit: "cover" };

/** What slides may follow: the layouts, themselves styled, and the named styles, by id. */
export interface Sources {
  styles: ReadonlyMap<string, NamedStyle>;
  layouts: ReadonlyMap<string, Layout>;
}

/** The styles and layouts of a course, by id. */
export function sourcesOf(course: Pick<Course, "styles" | "layouts">): Sources {
  const styles = new Map(course.styles.map((style) => [style.id, style]));
  const layouts = new Map(course.layouts.map((layout) => [layout.id, {
    ...layout, elements: layout.elements.map((element) => styled(element, styles)),
  }]));
  return { styles, layouts };
}

/** What `element` follows in its style: a named style, or its slot. */
function followed(
  element: Element, sources: Pick<Sources, "styles">, slot: Element | undefined,
): { style: Style; looks: Element["looks"] } | undefined {
  return sources.styles.get(element.named_style ?? "") ?? slot;
}

function styled(element: Element, styles: Sources["styles"], slot?: Element): Element {
  const source = followed(element, { styles }, slot);
  if (!source) return element;
  const style: Style = { ...source.style };
  for (const name of element.own) {
    if (name in style) Object.assign(style, { [name]: element.style[name as keyof Style] });
  }
  return { ...element, style, looks: element.own.includes("looks") ? element.looks : source.looks };
}

/** The elements of the slide's layout that slides fill in, by id. */
export function slotsOf(slide: Slide, sources: Sources): ReadonlyMap<string, Element> {
  const layout = sources.layouts.get(slide.layout ?? "");
  return new Map(layout?.elements.filter((e) => layout.slots.includes(e.id)).map((e) => [e.id, e]));
}

/** The element as it stands on the slide: in its slot's box unless that is its own. */
function resolvedElement(
  element: Element, slots: ReadonlyMap<string, Element>, sources: Sources,
): Element {
  const slot = slots.get(element.slot ?? "");
  if (!slot && !element.named_style) return element;
  const result = styled(element, sources.styles, slot);
  if (!slot || element.own.includes("box")) return result;
  return { ...result, ...Object.fromEntries(BOX.map((name) => [name, slot[name]])) };
}

/** The slide with its own elements as they look; the same object where it follows nothing. */
export function following(slide: Slide, sources: Sources): Slide {
  if (!slide.elements.some((element) => element.slot || element.named_style)) return slide;
  const slots = slotsOf(slide, sources);
  return { ...slide, elements: slide.elements.map((e) => resolvedElement(e, slots, sources)) };
}

/** A slide that follows its sources, whole: its layout's background and fixed elements below it. */
export function onLayout(slide: Slide, sources: Sources): Slide {
  return {
    ...slide, background: backgroundOf(slide, sources),
    elements: [...fixedOf(slide, sources), ...slide.elements],
  };
}

/** The slide's own background, else its layout's, else plain paper. */
export function backgroundOf(slide: Slide, sources: Sources): Background {
  return slide.background ?? sources.layouts.get(slide.layout ?? "")?.background ?? NO_BACKGROUND;
}

/** The layout's own elements, below everything of the slide, their ids made unique to it. */
function fixedOf(slide: Slide, sources: Sources): Element[] {
  const layout = sources.layouts.get(slide.layout ?? "");
  if (!layout) return [];
  const fixed = layout.elements.filter((element) => !layout.slots.includes(element.id));
  const top = fixed.length ? Math.max(...fixed.map((element) => element.z)) : 0;
  const floor = slide.elements.length ? Math.min(...slide.elements.map((element) => element.z)) : 0;
  const below = floor - top - 1;
  const ids = new Map(fixed.map((element, index) => [element.id, `${slide.id.slice(0, 20)}f${index}`]));
  return fixed.map((element) => ({
    ...element, id: ids.get(element.id) as string, z: element.z + below,
    group: ids.get(element.group ?? "") ?? null,
  }));
}

/** The properties in which `element` differs from what it follows: these are its own. */
export function ownOf(
  element: Element, slots: ReadonlyMap<string, Element>, sources: Sources,
): string[] {
  const slot = slots.get(element.slot ?? "");
  const source = followed(element, sources, slot);
  const own: string[] = [];
  if (slot && BOX.some((name) => element[name] !== slot[name])) own.push("box");
  if (!source) return own;
  for (const name of Object.keys(source.style) as (keyof Style)[]) {
    if (JSON.stringify(element.style[name]) !== JSON.stringify(source.style[name])) own.push(name);
  }
  if (JSON.stringify(element.looks) !== JSON.stringify(source.looks)) own.push("looks");
  return own;
}
