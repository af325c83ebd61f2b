/**
 * Saving as one goes: what has changed since the server last had it is sent as one change, after a short
 * pause. What cannot be sent is kept in this browser and tried again.
 */
import { api, ApiError, take, Unreachable } from "../../api/client";
import { courseOf } from "../../api/early";
import type { Course, Slide } from "../../api/types";
import { diff, equal } from "./changes";
import { quiet } from "./edits";
import { documentsOf } from "./history";
import { SETTINGS, type Clash, type Parts, type Versions } from "./model";
import { partsOf, readUnsent, writeUnsent, type Unsent } from "./offlineQueue";
import type { Loaded } from "./documents";
import * as store from "./store";
import { knowMedia, load, showClash, showSaving, useCourse } from "./store";
import { t } from "../../words/store";

const PAUSE_MS = 400;
const RETRY_MS = [1_000, 2_000, 4_000, 8_000, 15_000];
/** So many slides go in one request; many more are sent in several, the settings that list them last. */
const TOGETHER = 60;

let timer: number | undefined;
let failures = 0;
let running: Promise<void> | null = null;

const { getState: get } = useCourse;

/** Fetch a course, and lay over it what an earlier visit could not send. */
export async function open(slug: string): Promise<void> {
  load(await courseOf(slug) as Loaded);
  recover(readUnsent(slug));
}

function recover(unsent: Unsent | null): void {
  if (!unsent) return;
  const { slides, course } = get();
  // It may have arrived after all, with only the answer lost.
  const slidesLeft = Object.entries(unsent.now.slides ?? {}).filter(([id, slide]) => !equal(slides[id], slide));
  const courseLeft = unsent.now.course && !equal(unsent.now.course, course) ? unsent.now.course : undefined;
  if (!slidesLeft.length && !courseLeft) {
    keep();
    return;
  }
  const now: Parts = { slides: Object.fromEntries(slidesLeft), ...(courseLeft ? { course: courseLeft } : {}) };
  const names = new Set(Object.keys(now.slides ?? {}));
  store.recover(now, {
    saved: {
      slides: Object.fromEntries(Object.entries(unsent.saved.slides ?? {}).filter(([id]) => names.has(id))),
      ...(courseLeft && unsent.saved.course ? { course: unsent.saved.course } : {}),
    },
    versions: {
      course: unsent.versions.course,
      slides: Object.fromEntries(Object.entries(unsent.versions.slides).filter(([id]) => names.has(id))),
    },
  });
  void save();
}

/** Watch the store and save what changes; returns what ends it. */
export function startSaving(): () => void {
  const stop = useCourse.subscribe((state, before) => {
    if ((state.dirty === before.dirty && state.past === before.past) || !state.dirty.size) return;
    keep();
    schedule(failures ? (RETRY_MS[Math.min(failures, RETRY_MS.length - 1)] as number) : PAUSE_MS);
  });
  const now = (): void => { void save(); };
  const warn = (event: BeforeUnloadEvent): void => {
    if (isUnsaved()) event.preventDefault();
  };
  window.addEventListener("online", now);
  window.addEventListener("beforeunload", warn);
  return () => {
    stop();
    window.clearTimeout(timer);
    window.removeEventListener("online", now);
    window.removeEventListener("beforeunload", warn);
    void save();
  };
}

/** Whether something is not on the server, or still being worked out there. */
function isUnsaved(): boolean {
  const { dirty, past } = get();
  return dirty.size > 0 || past.some((entry) => entry.pending);
}

function schedule(wait: number): void {
  window.clearTimeout(timer);
  timer = window.setTimeout(() => void save(), wait);
}

/** Save all that is unsaved; resolves when the server has it or cannot be had. */
export async function save(): Promise<void> {
  window.clearTimeout(timer);
  while (running) await running;
  running = run();
  try {
    await running;
  } finally {
    running = null;
  }
}

/** Save, and throw where something could not be saved: what follows would not know of it. */
export async function saveAll(): Promise<void> {
  await quiet();
  await save();
  const { dirty, saving, refused } = get();
  if (dirty.size) {
    const first = [...dirty].find((name) => store.isRefused(name));
    const reason = saving.kind === "unsaved" ? ` ${saving.reason}` : first ? ` ${refused[first]?.reason ?? ""}` : "";
    throw new Error(t("notEverythingIsSavedYet", { reason }));
  }
}

async function run(): Promise<void> {
  if (!ready().length || get().clash) return;
  showSaving({ kind: "saving" });
  try {
    for (let names = ready(); names.length && !get().clash; names = ready()) {
      const slides = names.filter((name) => name !== SETTINGS);
      const last = slides.length <= TOGETHER;
      await sendOrSetAside(new Set(last ? names : slides.slice(0, TOGETHER)));
      if (last) break;
    }
    failures = 0;
    const left = [...get().dirty].filter((name) => !store.isRefused(name));
    showSaving({ kind: left.length ? "saving" : get().dirty.size ? "refused" : "saved" });
    if (left.length && !get().clash) schedule(PAUSE_MS);
  } catch (error) {
    failed(error);
  }
  keep();
}

/** What can be saved: not what is only shown until the core has worked it out. */
function ready(): string[] {
  const { dirty, past } = get();
  const expected = new Set(past.flatMap((entry) => (entry.pending ? [...documentsOf(entry.change)] : [])));
  return [...dirty].filter((name) => !expected.has(name) && !store.isRefused(name));
}

/** Send documents; where they are refused, each by itself, so that one does not hold up the others. */
async function sendOrSetAside(names: ReadonlySet<string>): Promise<void> {
  try {
    await send(names);
    return;
  } catch (error) {
    if (!(error instanceof ApiError) || ![400, 413, 422].includes(error.status)) throw error;
    const [only] = names;
    if (names.size === 1 && only) {
      store.refuse(only, error.message);
      return;
    }
  }
  const slides = [...names].filter((name) => name !== SETTINGS);
  for (const name of [...slides, ...(names.has(SETTINGS) ? [SETTINGS] : [])]) await sendOrSetAside(new Set([name]));
}

async function send(names: ReadonlySet<string>): Promise<void> {
  const { slug, saved, slides, versions } = get();
  const sent = partsOf(get(), names);
  // A slide that was taken back stays on the server, should it be made again.
  const change = diff(partsOf(saved, [...names].filter((name) => name === SETTINGS || slides[name])), sent);
  if (!change.operations.length) {
    store.stored(sent, { slides: {} });
    return;
  }
  const base: Versions = {
    course: versions.course,
    slides: Object.fromEntries([...names].flatMap((id) => (id === SETTINGS ? [] : [[id, versions.slides[id] ?? 0]]))),
  };
  try {
    const written = await take(api.POST("/api/courses/{slug}/changes", {
      params: { path: { slug } }, body: { base, change },
    }));
    if (get().slug !== slug) return;
    const merged = await complete(slug, written.merged as Parts);
    store.stored(sent, { course: written.versions.course ?? null, slides: written.versions.slides }, merged);
  } catch (error) {
    if (error instanceof ApiError && error.code === "conflict") showClash(clashOf(error));
    throw error;
  }
}

/** Slides and files that others have added are listed in merged settings: fetch them, too. */
async function complete(slug: string, merged: Parts): Promise<Parts> {
  const { course } = merged;
  const { slides, addresses } = get();
  const known = course && course.slides.every((id) => slides[id]) && course.media.every(({ sha256 }) => addresses[sha256]);
  if (!course || known) return merged;
  const data = await take(api.GET("/api/courses/{slug}", { params: { path: { slug } } })) as Loaded;
  knowMedia(data.course.media, data.media, data.previews);
  const fresh = data.slides.filter(({ slide }) => !slides[slide.id]);
  store.stored({}, { slides: Object.fromEntries(fresh.map(({ slide, version }) => [slide.id, version])) });
  return { ...merged, slides: { ...merged.slides, ...Object.fromEntries(fresh.map(({ slide }) => [slide.id, slide])) } };
}

interface Refusal {
  conflicts: { path: string[] }[];
  versions: { course: number | null; slides: Record<string, number> };
  theirs: { course?: Course; slides: Record<string, Slide> };
  merged: { course?: Course; slides: Record<string, Slide> };
}

/** The first document that two have changed; the others come after it was chosen. */
function clashOf(error: ApiError): Clash {
  const { conflicts, versions, theirs, merged } = error.extra as unknown as Refusal;
  const first = conflicts[0]?.path;
  const slide = first ? (first[0] === SETTINGS ? null : first[1] ?? null) : Object.keys(theirs.slides)[0] ?? null;
  const places = conflicts.map(({ path }) => path).filter((path) => (slide ? path[1] === slide : path[0] === SETTINGS));
  return slide
    ? { slide, version: versions.slides[slide] ?? 0, theirs: theirs.slides[slide] ?? null, merged: merged.slides[slide] ?? null, places }
    : { slide, version: versions.course ?? 0, theirs: theirs.course ?? null, merged: merged.course ?? null, places };
}

function failed(error: unknown): void {
  failures += 1;
  const reason = error instanceof Error ? error.message : t("itCouldNotBeSaved");
  showSaving({ kind: "unsaved", reason });
  const passing = error instanceof Unreachable || (error instanceof ApiError && (error.status === 401 || error.status === 503));
  if (passing) schedule(RETRY_MS[Math.min(failures, RETRY_MS.length - 1)] as number);
}

/** Choose between two versions; the one of a slide that is not taken stays among its kept states. */
export async function settleClash(choice: "mine" | "theirs"): Promise<void> {
  const { clash, slug, slides } = get();
  if (!clash) return;
  const mine = clash.slide ? slides[clash.slide] : undefined;
  if (choice === "theirs" && mine) {
    const path = { slug, slide_id: mine.id };
    await take(api.POST("/api/courses/{slug}/slides/{slide_id}/states", { params: { path }, body: mine }));
  }
  store.choose(choice);
  keep();
  void save();
}

/** Keep in this browser what the server has not got. */
function keep(): void {
  const { slug, dirty, saved, versions } = get();
  if (slug) writeUnsent(slug, dirty, get(), saved, versions);
}
