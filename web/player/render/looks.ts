/** The looks that an element wears, and what they make of it. */
import { useEffect, useState, type DOMAttributes } from "react";
import type { Element, ProgramElement, StylePatch } from "../../api/types";
import { evaluate } from "../engine/expression";
import type { Index } from "../engine/program";
import type { State } from "../engine/state";
import { toYesNo } from "../engine/values";
import { own } from "../engine/own";

/** The looks that follow from the run, the strongest last. */
export function looksOf(
  index: Index, state: State, element: ProgramElement, chosen: boolean, enabled: boolean, dragged: boolean,
): string[] {
  const { id } = element.draw;
  const looks: string[] = [];
  if (state.clicked.has(id)) looks.push("visited");
  if (chosen || isSelected(index, state, element)) looks.push("selected");
  if (!enabled && !chosen) looks.push("disabled");
  const given = own(state.looks, id);
  if (given) looks.push(given);
  if (dragged) looks.push("dragged");
  return looks;
}

/** Whether an element is selected in the learner's sense: a chosen answer, a turned card. */
export function isSelected(index: Index, state: State, { selected }: ProgramElement): boolean {
  return selected !== false && toYesNo(evaluate(index, state, selected));
}

/** Place and size, which a look may have of its own. */
export const BOX = ["x", "y", "w", "h", "turn"] as const;
/** What of a style CSS cannot switch by itself. */
const PLAIN = ["bold", "italic", "border_style", "padding", "font", "line_height", "align", "valign"] as const;

/** The element with the words, picture, place and size of its looks, the strongest last. */
export function worn(element: Element, looks: readonly string[]): Element {
  let result = element;
  for (const look of looks) {
    const patch = element.looks[look];
    if (!patch || !changesMore(patch)) continue;
    const next = { ...result } as Element;
    for (const name of BOX) {
      const value = patch[name];
      if (value !== null && value !== undefined) next[name] = value;
    }
    if (patch.text && "text" in next) next.text = patch.text;
    if (typeof patch.label === "string" && "label" in next) next.label = patch.label;
    if (patch.media && next.kind === "picture") next.media = patch.media;
    result = next;
  }
  return result;
}

/** Whether a look changes more than what CSS alone can switch. */
function changesMore(patch: StylePatch): boolean {
  return patch.text != null || patch.label != null || patch.media != null || patch.size != null
    || PLAIN.some((name) => patch[name] != null) || BOX.some((name) => patch[name] != null);
}

type Transient = "hover" | "focus" | "pressed";

/** The looks of pointer and focus that CSS alone cannot give. None outlasts its cause, or shows on what is disabled. */
export function useTransientLooks(element: Element, enabled: boolean): [looks: string[], handlers: DOMAttributes<HTMLElement>] {
  const [on, setOn] = useState<Partial<Record<Transient, boolean>>>({});
  const wanted = (["hover", "focus", "pressed"] as const)
    .filter((look) => element.looks[look] && changesMore(element.looks[look] as StylePatch));
  const pressed = on.pressed ?? false;
  useEffect(() => {
    if (!pressed) return;
    const release = (): void => setOn((before) => ({ ...before, pressed: false }));
    const ends = ["pointerup", "pointercancel", "blur"] as const;
    for (const end of ends) window.addEventListener(end, release);
    return () => { for (const end of ends) window.removeEventListener(end, release); };
  }, [pressed]);
  if (!wanted.length) return [[], {}];
  const turn = (look: Transient, value: boolean) => () => setOn((before) => ({ ...before, [look]: value }));
  return [wanted.filter((look) => enabled && on[look]), {
    onPointerEnter: turn("hover", true), onPointerLeave: turn("hover", false),
    onFocus: turn("focus", true), onBlur: turn("focus", false), onPointerDown: turn("pressed", true),
  }];
}
