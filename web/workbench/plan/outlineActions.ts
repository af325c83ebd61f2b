/** What typing in the outline does to the course. */
import { api, take } from "../../api/client";
import type { Course, Slide } from "../../api/types";
import { apply as withChange } from "../store/changes";
import { attempt } from "../store/commands";
import { freshId } from "../store/ids";
import { hasWords } from "../store/richText";
import { duplicateSlide, deleteSlides } from "../store/slides";
import { apply, useCourse } from "../store/store";
import { withTitle } from "../store/titles";
import { fromLines, linesOf, movedLines, type Line } from "./lines";
import { t } from "../../words/plan";

const { getState: get } = useCourse;

function lines(): Line[] {
  return linesOf(get().course);
}

function write(label: string, next: readonly Line[], slides: Record<string, Slide> = {}, more: Partial<Course> = {}): void {
  apply(label, { course: { ...get().course, ...more, ...fromLines(next) }, slides });
}

/** A slide made in advance, so that a new line is there as soon as Enter is pressed. */
let spare: { slide: Slide; course: Course } | null = null;

/** Fetch what adding a line needs, so that typing never waits for the server. */
export function prepare(): Promise<void> {
  return attempt(async () => {
    const { course } = get();
    const body = { title: "", layout: "layouttitle", course };
    const made = await take(api.POST("/api/edits/new-slide", { body }));
    const grown = withChange(made.change, { course, slides: {} as Record<string, Slide> }, true).document;
    const slide = grown.slides[made.made];
    spare = slide ? { slide, course: grown.course } : null;
  });
}

function blank(title: string): Slide | null {
  if (!spare) return null;
  const { slide } = spare;
  const fresh = {
    ...slide, id: freshId(), elements: slide.elements.map((element) => ({ ...element, id: freshId() })),
  };
  return withTitle(fresh, title);
}

/** The layouts with the one that new slides follow. */
function layouts(): Course["layouts"] {
  const { course } = get();
  const wanted = spare?.course.layouts.find((layout) => layout.id === spare?.slide.layout);
  return wanted && !course.layouts.some((layout) => layout.id === wanted.id) ? [...course.layouts, wanted] : course.layouts;
}

/** A new slide behind the line `after`; returns its id. */
export function addLine(after: string | null, title = ""): string | null {
  const slide = blank(title);
  if (!slide) return null;
  const before = lines();
  const at = after === null ? 0 : before.findIndex((line) => line.id === after) + 1;
  const above = before[at - 1];
  const indent = above?.kind === "slide" ? get().slides[above.id]?.indent ?? 0 : 0;
  write(t("newLine"), [...before.slice(0, at), { kind: "slide", id: slide.id }, ...before.slice(at)],
    { [slide.id]: { ...slide, indent } }, { layouts: layouts() });
  return slide.id;
}

/** Add a section after a line, or at the end. Returns its id. */
export function addSection(after: string | null): string {
  const id = freshId();
  const before = lines();
  const at = after === null ? before.length : before.findIndex((line) => line.id === after) + 1;
  write(t("newSection"), [...before.slice(0, at), { kind: "section", id, title: "" }, ...before.slice(at)]);
  return id;
}

/** Give a section a title. */
export function renameSection(id: string, title: string): void {
  const { course } = get();
  const sections = course.sections.map((section) => (section.id === id ? { ...section, title } : section));
  apply(t("renameSection"), { course: { ...course, sections } }, { merge: `section-${id}` });
}

/** Further in: a section becomes a slide, a slide is indented. Returns the line's id from then on. */
export function furtherIn(id: string): string {
  const before = lines();
  const line = before.find((other) => other.id === id);
  if (line?.kind === "section") {
    const slide = blank(line.title);
    if (!slide) return id;
    write(t("indent2"), before.map((other) => (other.id === id ? { kind: "slide", id: slide.id } : other)),
      { [slide.id]: slide }, { layouts: layouts() });
    return slide.id;
  }
  indent(id, 1);
  return id;
}

/**
 * Further out: an indented slide comes out; one that has nothing on it but its title becomes a
 * section; before any other a section begins.
 */
export function furtherOut(id: string): string {
  const slide = get().slides[id];
  if (!slide) return id;
  if (slide.indent > 0) {
    indent(id, -1);
    return id;
  }
  const section: Line = { kind: "section", id: freshId(), title: slide.title };
  const empty = isEmpty(slide);
  write(t("outdent"), lines().flatMap((line) => (line.id !== id ? [line] : empty ? [section] : [section, line])));
  return section.id;
}

function indent(id: string, by: 1 | -1): void {
  const slide = get().slides[id];
  const next = Math.min(Math.max((slide?.indent ?? 0) + by, 0), 3);
  if (slide && next !== slide.indent) apply(t("indent2"), { slides: { [id]: { ...slide, indent: next } } });
}

function isEmpty(slide: Slide): boolean {
  return !slide.questions.length && !slide.notes && !slide.transcript && slide.elements.every((element) => (
    element.kind === "text" && (element.level === "title" || !hasWords(element.text))));
}

/** Take lines away: sections alone, or slides with what is on them. */
export function removeLines(ids: ReadonlySet<string>): void {
  const { course } = get();
  const sections = course.sections.filter((section) => !ids.has(section.id));
  const slides = course.slides.filter((slide) => ids.has(slide));
  if (sections.length < course.sections.length) apply(t("deleteSection"), { course: { ...course, sections } });
  if (slides.length) deleteSlides(slides);
}

/** Move lines before another; null puts them at the end. */
export function moveLines(ids: ReadonlySet<string>, before: string | null): void {
  const now = lines();
  const next = movedLines(now, ids, before);
  if (next.some((line, index) => line.id !== now[index]?.id)) write(t("move"), next);
}

/** Move lines one up or down. */
export function shiftLines(ids: ReadonlySet<string>, by: 1 | -1): void {
  const now = lines();
  const places = now.flatMap((line, index) => (ids.has(line.id) ? [index] : []));
  const [first, last] = [places[0], places.at(-1)];
  if (first === undefined || last === undefined) return;
  const before = by < 0 ? now[first - 1]?.id : now[last + 2]?.id ?? null;
  if (before !== undefined && !(by > 0 && last === now.length - 1)) moveLines(ids, before);
}

/** Copies of slides behind the line `after`. */
export async function copyLines(ids: readonly string[], after: string): Promise<void> {
  const above = lines().slice(0, lines().findIndex((line) => line.id === after) + 1);
  let place = above.findLast((line) => line.kind === "slide")?.id ?? null;
  for (const id of ids) {
    if (!get().slides[id]) continue;
    await duplicateSlide(id, place);
    place = get().selection.slide;
  }
}
