/** The title of a slide and the title on it: they stay the same while they are the same. */
import type { Element, Slide } from "../../api/types";
import { paragraphs, plain } from "./richText";

export function withTitle(slide: Slide, title: string): Slide {
  const elements = slide.elements.map((element): Element => (
    element.kind === "text" && element.level === "title" && plain(element.text, " ") === slide.title
      ? { ...element, text: paragraphs(title) }
      : element));
  return { ...slide, title, elements };
}
