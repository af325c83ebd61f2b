/**
 * The course as it is being edited: the document, the selection, and the way back.
 *
 * Everything that changes this state is a function of this file; no other file sets it.
 */
import { create } from "zustand";
import type { Change, Course, Element, MediaFile, Slide } from "../../api/types";
import type { MediaMap } from "../../player/render/mediaMap";
import { following, type Sources } from "../../player/render/resolve";
import { own } from "../../player/engine/own";
import { nameValues } from "../../player/render/valueNames";
import { mediaFor, type Addresses } from "./addresses";
import { edited, followed, sourcesFor, versionsOf, written, type Loaded } from "./documents";
import { EMPTY_COURSE } from "./emptyCourse";
import * as history from "./history";
import { SETTINGS, type Clash, type Document, type Entry, type Parts, type Refused, type Selection, type Saving, type Versions } from "./model";
import { throughLook, useLook } from "../looks/looks";
import { titleAfter } from "./titles";
import { t } from "../../words/store";

interface CourseState extends Document {
  slug: string;
  /** How often a course was opened: what was begun before belongs to another one. */
  opened: number;
  past: readonly Entry[];
  future: readonly Entry[];
  /** The documents as the server last had them: saving sends the difference. */
  saved: Document;
  versions: Versions;
  /** What slides may follow. */
  sources: Sources;
  media: MediaMap;
  addresses: Addresses;
  selection: Selection;
  /** The element whose text is being edited in place. */
  editing: string | null;
  /** Whether something on the slide is held by the pointer: what is not at hand waits. */
  holding: boolean;
  /** What the server has not got yet: slide ids, and "course" for the settings. */
  dirty: ReadonlySet<string>;
  saving: Saving;
  clash: Clash | null;
  /** What the server does not take, by the name of the document; it is sent again once it has changed. */
  refused: Readonly<Record<string, Refused>>;
  /** What of an edit could not be kept, to be told to the author once. */
  lost: readonly history.Lost[];
}

const EMPTY: Document = { course: EMPTY_COURSE, slides: {} };
const NOWHERE: Selection = { slide: null, selected: [] };

export const useCourse = create<CourseState>(() => ({
  slug: "", opened: 0, ...EMPTY, saved: EMPTY, sources: sourcesFor(EMPTY_COURSE),
  versions: { course: 0, slides: {} }, media: {}, addresses: {}, selection: NOWHERE,
  editing: null, holding: false, past: [], future: [], dirty: new Set(), saving: { kind: "saved" },
  clash: null, refused: {}, lost: [],
}));

const { getState: get, setState: set } = useCourse;

// Opening and closing

/** Take in a course from the server. */
export function load(data: Loaded): void {
  const sources = sourcesFor(data.course);
  const slides = Object.fromEntries(
    data.slides.map(({ slide }) => [slide.id, following(slide, sources)]),
  );
  const kept = get().slug === data.slug ? get().selection : null;
  const slide = kept?.slide && slides[kept.slide] ? kept.slide : data.course.slides[0] ?? null;
  const document = { course: data.course, slides };
  set({
    slug: data.slug, opened: get().opened + 1, ...document, saved: document, sources, versions: versionsOf(data),
    media: {}, addresses: {}, selection: { slide, selected: [] }, editing: null, past: [], future: [],
    dirty: new Set(), saving: { kind: "saved" }, clash: null, refused: {}, lost: [],
  });
  knowMedia(data.course.media, data.media, data.previews);
}

/** Forget which course is open, so that it is fetched again. */
export function close(): void {
  set({ slug: "" });
}

/** Lay over the opened course what an earlier visit has changed and could not send. */
export function recover(now: Parts, made: { saved: Parts; versions: Versions }): void {
  const { saved, versions, selection } = get();
  const recovered = written(present(), now);
  set({
    ...shown(recovered),
    saved: written(saved, made.saved),
    versions: {
      course: now.course ? made.versions.course : versions.course,
      slides: { ...versions.slides, ...made.versions.slides },
    },
    dirty: new Set([...Object.keys(now.slides ?? {}), ...(now.course ? [SETTINGS] : [])]),
    selection: recovered.slides[selection.slide ?? ""] ? selection : { slide: recovered.course.slides[0] ?? null, selected: [] },
  });
}

// Files

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

// Documents

function present(): Document {
  const { course, slides } = get();
  return { course, slides };
}

function timeline(): history.Timeline {
  const { past, future } = get();
  return { document: present(), past, future };
}

/** The state that shows `document`. */
function shown(document: Document): Partial<CourseState> {
  const state = get();
  const { course } = document;
  const { colours } = course.theme;
  const sources = sourcesFor(course);
  const recoloured = course.media !== state.course.media || colours !== state.course.theme.colours;
  return {
    course, slides: document.slides, sources,
    ...(recoloured ? { media: { ...state.media, ...mediaFor(course.media, state.addresses, colours) } } : {}),
    // What the server has follows, too: else saving would send what nobody has changed.
    ...(sources === state.sources ? {} : {
      saved: { ...state.saved, slides: followed({ ...state.saved, course }, state.saved).slides },
    }),
  };
}

/** Take over what an edit, or a step back, has come to. */
function follow({ timeline: { document, past, future }, lost }: history.Outcome, touched: Iterable<string>): void {
  set({
    ...shown(document), past, future, dirty: new Set([...get().dirty, ...touched]),
    ...(lost.length ? { lost: [...get().lost, ...lost] } : {}),
  });
}

// Edits

/** How an edit is kept, and where one is after it. */
export interface Options {
  /** Changes with the same key in a row become one step back. */
  merge?: string;
  select?: readonly string[];
  goTo?: string | null;
  /** The slides come as they were stored: what they follow may have changed since. */
  stored?: boolean;
}

let entries = 0;

function entryOf(label: string, options: Options): Omit<Entry, "change" | "intent" | "pending"> {
  const { selection } = get();
  const to: Selection = options.goTo === undefined && options.select === undefined ? selection : {
    slide: options.goTo !== undefined ? options.goTo : selection.slide,
    selected: options.select ?? selection.selected,
  };
  return { id: ++entries, label, from: selection, to, merge: options.merge ?? null, at: Date.now() };
}

/** Change the course; every change goes through here, so every change can be undone. */
export function apply(label: string, parts: Parts, options: Options = {}): void {
  const document = present();
  const after = edited(written(document, parts), document, options.stored);
  const entry = { ...entryOf(label, options), pending: false };
  set({ selection: entry.to });
  const touched = [...Object.keys(parts.slides ?? {}), ...(parts.course ? [SETTINGS] : [])];
  follow({ timeline: history.record(timeline(), entry, after), lost: [] }, touched);
}

/**
 * Begin an edit that the core works out, and return its number. `expected` is shown until then.
 */
export function begin(
  label: string, expected?: (document: Document) => Document, options: Options = {},
): number {
  const document = present();
  const entry = { ...entryOf(label, options), pending: true };
  if (entry.to !== get().selection) set({ selection: entry.to, editing: null });
  follow({ timeline: history.record(timeline(), entry, expected ? expected(document) : document), lost: [] }, []);
  return entry.id;
}

/** The document and the place that a begun edit is made from; null if it was taken back meanwhile. */
export function baseOf(id: number): { document: Document; selection: Selection } | null {
  const entry = get().past.find((other) => other.id === id && other.pending);
  return entry ? { document: history.before(timeline(), id, followed), selection: entry.to } : null;
}

/**
 * Take over what a begun edit comes to; `finish` does more in the same step. Where nothing was selected
 * or gone to meanwhile, `options` say what is now.
 */
export function settle(
  id: number, change: Change, options: Options = {}, finish: (made: Document) => Document = (made) => made,
): void {
  const entry = get().past.find((other) => other.id === id && other.pending);
  const outcome = history.settle(timeline(), id, {
    change, finish: (made, before) => edited(finish(made), before, options.stored),
  }, followed);
  const done = outcome.timeline.past.find((other) => other.id === id);
  follow(outcome, done ? history.documentsOf(done.change) : []);
  if (entry) moveOn(entry.to, {
    slide: options.goTo !== undefined ? options.goTo : entry.to.slide,
    selected: options.select ?? entry.to.selected,
  });
}

/** Give up a begun edit: it was refused, or its answer never came. */
export function giveUp(id: number): void {
  follow(history.drop(timeline(), id, followed), []);
}

/** Be at `next` where one was at `before`, now and in the entries that were made there. */
function moveOn(before: Selection, next: Selection): void {
  if (before.slide === next.slide && before.selected.join() === next.selected.join()) return;
  const moved = (selection: Selection): Selection => (selection === before ? next : selection);
  const { selection, past } = get();
  const from = past.findIndex((entry) => entry.to === before);
  set({
    past: past.map((entry, n) => (n < from ? entry : {
      ...entry, from: n === from ? entry.from : moved(entry.from), to: moved(entry.to) })),
    ...(selection === before ? { selection: next, editing: null } : {}),
  });
}

/** Take back the last edit. */
export function undo(): void {
  const entry = get().past.at(-1);
  if (!entry) return;
  set({ selection: entry.from, editing: null });
  follow(history.undo(timeline(), followed), history.documentsOf(entry.change));
}

/** Make the last edit that was taken back again. */
export function redo(): void {
  const entry = get().future.at(-1);
  if (!entry) return;
  set({ selection: entry.to, editing: null });
  follow(history.redo(timeline(), followed), history.documentsOf(entry.intent));
}

/** Forget what could not be kept, once it was told. */
export function toldLost(): void {
  if (get().lost.length) set({ lost: [] });
}

/** Return the slide that is shown, as it is edited. */
export function currentSlide(): Slide | null {
  const { slides, selection } = get();
  return selection.slide ? slides[selection.slide] ?? null : null;
}

/** Change elements of the current slide, or of another one. */
export function changeElements(
  label: string, ids: readonly string[], change: (element: Element) => Element, merge?: string, slide = currentSlide(),
): void {
  if (!slide || !ids.length) return;
  const wanted = new Set(ids);
  const { element, look } = useLook.getState();
  const through = look && ids.length === 1 && ids[0] === element ? look : null;
  const elements = slide.elements.map((e) => (
    !wanted.has(e.id) ? e : through ? throughLook(e, through, change) : change(e)
  ));
  changeSlide(label, { ...slide, elements, title: titleAfter(slide, elements) }, merge);
}

/** Put `slide` in place of the one with its id; edits of one `merge` in a row are one for undo. */
export function changeSlide(label: string, slide: Slide, merge?: string, options: Options = {}): void {
  apply(label, { slides: { [slide.id]: slide } }, { ...options, ...(merge ? { merge } : {}) });
}

/** Change some of the course's settings; edits of one `merge` in a row are one for undo. */
export function changeCourse(label: string, change: Partial<Course>, merge?: string): void {
  apply(label, { course: { ...get().course, ...change } }, merge ? { merge } : {});
}

// Where one is

/** Show another slide, with nothing selected. */
export function goToSlide(slide: string | null): void {
  set({ selection: { slide, selected: [] }, editing: null });
}

/** Select elements, by id. */
export function select(selected: readonly string[]): void {
  const { selection } = get();
  set({ selection: { ...selection, selected }, editing: null });
}

/** Edit the words of an element on the slide; null ends it. */
export function edit(element: string | null): void {
  set({ editing: element });
}

/** Say whether something is being dragged: what may wait does so meanwhile. */
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

// Saving

/** Show how saving stands. */
export function showSaving(saving: Saving): void {
  set({ saving });
}

/** Set a document aside that the server does not take as it is now. */
export function refuse(name: string, reason: string): void {
  const document = documentNamed(name);
  if (document) set({ refused: { ...get().refused, [name]: { document, reason } } });
}

/** Whether the server has refused the document as it is now. */
export function isRefused(name: string): boolean {
  return own(get().refused, name)?.document === documentNamed(name);
}

/** Give up what the server does not take: the document becomes again what was saved last. */
export function discard(name: string): void {
  const { saved, course } = get();
  const before = own(saved.slides, name);
  const label = t("discardWhatWasNotTaken");
  if (name === SETTINGS) apply(label, { course: saved.course });
  else if (before) apply(label, { slides: { [name]: before } });
  else {
    // A new slide of which the server has no state at all.
    apply(label, { course: { ...course, slides: course.slides.filter((id) => id !== name) } });
    set({ dirty: new Set([...get().dirty].filter((other) => other !== name)) });
  }
}

function documentNamed(name: string): Slide | Course | undefined {
  const { course, slides } = get();
  return name === SETTINGS ? course : own(slides, name);
}

/** Show that others have changed the same, to be chosen from. */
export function showClash(clash: Clash): void {
  set({ clash });
}

/**
 * The server has `sent`, and `merged` where others had changed something too. What was changed here
 * since it was sent stays and is still to be saved.
 */
export function stored(sent: Parts, versions: { course?: number | null; slides: Readonly<Record<string, number>> }, merged: Parts = {}): void {
  const { saved, versions: known, dirty } = get();
  const document = present();
  const has = written(written(saved, sent), merged);
  const now: Parts = {};
  if (merged.course && sent.course) now.course = history.rebased(sent.course, document.course, merged.course);
  now.slides = Object.fromEntries(Object.entries(merged.slides ?? {}).map(
    ([id, theirs]) => [id, history.rebased(sent.slides?.[id] ?? theirs, document.slides[id] ?? theirs, theirs)]));
  const next = followed(written(document, now), document);
  const rest = new Set(dirty);
  if (sent.course && document.course === sent.course) rest.delete(SETTINGS);
  for (const id of dirty) {
    if (id !== SETTINGS && document.slides[id] === sent.slides?.[id]) rest.delete(id);
  }
  set({
    saved: has,
    versions: { course: versions.course ?? known.course, slides: { ...known.slides, ...versions.slides } },
    dirty: rest,
    refused: Object.fromEntries(Object.entries(get().refused).filter(([name]) => rest.has(name))),
  });
  set(shown(next));
}

/** Choose between two versions of a document: this window's, or what was saved elsewhere. */
export function choose(choice: "mine" | "theirs"): void {
  const { clash, saved, versions, dirty } = get();
  const document = present();
  if (!clash) return;
  const { slide, theirs, merged, version } = clash;
  const has: Parts = slide ? { slides: { [slide]: theirs as Slide } } : { course: theirs as Course };
  const mine = slide ? history.rebased(saved.slides[slide], document.slides[slide], theirs as Slide)
    : history.rebased(saved.course, document.course, theirs as Course);
  const chosen = choice === "mine" ? mine : merged ?? theirs;
  const next = written(document, slide ? { slides: { [slide]: chosen as Slide } } : { course: chosen as Course });
  set({
    clash: null, saved: written(saved, has), editing: null,
    versions: slide ? { ...versions, slides: { ...versions.slides, [slide]: version } } : { ...versions, course: version },
    dirty: new Set([...dirty, slide ?? SETTINGS]), saving: { kind: "saving" },
  });
  set(shown(followed(next, document)));
}

/** Take in what others have saved. What was done here can still be undone, as far as it is there. */
export function takeIn(data: Loaded): void {
  const { selection, versions, saved } = get();
  const document = present();
  const fresh = data.slides.filter(({ slide, version }) => versions.slides[slide.id] !== version);
  const parts: Parts = {
    course: data.course, slides: Object.fromEntries(fresh.map(({ slide }) => [slide.id, slide])),
  };
  const next = followed(written(document, parts), document);
  const here = selection.slide && data.course.slides.includes(selection.slide) ? selection.slide : data.course.slides[0] ?? null;
  knowMedia(data.course.media, data.media, data.previews);
  set({
    saved: written(saved, parts), versions: versionsOf(data),
    selection: here === selection.slide ? selection : { slide: here, selected: [] },
  });
  set(shown(next));
}

// What stands for values in drawings and lists follows the names of the variables.
useCourse.subscribe((state, before) => {
  const { variables, sections } = state.course;
  if (variables !== before.course.variables || sections !== before.course.sections) {
    nameValues([...variables, ...sections.flatMap(({ quiz }) => quiz?.sets ?? [])]);
  }
});
