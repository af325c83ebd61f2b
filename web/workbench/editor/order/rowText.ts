/** What an element says, in words. */
import type { Element, Slide } from "../../../api/types";
import { plain, reworded } from "../../store/richText";

/** The words of an element for its row; empty where it says nothing. */
export function says(element: Element): string {
  switch (element.kind) {
    case "text": return plain(element.text);
    case "shape": return element.alt || plain(element.text);
    case "button": case "input": return element.label;
    case "table": return element.alt || element.cells[0]?.filter(Boolean).join(" · ") || "";
    case "embed": return element.alt || element.address;
    case "audio": return element.narration ? element.words : element.alt;
    default: return element.alt;
  }
}

/** What is typed in the row of an element: its own words, else its text alternative. */
export function writtenWords(element: Element): string {
  switch (element.kind) {
    case "text": return plain(element.text, "\n");
    case "button": case "input": return element.label;
    case "audio": return element.narration ? element.words : element.alt;
    default: return element.alt;
  }
}

/** The element saying `words`; emphasis and lists stay in lines that are as they were. */
export function withWords(element: Element, words: string): Element {
  if (element.kind === "button" || element.kind === "input") return { ...element, label: words };
  if (element.kind !== "text") return { ...element, alt: words };
  const before = new Map(element.text.blocks.map((block) => [plain({ blocks: [block] }), block]));
  const old = element.text.blocks;
  const blocks = words.split("\n").map((line, index) => before.get(line) ?? reworded(line, old[index]));
  return { ...element, text: { blocks } };
}

/** Whether the element is passed over when the slide is read out. */
export function isDecoration(element: Element, slide?: Slide): boolean {
  if (element.decoration || (element.kind === "shape" && !element.alt && !element.text.blocks.length)) return true;
  const group = element.group && slide?.elements.find((other) => other.id === element.group);
  return Boolean(group && isDecoration(group, slide));
}

/** Whether those who do not see it would miss it: a picture or area without words for it. */
export function needsAlternative(slide: Slide, element: Element): boolean {
  if (element.kind === "audio" && element.narration) return false;
  if (!["picture", "area", "video", "audio"].includes(element.kind) || element.alt || isDecoration(element, slide)) return false;
  const group = slide.elements.find((other) => other.id === element.group);
  return !group?.alt;
}
