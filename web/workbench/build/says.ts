/** What an element says, in words. */
import type { Element, RichText } from "../../api/types";
import { valueName } from "../../player/render/Still";

export function plain(text: RichText): string {
  return text.blocks
    .map((block) => block.runs.map((run) => (run.kind === "text" ? run.text : valueName(run.of))).join(""))
    .join(" · ");
}

export function says(element: Element): string {
  switch (element.kind) {
    case "text": return plain(element.text);
    case "button": return element.label;
    default: return element.alt;
  }
}

/** Whether the element is passed over when the slide is read out. */
export function isDecoration(element: Element): boolean {
  return element.decoration || (element.kind === "shape" && !element.alt);
}
