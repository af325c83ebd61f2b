/** What editing words on the slide has in common, whatever they are the words of. */
import type { CSSProperties } from "react";
import type { Element } from "../../../api/types";
import { boxVariables, placed } from "../../../player/render/style";
import { edit } from "../../store/store";

/** Leave the words and give the keys back to the slide. */
export function leaveEditing(): void {
  edit(null);
  document.querySelector<HTMLElement>("[data-stage]")?.focus();
}

/** Where the field for the words of an element lies: over that element. */
export function overlay(element: Element): CSSProperties {
  return { ...placed(element), ...boxVariables(element, element.style), zIndex: 1_000_003 };
}
