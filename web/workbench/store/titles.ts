/** The title of a slide and the title on it: they stay the same while they are the same. */
import type { Element, Slide } from "../../api/types";
import { paragraphs, plain } from "./richText";

const LONGEST = 200;

/** The title of a slide once its elements are `after`: it follows the words that were just it. */
export function titleAfter(slide: Slide, after: readonly Element[]): string {
  const index = slide.elements.findIndex((element) => wordsOf(element) === slide.title);
  const words = index < 0 ? null : wordsOf(after[index]);
  return words === null ? slide.title : words.slice(0, LONGEST);
}

function wordsOf(element: Element | undefined): string | null {
  return element?.kind === "text" && element.level === "title" ? plain(element.text, " ") : null;
}

/** Return the slide with another title, in its title element too where that said the same. */
export function withTitle(slide: Slide, title: string): Slide {
  const elements = slide.elements.map((element): Element => (
    wordsOf(element) === slide.title ? { ...element, text: paragraphs(title) } as Element : element));
  return { ...slide, title, elements };
}
