/** What an author can do with elements. What needs thought, the core does. */
import { api, take } from "../../api/client";
import type { paths } from "../../api/api";
import type { Edited, Element, Slide } from "../../api/types";
import { withMembers } from "../editor/stage/geometry";
import { sayError } from "../../kit/toaster";
import { edit, type SlideBase, type SlideRequest } from "./edits";
import { changeElements, changeSlide, currentSlide, select, useCourse } from "./store";
import { t } from "../../words/store";

const { getState: get } = useCourse;

type ArrangeBody = paths["/api/edits/arrange"]["post"]["requestBody"]["content"]["application/json"];
export type Arrangement = Partial<Pick<ArrangeBody,
  "edge" | "axis" | "by" | "side" | "row" | "turn" | "flip" | "level" | "to_slide">>;

/** Run something that asks the server; say it when it does not work. */
export async function attempt(work: () => Promise<void>): Promise<void> {
  try {
    await work();
  } catch (error) {
    sayError(error);
  }
}

/** Do something with the selected elements of the slide. */
function editSelected(
  label: string, ask: (slide: Slide, elements: string[], base: SlideBase) => Promise<Edited>,
  options: Pick<SlideRequest, "expect" | "then"> = {},
): Promise<unknown> {
  return edit({
    label, ...options,
    ask: (base) => {
      const elements = unlocked(base.slide, base.selected);
      return elements.length ? ask(base.slide, elements, base) : null;
    },
  });
}

/** What is locked is left alone, whatever is done to the rest. */
function unlocked(slide: Slide | null, ids: readonly string[]): string[] {
  const locked = new Set(slide?.elements.flatMap((element) => (element.locked ? [element.id] : [])));
  return ids.filter((id) => !locked.has(id));
}

/** Take the selected elements away: at once to be seen, and from all that names them. */
export function removeSelected(): Promise<unknown> {
  const { slug, selection: { selected } } = get();
  return editSelected("Delete",
    (slide, elements) => take(api.POST("/api/edits/remove", { body: { slide, elements, things: [], course: slug } })),
    { expect: (slide) => withoutElements(slide, unlocked(slide, selected)), then: () => ({ select: [] }) });
}

type RemoveBody = paths["/api/edits/remove"]["post"]["requestBody"]["content"]["application/json"];
export type Thing = RemoveBody["things"][number];

/** Take something off the slide that is no element, and from all that names it; `expect` shows it at once. */
export function removeThing(label: string, thing: Thing, expect: (slide: Slide) => Slide): Promise<unknown> {
  const { slug } = get();
  return edit({
    label, expect, then: () => ({}),
    ask: ({ slide }) => take(api.POST("/api/edits/remove", { body: { slide, elements: [], things: [thing], course: slug } })),
  });
}

function withoutElements(slide: Slide, ids: readonly string[]): Slide {
  const gone = withMembers(slide.elements, ids);
  return { ...slide, elements: slide.elements.filter(({ id }) => !gone.has(id)) };
}

/** Make one group of what is selected. */
export const groupSelected = (): Promise<unknown> => editSelected(t("group"),
  (slide, elements) => take(api.POST("/api/edits/group", { body: { slide, elements } })));

/** Take the selected groups apart. */
export const ungroupSelected = (): Promise<unknown> => editSelected(t("ungroup"),
  (slide, elements) => take(api.POST("/api/edits/ungroup", { body: { slide, elements } })));

/** Line up, space, size or stack what is selected. */
export const arrangeSelected = (label: string, how: Arrangement): Promise<unknown> => editSelected(label,
  (slide, elements, base) => take(api.POST("/api/edits/arrange", {
    body: { slide, elements, size: base.course.size, by: "gaps", row: false, to_slide: false, ...how },
  })), { then: () => ({}) });

/** Move or resize the selected elements by slide pixels. */
export function nudge(dx: number, dy: number, resize: boolean): void {
  const slide = currentSlide();
  if (!slide) return;
  const ids = withMembers(slide.elements, unlocked(slide, get().selection.selected));
  changeElements(resize ? t("resize") : t("move"), [...ids], (element) => (resize
    ? { ...element, w: Math.max(element.w + dx, 0), h: Math.max(element.h + dy, 0) }
    : { ...element, x: element.x + dx, y: element.y + dy }
  ), resize ? "nudge-size" : "nudge");
}

/** Lock or unlock, show or hide while editing: for all that is selected alike. */
export function toggleSelected(what: "locked" | "hidden_while_editing"): void {
  const slide = currentSlide();
  const chosen = slide?.elements.filter((element) => get().selection.selected.includes(element.id)) ?? [];
  const on = !chosen.every((element) => element[what]);
  const ids = withMembers(slide?.elements ?? [], chosen.map((element) => element.id));
  const label = what === "locked" ? (on ? t("lock") : t("unlock")) : on ? t("hideWhileEditing") : t("showAgain");
  changeElements(label, [...ids], (element) => ({ ...element, [what]: on }));
}

/** Put an element at another place of the running order; a group takes its members along. */
export function reorderElement(id: string, to: number): void {
  const slide = currentSlide();
  const moving = slide?.elements.find((element) => element.id === id);
  if (!slide || !moving) return;
  const family = withMembers(slide.elements, [id]);
  const rest = slide.elements.filter((element) => !family.has(element.id));
  const from = slide.elements.indexOf(moving);
  const target = slide.elements[to];
  if (!target || family.has(target.id)) return;
  const index = rest.indexOf(target) + (to > from ? 1 : 0);
  const run = slide.elements.filter((element) => family.has(element.id));
  changeSlide(t("reorder"), { ...slide, elements: [...rest.slice(0, index), ...run, ...rest.slice(index)] });
}

/** Names are unique on a slide: one that is taken is not given again. */
export function renameElement(id: string, name: string): void {
  const slide = currentSlide();
  const taken = slide?.elements.some((element) => element.id !== id && element.name === name.trim());
  if (!name.trim() || taken) return;
  changeElements(t("rename"), [id], (element) => ({ ...element, name: name.trim() }));
}

/** Step through the elements of the slide in running order. */
export function selectNext(step: 1 | -1): void {
  const slide = currentSlide();
  if (!slide?.elements.length) return;
  const last = get().selection.selected.at(-1);
  const here = slide.elements.findIndex((element: Element) => element.id === last);
  const next = (here + step + slide.elements.length) % slide.elements.length;
  select([(slide.elements[here < 0 && step < 0 ? slide.elements.length - 1 : next] as Element).id]);
}
