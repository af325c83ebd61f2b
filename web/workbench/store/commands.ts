/** What an author can do with elements and slides. What needs thought, the core does. */
import { api, take } from "../../api/client";
import type { Clipping, Element, Slide } from "../../api/types";
import { sayDone, sayError } from "../ui/toaster";
import { apply, changeElements, changeSlide, currentSlide, select, useCourse } from "./store";

const { getState: get } = useCourse;

export type Addition =
  | "title" | "text" | "rectangle" | "ellipse" | "line" | "picture" | "button" | "single_choice";

let copied: { clipping: Clipping; slide: string; times: number } | null = null;
const OFFSET = 24;

/** Run something that asks the server; say it when it does not work. */
async function attempt(work: () => Promise<void>): Promise<void> {
  try {
    await work();
  } catch (error) {
    sayError(error);
  }
}

export function addElement(
  what: Addition, at: [number, number] | null, finish?: (slide: Slide, ids: string[]) => Slide,
): Promise<void> {
  return attempt(async () => {
    const slide = currentSlide();
    if (!slide) return;
    const body = { slide, what, at, size: get().course.size };
    const added = await take(api.POST("/api/edits/add", { body }));
    const done = finish ? finish(added.slide, added.selected) : added.slide;
    changeSlide(`Add ${what.replace("_", " ")}`, done, undefined, { select: added.selected });
  });
}

export function removeSelected(): Promise<void> {
  return attempt(async () => {
    const slide = currentSlide();
    const { selected } = get().place;
    if (!slide || !selected.length) return;
    const body = { slide, elements: [...selected] };
    const { slide: rest } = await take(api.POST("/api/edits/remove", { body }));
    changeSlide("Delete", rest, undefined, { select: [] });
  });
}

export function copySelected(): Promise<void> {
  return attempt(async () => {
    const slide = currentSlide();
    const { selected } = get().place;
    if (!slide || !selected.length) return;
    const body = { slide, elements: [...selected] };
    const clipping = await take(api.POST("/api/edits/clip", { body }));
    copied = { clipping, slide: slide.id, times: 0 };
  });
}

export async function cutSelected(): Promise<void> {
  await copySelected();
  await removeSelected();
}

/** Paste what was copied: on another slide at the same place, on the same one a step aside. */
export function paste(): Promise<void> {
  return attempt(async () => {
    const slide = currentSlide();
    if (!slide || !copied) return;
    copied.times = copied.slide === slide.id ? copied.times + 1 : 0;
    copied.slide = slide.id;
    await pasteInto(slide, copied.clipping, OFFSET * copied.times, "Paste");
  });
}

export function duplicateSelected(): Promise<void> {
  return attempt(async () => {
    const slide = currentSlide();
    const { selected } = get().place;
    if (!slide || !selected.length) return;
    const body = { slide, elements: [...selected] };
    const clipping = await take(api.POST("/api/edits/clip", { body }));
    await pasteInto(slide, clipping, OFFSET, "Duplicate");
  });
}

async function pasteInto(slide: Slide, clipping: Clipping, by: number, label: string): Promise<void> {
  const body = { slide, clipping, dx: by, dy: by };
  const { slide: grown, selected } = await take(api.POST("/api/edits/paste", { body }));
  changeSlide(label, grown, undefined, { select: selected });
}

/** Move or resize the selected elements by slide pixels. */
export function nudge(dx: number, dy: number, resize: boolean): void {
  changeElements(resize ? "Resize" : "Move", get().place.selected, (element) => (resize
    ? { ...element, w: Math.max(element.w + dx, 0), h: Math.max(element.h + dy, 0) }
    : { ...element, x: element.x + dx, y: element.y + dy }
  ), resize ? "nudge-size" : "nudge");
}

/** Bring the selected elements to the front or the back. */
export function restack(where: "front" | "back"): void {
  const slide = currentSlide();
  if (!slide) return;
  const levels = slide.elements.map((element) => element.z);
  const z = where === "front" ? Math.max(...levels) + 1 : Math.min(...levels) - 1;
  changeElements(where === "front" ? "Bring to front" : "Send to back", get().place.selected,
    (element) => ({ ...element, z }));
}

/** Put an element at another place of the running order. */
export function reorderElement(id: string, to: number): void {
  const slide = currentSlide();
  if (!slide) return;
  const from = slide.elements.findIndex((element) => element.id === id);
  if (from < 0) return;
  changeSlide("Reorder", { ...slide, elements: moved(slide.elements, from, to) });
}

function moved<T>(items: readonly T[], from: number, to: number): T[] {
  const rest = items.filter((_, place) => place !== from);
  const place = Math.min(Math.max(to, 0), rest.length);
  return [...rest.slice(0, place), items[from] as T, ...rest.slice(place)];
}

export function renameElement(id: string, name: string): void {
  const slide = currentSlide();
  const taken = slide?.elements.some((element) => element.id !== id && element.name === name);
  if (!name.trim() || taken) return;
  changeElements("Rename", [id], (element) => ({ ...element, name: name.trim() }));
}

// Slides ---------------------------------------------------------------------------------------

export function addSlide(): Promise<void> {
  return attempt(async () => {
    const title = `Slide ${get().course.slides.length + 1}`;
    insert(await take(api.POST("/api/edits/new-slide", { body: { title } })), "Add slide");
  });
}

export function duplicateSlide(id: string): Promise<void> {
  return attempt(async () => {
    const { slides, course } = get();
    const slide = slides[id];
    if (!slide) return;
    const titles = course.slides.flatMap((other) => slides[other]?.title ?? []);
    const body = { slide, titles };
    insert(await take(api.POST("/api/edits/duplicate-slide", { body })), "Duplicate slide", id);
  });
}

/** Insert a slide after `after`, or after the current one. */
function insert(slide: Slide, label: string, after: string | null = get().place.slide): void {
  const { course } = get();
  const place = after ? course.slides.indexOf(after) + 1 : course.slides.length;
  const slides = [...course.slides.slice(0, place), slide.id, ...course.slides.slice(place)];
  apply(label, { course: { ...course, slides }, slides: { [slide.id]: slide } },
    { goTo: slide.id, select: [] });
}

export function deleteSlide(id: string): void {
  const { course, slides, place } = get();
  const index = course.slides.indexOf(id);
  if (index < 0) return;
  const rest = course.slides.filter((other) => other !== id);
  const next = place.slide === id ? rest[Math.min(index, rest.length - 1)] ?? null : place.slide;
  apply("Delete slide", { course: { ...course, slides: rest } }, { goTo: next, select: [] });
  sayDone(`“${slides[id]?.title ?? "The slide"}” was deleted. Ctrl+Z brings it back.`);
}

export function moveSlide(id: string, to: number): void {
  const { course } = get();
  const from = course.slides.indexOf(id);
  if (from < 0 || from === to) return;
  apply("Move slide", { course: { ...course, slides: moved(course.slides, from, to) } });
}

export function renameSlide(id: string, title: string): void {
  const slide = get().slides[id];
  if (slide && title.trim() && slide.title !== title.trim()) {
    changeSlide("Rename slide", { ...slide, title: title.trim() });
  }
}

/** Step through the elements of the slide in running order. */
export function selectNext(step: 1 | -1): void {
  const slide = currentSlide();
  if (!slide?.elements.length) return;
  const last = get().place.selected.at(-1);
  const here = slide.elements.findIndex((element: Element) => element.id === last);
  const next = (here + step + slide.elements.length) % slide.elements.length;
  select([(slide.elements[here < 0 && step < 0 ? slide.elements.length - 1 : next] as Element).id]);
}
