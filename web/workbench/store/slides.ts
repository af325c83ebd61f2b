/** What an author can do with slides and sections as a whole. */
import { api, take } from "../../api/client";
import type { Quiz, Section } from "../../api/types";
import { sayDone } from "../../kit/toaster";
import { attempt } from "./commands";
import { edit, editCourse } from "./edits";
import type { Document } from "./model";
import { apply, changeSlide, useCourse } from "./store";
import { save, saveAll } from "./saver";
import { withTitle } from "./titles";
import { t } from "../../words/store";

const { getState: get } = useCourse;
const USUAL = "layouttitle";

/** A slide that follows `layout`, else that of the slide before it. */
export async function addSlide(wanted?: string): Promise<void> {
  const after = get().selection.slide;
  await editCourse({
    label: t("addSlide"),
    ask: ({ course, slides }) => {
      const layout = wanted ?? slides[after ?? ""]?.layout ?? USUAL;
      const body = { title: t("slideSlides", { slides: course.slides.length + 1 }), layout, course };
      return take(api.POST("/api/edits/new-slide", { body }));
    },
    finish: (document, { made }) => listed(document, made, after),
    then: ({ made }) => ({ goTo: made, select: [] }),
  });
}

/** Duplicate a slide, to stand behind it or behind `after`. */
export async function duplicateSlide(id: string, after: string | null = id): Promise<void> {
  await editCourse({
    label: t("duplicateSlide"),
    ask: ({ course, slides }) => {
      const slide = slides[id];
      const titles = course.slides.flatMap((other) => slides[other]?.title ?? []);
      return slide ? take(api.POST("/api/edits/duplicate-slide", { body: { slide, titles } })) : null;
    },
    finish: (document, { made }) => listed(document, made, after),
    then: ({ made }) => ({ goTo: made, select: [] }),
  });
}

/** The course with a slide in its order, after `after`; in the set of a quiz where that is in one. */
function listed(document: Document, slide: string, after: string | null): Document {
  const { course } = document;
  const sections = course.sections.map((section) => ({ ...section, quiz: section.quiz && joined(section.quiz, slide, after) }));
  const index = after ? course.slides.indexOf(after) + 1 : course.slides.length;
  const slides = [...course.slides.slice(0, index), slide, ...course.slides.slice(index)];
  return { ...document, course: { ...course, slides, sections } };
}

function joined(quiz: Quiz, slide: string, after: string | null): Quiz {
  const sets = quiz.sets.map((set) => {
    const at = after === null ? -1 : set.slides.indexOf(after);
    return at < 0 ? set : { ...set, slides: [...set.slides.slice(0, at + 1), slide, ...set.slides.slice(at + 1)] };
  });
  return { ...quiz, sets };
}

/** Take slides out, at once to be seen, and out of all that leads to them or names what is on them. */
export async function deleteSlides(ids: readonly string[]): Promise<void> {
  const { slug, course, slides, selection } = get();
  const gone = new Set(ids);
  const rest = course.slides.filter((id) => !gone.has(id));
  const out = course.slides.filter((id) => gone.has(id));
  if (!out.length) return;
  const index = course.slides.indexOf(out[0] as string);
  const here = selection.slide && gone.has(selection.slide) ? rest[Math.min(index, rest.length - 1)] ?? null : selection.slide;
  const title = slides[out[0] as string]?.title;
  const asked = editCourse({
    label: t("deleteSlide"), goTo: here,
    expect: (document) => ({ ...document, course: { ...document.course, slides: rest } }),
    ask: async (base) => {
      // What names them elsewhere is looked for in what is saved.
      await save();
      const body = { course: base.course, slides: out };
      return take(api.POST("/api/edits/remove-slides/{slug}", { params: { path: { slug } }, body }));
    },
    then: () => ({}),
  });
  if (await asked) sayDone(out.length === 1 ? t("titleWasDeletedCtrlZ", { title: title ?? "" }) : t("numberSlidesWereDeletedCtrl", { number: out.length }));
}

/** Move a slide; sections stay where they begin, so it may come into another one. */
export function moveSlide(id: string, to: number): void {
  const { course } = get();
  const from = course.slides.indexOf(id);
  if (from < 0 || from === to) return;
  const rest = course.slides.filter((other) => other !== id);
  const index = Math.min(Math.max(to, 0), rest.length);
  const sections: Section[] = course.sections.map((section) => (section.before === id
    ? { ...section, before: course.slides[from + 1] ?? null } : section));
  apply(t("moveSlide"), {
    course: { ...course, slides: [...rest.slice(0, index), id, ...rest.slice(index)], sections },
  });
}

/** Rename a slide, and the title on it where that said the same. */
export function renameSlide(id: string, title: string, merge?: string): void {
  const slide = get().slides[id];
  if (slide && slide.title !== title) changeSlide(t("renameSlide"), withTitle(slide, title), merge);
}

/** Let the current slide follow another layout, or none. */
export async function changeLayout(layout: string | null): Promise<void> {
  await edit({
    label: t("changeLayout"),
    ask: ({ slide, course }) => take(api.POST("/api/edits/change-layout", { body: { slide, course, layout } })),
  });
}

/** Make a layout of the current slide. */
export async function makeLayout(name: string): Promise<void> {
  const made = await edit({
    label: t("makeALayout"),
    ask: ({ slide, course }) => take(api.POST("/api/edits/layout-from", { body: { slide, course, name } })),
  });
  if (made) sayDone(t("nameIsNowALayout", { name }));
}

/** Let the current slide's layout become as the slide is; all that follow it change with it. */
export async function updateLayout(): Promise<void> {
  const made = await edit({
    label: t("changeTheLayout"),
    ask: ({ slide, course }) => take(api.POST("/api/edits/update-layout", { body: { slide, course } })),
    then: () => ({}),
  });
  if (made) sayDone(t("theLayoutAndTheSlides"));
}

/** Give the course another slide size; everything keeps its place in the picture. */
export function resizeSlides(w: number, h: number): Promise<void> {
  return attempt(async () => {
    await saveAll();
    const params = { path: { slug: get().slug } };
    await editCourse({
      label: t("changeSlideSize"),
      ask: () => take(api.POST("/api/edits/resize/{slug}", { params, body: { w, h } })),
      then: () => ({ select: [], stored: true }),
    });
  });
}

/** Take out of the course whatever names something that is gone, as a course from elsewhere may. */
export function takeOutLost(): Promise<void> {
  return attempt(async () => {
    await saveAll();
    const params = { path: { slug: get().slug } };
    const mended = await editCourse({
      label: t("removeReferencesToDeletedElements"),
      ask: () => take(api.POST("/api/edits/mend/{slug}", { params })),
      then: () => ({ stored: true }),
    });
    if (mended) sayDone(t("referencesToDeletedElementsWere"));
  });
}

/** Paste lines of text as sections and slides behind `after`. */
export async function pasteOutline(text: string, after: string | null): Promise<void> {
  const before = get().course.slides.length;
  const made = await editCourse({
    label: t("pasteOutline"),
    ask: ({ course }) => take(api.POST("/api/edits/outline", { body: { text, course, after } })),
    then: () => ({}),
  });
  if (made) sayDone(t("slidesSlidesWereMadeCtrl", { slides: get().course.slides.length - before }));
}
