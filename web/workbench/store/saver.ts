/**
 * Saving as one goes: what has changed is sent after a short pause, slides before the settings that
 * list them. What cannot be sent is kept in this browser and tried again.
 */
import { api, ApiError, take, Unreachable } from "../../api/client";
import type { Course, Slide } from "../../api/types";
import { courseOf } from "../../api/early";
import { merged } from "./merge";
import { knowMedia, laid, load, useCourse, type Loaded } from "./store";
import { readUnsent, writeUnsent, type Unsent } from "./offlineQueue";

const PAUSE_MS = 400;
const RETRY_MS = [1_000, 2_000, 4_000, 8_000, 15_000];

let timer: number | undefined;
let failures = 0;
let running: Promise<void> | null = null;

const { getState: get, setState: set } = useCourse;

/** Fetch a course, and lay over it what an earlier visit could not send. */
export async function open(slug: string): Promise<void> {
  load(await courseOf(slug) as Loaded);
  recover(readUnsent(slug));
}

function recover(unsent: Unsent | null): void {
  if (!unsent) return;
  const { slides, versions, course } = get();
  const dirty = new Set<string>();
  const recovered: Record<string, Slide> = {};
  const bases: Record<string, number> = { ...versions.slides };
  for (const [id, { base, document }] of Object.entries(unsent.slides)) {
    // It may have arrived after all, with only the answer lost.
    if (JSON.stringify(slides[id]) === JSON.stringify(document)) continue;
    recovered[id] = document;
    bases[id] = base;
    dirty.add(id);
  }
  if (unsent.course) dirty.add("course");
  if (!dirty.size) {
    keep();
    return;
  }
  set({
    ...laid({ slides: recovered, ...(unsent.course ? { course: unsent.course.document } : {}) }),
    base: unsent.course?.from ?? course,
    versions: { course: unsent.course?.base ?? versions.course, slides: bases },
    dirty,
    place: { slide: (unsent.course?.document ?? course).slides[0] ?? null, selected: [] },
  });
  void save();
}

/** Watch the store and save what changes; returns what ends it. */
export function startSaving(): () => void {
  const stop = useCourse.subscribe((state, before) => {
    if (state.dirty === before.dirty || !state.dirty.size) return;
    keep();
    schedule(failures ? (RETRY_MS[Math.min(failures, RETRY_MS.length - 1)] as number) : PAUSE_MS);
  });
  const now = (): void => { void save(); };
  const warn = (event: BeforeUnloadEvent): void => {
    if (get().dirty.size) event.preventDefault();
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
  await save();
  const { dirty, saving } = get();
  if (dirty.size) {
    const reason = saving.kind === "unsaved" ? ` ${saving.reason}` : "";
    throw new Error(`Not everything is saved yet, so this has to wait.${reason}`);
  }
}

async function run(): Promise<void> {
  const { slug, conflict } = get();
  if (!get().dirty.size || conflict) return;
  set({ saving: { kind: "saving" } });
  try {
    for (const id of [...get().dirty].filter((name) => name !== "course")) {
      await saveSlide(slug, id);
    }
    if (get().dirty.has("course")) await saveCourse(slug);
    failures = 0;
    set({ saving: { kind: get().dirty.size ? "saving" : "saved" } });
    if (get().dirty.size && !get().conflict) schedule(PAUSE_MS);
  } catch (error) {
    failed(error);
  }
  keep();
}

async function saveSlide(slug: string, id: string): Promise<void> {
  const slide = get().slides[id];
  if (!slide) return done(id, null);
  const base = get().versions.slides[id] ?? 0;
  const path = { slug, slide_id: id };
  try {
    const written = await take(
      api.PUT("/api/courses/{slug}/slides/{slide_id}", { params: { path }, body: { base, slide } }),
    );
    const { versions } = get();
    set({ versions: { ...versions, slides: { ...versions.slides, [id]: written.version } } });
    done(id, slide);
  } catch (error) {
    throw asConflict(error, id);
  }
}

async function saveCourse(slug: string): Promise<void> {
  const { course, versions } = get();
  try {
    const written = await take(api.PUT("/api/courses/{slug}", {
      params: { path: { slug } }, body: { base: versions.course, course },
    }));
    set({ versions: { ...get().versions, course: written.version }, base: written.course });
    done("course", course);
  } catch (error) {
    if (!(await goesTogether(error, slug))) throw asConflict(error, null);
  }
}

/** Where two windows have changed different things of the settings, keep both and go on. */
async function goesTogether(error: unknown, slug: string): Promise<boolean> {
  if (!(error instanceof ApiError) || error.code !== "conflict") return false;
  const theirs = error.extra.theirs as Course;
  const { base, course } = get();
  const together = merged(base, course, theirs);
  if (!together) return false;
  const data = (await take(
    api.GET("/api/courses/{slug}", { params: { path: { slug } } }),
  )) as Loaded;
  const fresh = data.slides.filter(({ slide }) => !get().slides[slide.id]);
  const { versions } = get();
  const slides = Object.fromEntries(fresh.map(({ slide }) => [slide.id, slide]));
  knowMedia(data.course.media, data.media, data.previews);
  set({
    ...laid({ course: together, slides }), base: theirs,
    versions: {
      course: Number(error.extra.version),
      slides: {
        ...versions.slides,
        ...Object.fromEntries(fresh.map(({ slide, version }) => [slide.id, version])),
      },
    },
  });
  return true;
}

/** What was sent is clean, unless it has changed again meanwhile. */
function done(name: string, sent: Slide | Course | null): void {
  const { dirty, slides, course } = get();
  const now = name === "course" ? course : slides[name] ?? null;
  if (now !== sent) return;
  const rest = new Set(dirty);
  rest.delete(name);
  set({ dirty: rest });
}

function asConflict(error: unknown, slide: string | null): unknown {
  if (error instanceof ApiError && error.code === "conflict") {
    set({
      conflict: {
        slide, version: Number(error.extra.version),
        theirs: (error.extra.theirs ?? null) as Slide | Course | null,
      },
    });
  }
  return error;
}

function failed(error: unknown): void {
  failures += 1;
  const reason = error instanceof Error ? error.message : "It could not be saved.";
  set({ saving: { kind: "unsaved", reason } });
  const passing = error instanceof Unreachable || (error instanceof ApiError && error.status === 401);
  if (passing) schedule(RETRY_MS[Math.min(failures, RETRY_MS.length - 1)] as number);
}

/** Choose between two versions: mine is sent over theirs, or theirs is taken in and mine kept. */
export async function settle(choice: "mine" | "theirs"): Promise<void> {
  const { conflict, slug, slides } = get();
  if (!conflict) return;
  const { slide, version, theirs } = conflict;
  const mine = slide ? slides[slide] : undefined;
  if (choice === "theirs" && mine) {
    const path = { slug, slide_id: mine.id };
    await take(api.POST("/api/courses/{slug}/slides/{slide_id}/states", { params: { path }, body: mine }));
  }
  const { versions, course, dirty } = get();
  const name = slide ?? "course";
  const rest = new Set(dirty);
  if (choice === "theirs") rest.delete(name);
  else rest.add(name);
  set({
    conflict: null, dirty: rest, saving: { kind: rest.size ? "saving" : "saved" },
    versions: slide
      ? { ...versions, slides: { ...versions.slides, [slide]: version } }
      : { ...versions, course: version },
    ...(choice === "theirs" && theirs
      ? laid(slide ? { slides: { [slide]: theirs as Slide } } : { course: theirs as Course }) : {}),
    ...(choice === "theirs" ? { past: [], future: [], editing: null } : {}),
  });
  if (course && choice === "mine") void save();
  keep();
}

/** Keep in this browser what the server has not got. */
function keep(): void {
  const { slug, dirty, slides, course, base, versions } = get();
  if (!slug) return;
  const unsent: Unsent = { slides: {} };
  for (const id of dirty) {
    const slide = slides[id];
    if (id === "course") unsent.course = { base: versions.course, document: course, from: base };
    else if (slide) unsent.slides[id] = { base: versions.slides[id] ?? 0, document: slide };
  }
  writeUnsent(slug, unsent);
}
