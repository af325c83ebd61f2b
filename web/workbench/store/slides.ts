/** What an author can do with slides and sections as a whole. */
import { api, take } from "../../api/client";
import type { Course, Section, Slide } from "../../api/types";
import { sayDone } from "../../kit/toaster";
import { attempt } from "./commands";
import { apply, changeSlide, knowMedia, useCourse } from "./store";
import { saveAll } from "./saver";
import { withTitle } from "./titles";

const { getState: get } = useCourse;
const USUAL = "layouttitle";

/** A slide that follows `layout`, else that of the slide before it. */
export function addSlide(wanted?: string): Promise<void> {
  return attempt(async () => {
    const { course, slides, place } = get();
    const layout = wanted ?? slides[place.slide ?? ""]?.layout ?? USUAL;
    const title = `Slide ${course.slides.length + 1}`;
    const made = await take(api.POST("/api/edits/new-slide", { body: { title, layout, course } }));
    if (made.course) knowMedia(made.course.media, made.media, made.previews);
    insert(made.slide, "Add slide", get().place.slide, made.course ?? get().course);
  });
}

/** Duplicate a slide, to stand behind it or behind `after`. */
export function duplicateSlide(id: string, after: string | null = id): Promise<void> {
  return attempt(async () => {
    const { slides, course } = get();
    const slide = slides[id];
    if (!slide) return;
    const titles = course.slides.flatMap((other) => slides[other]?.title ?? []);
    const body = { slide, titles };
    insert(await take(api.POST("/api/edits/duplicate-slide", { body })), "Duplicate slide", after);
  });
}

/** Insert a slide after `after`. */
function insert(slide: Slide, label: string, after: string | null, course: Course = get().course): void {
  const place = after ? course.slides.indexOf(after) + 1 : course.slides.length;
  const slides = [...course.slides.slice(0, place), slide.id, ...course.slides.slice(place)];
  apply(label, { course: { ...course, slides }, slides: { [slide.id]: slide } },
    { goTo: slide.id, select: [] });
}

/** Take slides out; a section that began with one begins with the next that stays. */
export function deleteSlides(ids: readonly string[]): void {
  const { course, slides, place } = get();
  const gone = new Set(ids);
  const rest = course.slides.filter((id) => !gone.has(id));
  if (rest.length === course.slides.length) return;
  const index = course.slides.findIndex((id) => gone.has(id));
  const here = place.slide && gone.has(place.slide) ? rest[Math.min(index, rest.length - 1)] ?? null : place.slide;
  const sections = course.sections.map((section) => ({
    ...section, before: nextStaying(course.slides, section.before ?? null, gone),
  }));
  apply("Delete slide", { course: { ...course, slides: rest, sections } }, { goTo: here, select: [] });
  const what = ids.length === 1 ? `“${slides[ids[0] as string]?.title ?? "The slide"}” was` : `${ids.length} slides were`;
  sayDone(`${what} deleted. Ctrl+Z brings ${ids.length === 1 ? "it" : "them"} back.`);
}

function nextStaying(order: readonly string[], from: string | null, gone: ReadonlySet<string>): string | null {
  if (from === null) return null;
  return order.slice(order.indexOf(from)).find((id) => !gone.has(id)) ?? null;
}

/** Move a slide; sections stay where they begin, so it may come into another one. */
export function moveSlide(id: string, to: number): void {
  const { course } = get();
  const from = course.slides.indexOf(id);
  if (from < 0 || from === to) return;
  const rest = course.slides.filter((other) => other !== id);
  const place = Math.min(Math.max(to, 0), rest.length);
  const sections: Section[] = course.sections.map((section) => (section.before === id
    ? { ...section, before: course.slides[from + 1] ?? null } : section));
  apply("Move slide", {
    course: { ...course, slides: [...rest.slice(0, place), id, ...rest.slice(place)], sections },
  });
}

/** Rename a slide, and the title on it where that said the same. */
export function renameSlide(id: string, title: string, merge?: string): void {
  const slide = get().slides[id];
  if (slide && slide.title !== title) changeSlide("Rename slide", withTitle(slide, title), merge);
}

/** Let the current slide follow another layout, or none. */
export function changeLayout(layout: string | null): Promise<void> {
  return attempt(async () => {
    const { slides, place, course } = get();
    const slide = slides[place.slide ?? ""];
    if (!slide) return;
    const edited = await take(api.POST("/api/edits/change-layout", { body: { slide, course, layout } }));
    apply("Change layout", {
      slides: { [slide.id]: edited.slide }, ...(edited.course ? { course: edited.course } : {}),
    }, { select: [] });
  });
}

/** Make a layout of the current slide. */
export function makeLayout(name: string): Promise<void> {
  return attempt(async () => {
    const { slides, place, course } = get();
    const slide = slides[place.slide ?? ""];
    if (!slide) return;
    const { slide: after, course: grown } = await take(api.POST("/api/edits/layout-from", { body: { slide, course, name } }));
    apply("Make a layout", { slides: { [slide.id]: after }, ...(grown ? { course: grown } : {}) }, { select: [] });
    sayDone(`“${name}” is now a layout of this course.`);
  });
}

/** Let the current slide's layout become as the slide is; all that follow it change with it. */
export function updateLayout(): Promise<void> {
  return attempt(async () => {
    const { slides, place, course } = get();
    const slide = slides[place.slide ?? ""];
    if (!slide) return;
    const { slide: after, course: grown } = await take(api.POST("/api/edits/update-layout", { body: { slide, course } }));
    apply("Change the layout", { slides: { [slide.id]: after }, ...(grown ? { course: grown } : {}) });
    sayDone("The layout was changed, and the slides that follow it.");
  });
}

/** Give the course another slide size; everything keeps its place in the picture. */
export function resizeSlides(w: number, h: number): Promise<void> {
  return attempt(async () => {
    await saveAll();
    const params = { path: { slug: get().slug } };
    const { course, slides } = await take(api.POST("/api/edits/resize/{slug}", { params, body: { w, h } }));
    apply("Change slide size", {
      ...(course ? { course } : {}), slides: Object.fromEntries(slides.map((slide) => [slide.id, slide])),
    }, { select: [], stored: true });
  });
}

/** Paste lines of text as sections and slides behind `after`. */
export function pasteOutline(text: string, after: string | null): Promise<void> {
  return attempt(async () => {
    const { course } = get();
    const made = await take(api.POST("/api/edits/outline", { body: { text, course, after } }));
    const slides = Object.fromEntries(made.slides.map((slide) => [slide.id, slide]));
    apply("Paste outline", { ...(made.course ? { course: made.course } : {}), slides });
    sayDone(`${made.slides.length} slides were made. Ctrl+Z takes them back.`);
  });
}
