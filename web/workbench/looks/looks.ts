/** Looks of an element: which there are, how it wears them, and what a change while wearing one means. */
import { create } from "zustand";
import type { Element, StylePatch } from "../../api/types";
import { BOX, worn } from "../../player/render/looks";
import { withLooks } from "../../player/render/style";
import { freshId } from "../store/ids";
import { freeName } from "../store/names";
import { t } from "../../words/looks";

/** The look that is edited, of the one selected element; null is the element as it is by default. */
export const useLook = create<{ element: string | null; look: string | null }>(() => ({ element: null, look: null }));

export const GIVEN: readonly [look: string, when: string][] = [
  ["hover", t("whileThePointerIsOver")], ["focus", t("whileTheKeyboardIsOn")], ["pressed", t("whileItIsPressed")],
  ["visited", t("onceItWasClicked")], ["selected", t("whileItIsChosenOr")], ["disabled", t("whileItIsDisabled")],
  ["dragged", t("whileItIsDragged")],
];

const STYLE = [
  "fill", "border_colour", "border_width", "border_style", "radius", "opacity", "shadow", "padding", "text_colour", "size", "bold", "italic",
  "font", "line_height", "align", "valign",
] as const;

const SAID: Record<string, string> = {
  border_colour: t("borderColour"), border_width: t("borderWidth"), border_style: t("borderStyle"), opacity: "see-through", padding: t("padding"),
  text_colour: t("textColour"), size: t("textSize"), line_height: t("lineHeight"), align: t("textAlignment"), valign: t("verticalAlignment"),
  text: t("text"), label: t("text"), media: "picture", x: "place", y: "place", w: "size", h: "size", turn: "turn",
};

/** What a look is called. */
export function nameOf(element: Element, look: string): string {
  return element.looks[look]?.name ?? look;
}

/** What a look overrides, in words. */
export function overridesOf(patch: StylePatch | undefined): string[] {
  const names = Object.entries(patch ?? {}).filter(([name, value]) => name !== "name" && value !== null && value !== undefined)
    .map(([name]) => SAID[name] ?? name);
  return [...new Set(names)];
}

/** The element as it is seen in a look. */
export function wearing(element: Element, look: string | null): Element {
  if (!look || !element.looks[look]) return element;
  return { ...worn(element, [look]), style: onlyStyle(element, withLooks(element, [look])) } as Element;
}

/** A patch holds more than style: only what the element's style has is taken over. */
function onlyStyle(element: Element, style: Element["style"]): Element["style"] {
  return Object.fromEntries(Object.keys(element.style).concat("fill", "border_colour", "shadow")
    .map((name) => [name, style[name as keyof Element["style"]]])) as unknown as Element["style"];
}

/** What `change` makes of the element while it wears `look`: style, words, picture and box become the look's. */
export function throughLook(element: Element, look: string, change: (element: Element) => Element): Element {
  const before = wearing(element, look);
  const after = change(before);
  const patch: StylePatch = { ...element.looks[look] };
  const put = (name: string, own: unknown, now: unknown, then: unknown): void => {
    if (JSON.stringify(now) === JSON.stringify(then)) return;
    const same = JSON.stringify(now) === JSON.stringify(own) || now === null || now === undefined;
    Object.assign(patch, { [name]: same ? null : now });
  };
  for (const name of STYLE) put(name, element.style[name], after.style[name], before.style[name]);
  for (const name of BOX) put(name, element[name], after[name], before[name]);
  for (const name of ["text", "label", "media"] as const) {
    put(name, valueOf(element, name), valueOf(after, name), valueOf(before, name));
  }
  const kept = Object.fromEntries(["style", "text", "label", "media", ...BOX].filter((name) => name in element)
    .map((name) => [name, element[name as keyof Element]]));
  return { ...after, ...kept, looks: { ...after.looks, [look]: patch } } as Element;
}

function valueOf(element: Element, name: string): unknown {
  return (element as unknown as Record<string, unknown>)[name];
}

/** One more look: one of the given ones, or (null) one of the author's own. */
export function newLook(element: Element, given: string | null): { id: string; patch: StylePatch } {
  const names = Object.keys(element.looks).map((look) => nameOf(element, look));
  return given ? { id: given, patch: {} } : { id: freshId(), patch: { name: freeName(t("look"), names) } };
}

/** The element without one of its looks. */
export function withoutLook(element: Element, look: string): Element {
  return { ...element, looks: Object.fromEntries(Object.entries(element.looks).filter(([name]) => name !== look)) };
}
