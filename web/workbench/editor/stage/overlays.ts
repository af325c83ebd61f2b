/** What is edited: the slide itself, or one of its overlays. */
import { create } from "zustand";
import { DEFAULTS } from "../../../api/defaults";
import { api, take } from "../../../api/client";
import type { Element, Overlay, Pattern, Slide } from "../../../api/types";
import { edit } from "../../store/edits";
import { changeSlide, select, useCourse } from "../../store/store";
import { t } from "../../../words/editor";

export const useOverlay = create<{ overlay: string | null }>(() => ({ overlay: null }));

/** Edit an overlay, or (null) the slide below. */
export function editOverlay(overlay: string | null): void {
  if (useOverlay.getState().overlay === overlay) return;
  useOverlay.setState({ overlay });
  select([]);
}

/** The overlay that is edited, if this slide has it. */
export function overlayIn(slide: Slide | undefined, overlay: string | null): Overlay | null {
  return slide?.overlays.find(({ id }) => id === overlay) ?? null;
}

/** Whether an element is on what is edited, and not put aside. */
export function atHand(element: Element, edited: Overlay | null, aside: ReadonlySet<string>): boolean {
  return !element.hidden_while_editing && (element.overlay ?? null) === (edited?.id ?? null) && !aside.has(element.id);
}

/**
 * What patterns show only at another moment than the one that is looked at: that of what is
 * selected, else the first.
 */
export function asideOf(slide: Slide, selected: readonly string[]): ReadonlySet<string> {
  const there = new Set(slide.elements.map(({ id }) => id));
  const aside = new Set(slide.patterns.flatMap((pattern) => otherMoments(pattern, selected)).filter((id) => there.has(id)));
  for (const pattern of slide.patterns) {
    if (pattern.kind === "reveal_set") for (const { trigger } of pattern.items) aside.delete(trigger);
    if (pattern.kind === "flip_cards") {
      for (const { front, back } of pattern.cards) aside.add(selected.includes(back) ? front : back);
    }
  }
  const members = slide.elements.filter(({ group }) => group && aside.has(group));
  for (const { id } of members) aside.add(id);
  return aside;
}

/** What a pattern shows only at other moments than the one that is looked at. */
function otherMoments(pattern: Pattern, selected: readonly string[]): string[] {
  const moments = momentsOf(pattern);
  const looked = moments.find((moment) => moment.some((id) => selected.includes(id))) ?? moments[0];
  return moments.filter((moment) => moment !== looked).flat().filter((id) => !looked?.includes(id));
}

/** The moments of a pattern at which different things are there. */
function momentsOf(pattern: Pattern): string[][] {
  switch (pattern.kind) {
    case "reveal_set": return pattern.one_at_a_time ? pattern.items.map((item) => [item.trigger, ...item.shows]) : [];
    case "steps": return pattern.steps.map((step) => [...step.shows]);
    default: return [];
  }
}

const ABOVE = 1_000_000;

/** What the stage draws: the slide, and over it the overlay that is edited, dimming it as it will. */
export function withOverlay(
  whole: Slide, edited: Overlay | null, size: { w: number; h: number }, aside: ReadonlySet<string>,
): Slide {
  const slide = { ...whole, elements: whole.elements.filter((e) => !aside.has(e.id)) };
  const below = slide.elements.filter((e) => !e.overlay && (edited !== null || !e.hidden_while_editing));
  if (!edited) return { ...slide, elements: below };
  const own = slide.elements.filter((e) => atHand(e, edited, aside)).map((e) => ({ ...e, z: e.z + ABOVE }));
  return { ...slide, elements: [...below, ...(edited.dims ? [sheet(size, below)] : []), ...own] };
}

/** The shade that an overlay lays over the slide. */
function sheet({ w, h }: { w: number; h: number }, below: readonly Element[]): Element {
  const like = below[0];
  return {
    kind: "shape", shape: "rectangle", rising: false, points: [], tail: { x: 0, y: 0 }, text: { blocks: [] },
    id: "shade", name: "", x: 0, y: 0, w, h, z: ABOVE - 1, turn: 0, flip_x: false, flip_y: false, alt: "",
    decoration: true, locked: true, hidden_while_editing: false, own: [], looks: {}, rules: [], moves: [], shown: true,
    enters: "none", leaves: "none", pulse: "none",
    style: {
      ...(like?.style ?? DEFAULTS.Style), fill: "#141c18", opacity: 0.45, border_width: 0, radius: 0, shadow: null,
    },
  };
}

/** A new overlay; the selected elements move onto it. */
export async function addOverlay(): Promise<void> {
  const slide = useCourse.getState().selection.slide;
  const added = await edit({
    label: t("addOverlay"),
    ask: (base) => take(api.POST("/api/edits/overlay", { body: { slide: base.slide, elements: base.selected } })),
    then: () => ({}),
  });
  if (added && useCourse.getState().selection.slide === slide) editOverlay(added.made);
}

/** Put a changed overlay in place of the one of its id. */
export function changeOverlay(slide: Slide, overlay: Overlay, label = t("changeOverlay")): void {
  changeSlide(label, {
    ...slide, overlays: slide.overlays.map((other) => (other.id === overlay.id ? overlay : other)),
  }, `${label}-${overlay.id}`);
}

/** Take an overlay of the slide away, with all that is on it. */
export async function removeOverlay(overlay: string): Promise<void> {
  const removed = await edit({
    label: t("deleteOverlay"),
    ask: ({ slide }) => take(api.POST("/api/edits/overlay/remove", { body: { slide, overlay } })),
    then: () => ({}),
  });
  if (removed && useOverlay.getState().overlay === overlay) editOverlay(null);
}
