import type { Element } from "../../../api/types";

/** Whether the element holds words that can be edited where they stand. */
export function isEditable(element: Element): boolean {
  switch (element.kind) {
    case "text": case "button": case "input": case "table": return true;
    case "shape": return element.shape !== "line" && element.shape !== "arrow";
    default: return false;
  }
}
