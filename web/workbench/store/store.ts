/** The course as it is being edited: the document, the selection, and the way back. */
import { create } from "zustand";
import type { Colours, Course, Element, MediaFile, Slide } from "../../api/types";
import type { MediaEntry, MediaMap } from "../../player/render/ElementView";
import { following, sourcesOf, type Sources } from "../../player/render/resolve";
import { nameValues } from "../../player/render/valueNames";
import { settled } from "./following";
import { NOTHING } from "./emptyCourse";
import { remembered, type Change, type Conflict, type Parts, type Place, type Saving } from "./model";
import { throughLook, useLook } from "../looks/looks";
import { titleAfter } from "./titles";

export interface Versions {
  course: number;
  slides: Readonly<Record<string, number>>;
}

/** Where stored bytes are found, by their SHA-256. */
type Addresses = Readonly<Record<string, { src: string; preview: string }>>;

interface CourseState {
  slug: string;
  course: Course;
  /** The settings as the server last had them. */
  base: Course;
  /** All slides, their elements as they look after the layouts and styles that they follow. */
  slides: Readonly<Record<string, Slide>>;
  /** What slides may follow. */
  sources: Sources;
  versions: Versions;
  media: MediaMap;
  addresses: Addresses;
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

export const useCourse = create<CourseState>(() => ({
  slug: "", course: NOTHING, base: NOTHING, slides: {}, sources: sourcesOf(NOTHING), versions: { course: 0, slides: {} }, media: {}, addresses: {},
  place: { slide: null, selected: [] }, editing: null, holding: false, past: [], future: [],
  dirty: new Set(), saving: { kind: "saved" }, conflict: null,
}));

const { getState: get, setState: set } = useCourse;

export interface Loaded {
  slug: string;
  version: number;
  course: Course;
  media: Record<string, string>;
  previews: Record<string, string>;
  slides: { version: number; slide: Slide }[];
}

/** Take in a course from the server. */
export function load(data: Loaded): void {
  const sources = sourcesOf(data.course);
  const slides = Object.fromEntries(
    data.slides.map(({ slide }) => [slide.id, following(slide, sources)]),
  );
  const kept = get().slug === data.slug ? get().place : null;
  const slide = kept?.slide && slides[kept.slide] ? kept.slide : data.course.slides[0] ?? null;
  set({
    slug: data.slug, course: data.course, base: data.course, slides, sources,
    versions: {
      course: data.version,
      slides: Object.fromEntries(data.slides.map(({ slide: s, version }) => [s.id, version])),
    },
    media: {}, addresses: {},
    place: { slide, selected: [] }, editing: null, past: [], future: [], dirty: new Set(),
    saving: { kind: "saved" }, conflict: null,
  });
  knowMedia(data.course.media, data.media, data.previews);
}

/** Return what is to be known of `files` to show them, in the colours of the theme. */
function mediaFor(files: readonly MediaFile[], addresses: Addresses, colours: Colours): MediaMap {
  const code = Object.values(colours).map((colour) => colour.slice(1)).join("-");
  const coloured = (url: string): string => url.replace(/\?colours=.*$/, `?colours=${code}`);
  return Object.fromEntries(files.map(({ id, sha256, type, w, h, duration, captions }): [string, MediaEntry] => {
    const { src, preview } = addresses[sha256] ?? { src: "", preview: "" };
    return [id, { src: coloured(src), preview: coloured(preview), type, w, h, duration, captions }];
  }));
}

/** Let files be known, so that they can be shown at once. */
export function knowMedia(
  files: readonly MediaFile[], urls: Readonly<Record<string, string>>, previews: Readonly<Record<string, string>>,
): void {
  const { addresses, course, media } = get();
  const known = { ...addresses };
  for (const { id, sha256 } of files) {
    if (urls[id]) known[sha256] = { src: urls[id], preview: previews[id] ?? "" };
  }
  set({ addresses: known, media: { ...media, ...mediaFor(files, known, course.theme.colours) } });
}

interface Options {
  /** Changes with the same key in a row become one step back. */
  merge?: string;
  select?: readonly string[];
  goTo?: string | null;
  /** The slides come as they were stored: what they follow may have changed since. */
  stored?: boolean;
}

/** Change the course; every change goes through here, so every change can be undone. */
export function apply(label: string, change: Parts, options: Options = {}): void {
  const { course, slides, place, past, dirty, sources } = get();
  const next = change.course ? sourcesFor(change.course) : sources;
  const after: Parts = {
    ...change,
    slides: Object.fromEntries(Object.entries(change.slides ?? {}).map(
      ([id, slide]) => [id, settled(options.stored ? following(slide, next) : slide, slides[id], next)],
    )),
  };
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
  const step: Change = {
    label, before, after, from: place, to, merge: options.merge ?? null, at: Date.now(),
  };
  set({
    ...laid(after), place: to, past: remembered(past, step), future: [],
    dirty: marked(dirty, after),
  });
}

/** Lay parts over the present document; where styles or layouts change, all slides follow. */
export function laid(parts: Parts): Pick<CourseState, "course" | "slides" | "sources" | "media"> {
  const state = get();
  const course = parts.course ?? state.course;
  const sources = sourcesFor(course);
  const all = { ...state.slides, ...parts.slides };
  const changed = sources === state.sources ? Object.keys(parts.slides ?? {}) : Object.keys(all);
  for (const id of changed) all[id] = following(all[id] as Slide, sources);
  const { colours } = course.theme;
  const shown = course.media !== state.course.media || colours !== state.course.theme.colours;
  const media = shown ? { ...state.media, ...mediaFor(course.media, state.addresses, colours) } : state.media;
  return { course, slides: all, sources, media };
}

/** The sources of `course`: those that are there while its styles and layouts are the same. */
function sourcesFor(course: Course): Sources {
  const state = get();
  const same = course.styles === state.course.styles && course.layouts === state.course.layouts;
  return same ? state.sources : sourcesOf(course);
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

/** Resolves as soon as nothing is held under the pointer: what can wait does not disturb a drag. */
export function released(): Promise<void> {
  return new Promise((resolve) => {
    if (!get().holding) {
      resolve();
      return;
    }
    const stop = useCourse.subscribe(({ holding }) => {
      if (holding) return;
      stop();
      resolve();
    });
  });
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
  const { element, look } = useLook.getState();
  const through = look && ids.length === 1 && ids[0] === element ? look : null;
  const elements = slide.elements.map((e) => (
    !wanted.has(e.id) ? e : through ? throughLook(e, through, change) : change(e)
  ));
  changeSlide(label, { ...slide, elements, title: titleAfter(slide, elements) }, merge);
}

export function changeSlide(label: string, slide: Slide, merge?: string, options: Options = {}): void {
  apply(label, { slides: { [slide.id]: slide } }, { ...options, ...(merge ? { merge } : {}) });
}

export function changeCourse(label: string, change: Partial<Course>, merge?: string): void {
  apply(label, { course: { ...get().course, ...change } }, merge ? { merge } : {});
}

// What stands for values in drawings and lists follows the names of the variables.
useCourse.subscribe((state, before) => {
  if (state.course.variables !== before.course.variables) nameValues(state.course.variables);
});
