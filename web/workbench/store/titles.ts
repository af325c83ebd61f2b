/** The title of a slide and the title on it: they stay the same while they are the same. */
import type { Element, Slide } from "../../api/types";

export function withTitle(slide: Slide, title: string): Slide {
  const elements = slide.elements.map((element): Element => (
    element.kind === "text" && element.level === "title" && words(element) === slide.title
      ? { ...element, text: { blocks: title ? [{ kind: "paragraph", runs: [{ kind: "text", text: title, bold: false, italic: false }] }] : [] } }
      : element));
  return { ...slide, title, elements };
}

function words(element: Extract<Element, { kind: "text" }>): string {
  return element.text.blocks.map((block) => block.runs.map((run) => (run.kind === "text" ? run.text : "")).join("")).join(" ");
}
