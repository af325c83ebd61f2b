/** The course as it is being edited: the document, the selection, and the way back. */
import { create } from "zustand";
import type { Course, Element, MediaFile, Slide } from "../../api/types";
import type { MediaMap } from "../../player/render/ElementView";
import { remembered, type Change, type Conflict, type Parts, type Place, type Saving } from "./model";

export interface Versions {
  course: number;
  slides: Readonly<Record<string, number>>;
}

interface CourseState {
  slug: string;
  course: Course;
  /** The settings as the server last had them. */
  base: Course;
  slides: Readonly<Record<string, Slide>>;
  versions: Versions;
  media: MediaMap;
  place: Place;
  /** The element whose text is being edited in place. */
  editing: string | null;
  /** Whether something on the slide is held by the pointer: what is not at hand waits. */
  holding: boolean;
  past: readonly Change[];
  future: readonly Change[];
  /** What the server has not got yet: slide ids, and "course" for the settings. */
  dirty: ReadonlySet<string>;
  saving: Saving;
  conflict: Conflict | null;
}

const NOTHING: Course = {
  format: 1, id: "none", title: "", language: "en", size: { w: 1280, h: 720 }, slides: [],
  variables: [], media: [], completion: { slides_share: 1, passing: false }, pass_mark: 80,
  remembered: {},
};

export const useCourse = create<CourseState>(() => ({
  slug: "", course: NOTHING, base: NOTHING, slides: {}, versions: { course: 0, slides: {} }, media: {},
  place: { slide: null, selected: [] }, editing: null, holding: false, past: [], future: [],
  dirty: new Set(), saving: { kind: "saved" }, conflict: null,
}));

const { getState: get, setState: set } = useCourse;

export interface Loaded {
  slug: string;
  version: number;
  course: Course;
  media: Record<string, string>;
  slides: { version: number; slide: Slide }[];
}

/** Take in a course from the server. */
export function load(data: Loaded): void {
  const slides = Object.fromEntries(data.slides.map(({ slide }) => [slide.id, slide]));
  const kept = get().slug === data.slug ? get().place : null;
  const slide = kept?.slide && slides[kept.slide] ? kept.slide : data.course.slides[0] ?? null;
  set({
    slug: data.slug, course: data.course, base: data.course, slides,
    versions: {
      course: data.version,
      slides: Object.fromEntries(data.slides.map(({ slide: s, version }) => [s.id, version])),
    },
    media: mediaMap(data.course.media, data.media),
    place: { slide, selected: [] }, editing: null, past: [], future: [], dirty: new Set(),
    saving: { kind: "saved" }, conflict: null,
  });
}

export function mediaMap(files: readonly MediaFile[], urls: Readonly<Record<string, string>>): MediaMap {
  return Object.fromEntries(
    files.map(({ id, w, h }) => [id, { src: urls[id] ?? "", w, h }]),
  );
}

interface Options {
  /** Changes with the same key in a row become one step back. */
  merge?: string;
  select?: readonly string[];
  goTo?: string | null;
}

/** Change the course; every change goes through here, so every change can be undone. */
export function apply(label: string, after: Parts, options: Options = {}): void {
  const { course, slides, place, past, dirty } = get();
  const before: Parts = {
    ...(after.course ? { course } : {}),
    slides: Object.fromEntries(
      Object.keys(after.slides ?? {}).flatMap((id) => (slides[id] ? [[id, slides[id]]] : [])),
    ),
  };
  const to: Place = {
    slide: options.goTo !== undefined ? options.goTo : place.slide,
    selected: options.select ?? place.selected,
  };
  const change: Change = {
    label, before, after, from: place, to, merge: options.merge ?? null, at: Date.now(),
  };
  set({
    ...laid(after), place: to, past: remembered(past, change), future: [],
    dirty: marked(dirty, after),
  });
}

/** Lay parts over the present document. */
function laid(parts: Parts): Pick<CourseState, "course" | "slides"> {
  const { course, slides } = get();
  return { course: parts.course ?? course, slides: { ...slides, ...parts.slides } };
}

function marked(dirty: ReadonlySet<string>, parts: Parts): ReadonlySet<string> {
  return new Set([
    ...dirty, ...Object.keys(parts.slides ?? {}), ...(parts.course ? ["course"] : []),
  ]);
}

export function undo(): void {
  const { past, future, dirty } = get();
  const change = past.at(-1);
  if (!change) return;
  set({
    ...laid(change.before), place: change.from, editing: null, past: past.slice(0, -1),
    future: [...future, change], dirty: marked(dirty, change.after),
  });
}

export function redo(): void {
  const { past, future, dirty } = get();
  const change = future.at(-1);
  if (!change) return;
  set({
    ...laid(change.after), place: change.to, editing: null, past: [...past, change],
    future: future.slice(0, -1), dirty: marked(dirty, change.after),
  });
}

export function currentSlide(): Slide | null {
  const { slides, place } = get();
  return place.slide ? slides[place.slide] ?? null : null;
}

export function goToSlide(slide: string | null): void {
  set({ place: { slide, selected: [] }, editing: null });
}

export function select(selected: readonly string[]): void {
  const { place } = get();
  set({ place: { ...place, selected }, editing: null });
}

export function hold(holding: boolean): void {
  set({ holding });
}

export function edit(element: string | null): void {
  set({ editing: element });
}

/** Change elements of the current slide. */
export function changeElements(
  label: string, ids: readonly string[], change: (element: Element) => Element, merge?: string,
): void {
  const slide = currentSlide();
  if (!slide || !ids.length) return;
  const wanted = new Set(ids);
  const elements = slide.elements.map((e) => (wanted.has(e.id) ? change(e) : e));
  changeSlide(label, { ...slide, elements }, merge);
}

export function changeSlide(label: string, slide: Slide, merge?: string, options: Options = {}): void {
  apply(label, { slides: { [slide.id]: slide } }, { ...options, ...(merge ? { merge } : {}) });
}

export function changeCourse(label: string, change: Partial<Course>, merge?: string): void {
  apply(label, { course: { ...get().course, ...change } }, merge ? { merge } : {});
}

/** Let a new media file be known, so that slides can show it at once. */
export function addMedia(file: MediaFile, url: string): void {
  set({ media: { ...get().media, [file.id]: { src: url, w: file.w, h: file.h } } });
}
