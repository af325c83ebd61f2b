/** Taking in what others have saved meanwhile, as long as it is not being changed here. */
import { api, take } from "../../api/client";
import type { Slide } from "../../api/types";
import { knowMedia, laid, load, useCourse, type Loaded } from "./store";

const EVERY_MS = 15_000;
const { getState: get, setState: set } = useCourse;

/** Look for others' changes now and then, and whenever the window is looked at again. */
export function startPulling(): () => void {
  const look = (): void => { void pull().catch(() => {}); };
  const timer = window.setInterval(() => { if (!document.hidden) look(); }, EVERY_MS);
  window.addEventListener("focus", look);
  return () => {
    window.clearInterval(timer);
    window.removeEventListener("focus", look);
  };
}

async function pull(): Promise<void> {
  const { slug, conflict, editing, holding } = get();
  if (!slug || conflict || editing || holding || busy()) return;
  const path = { slug };
  const now = await take(api.GET("/api/courses/{slug}/versions", { params: { path } }));
  const { versions } = get();
  const settings = now.course !== versions.course;
  const changed = Object.keys(now.slides).filter((id) => now.slides[id] !== versions.slides[id]);
  if (!settings && !changed.length) return;
  const data = await take(api.GET("/api/courses/{slug}", { params: { path } })) as Loaded;
  // What has begun to change here while it was fetched is settled when it is saved.
  if (get().slug !== slug || busy() || get().editing || get().holding) return;
  takeIn(data);
}

function busy(): boolean {
  const { dirty, saving } = get();
  return dirty.size > 0 || saving.kind !== "saved";
}

/** Lay the server's state over this one. What was done here before can no longer be undone. */
function takeIn(data: Loaded): void {
  const { place, versions } = get();
  const fresh = data.slides.filter(({ slide, version }) => versions.slides[slide.id] !== version);
  const parts = {
    course: data.course,
    slides: Object.fromEntries(fresh.map(({ slide }) => [slide.id, slide])) as Record<string, Slide>,
  };
  if (!get().slides[place.slide ?? ""] && place.slide) {
    load(data);
    return;
  }
  const here = place.slide && data.course.slides.includes(place.slide) ? place.slide : data.course.slides[0] ?? null;
  const touched = new Set(Object.keys(parts.slides));
  const past = get().past.filter((step) => (
    !step.after.course && !Object.keys(step.after.slides ?? {}).some((id) => touched.has(id))));
  knowMedia(data.course.media, data.media, data.previews);
  set({
    ...laid(parts), base: data.course,
    versions: {
      course: data.version,
      slides: Object.fromEntries(data.slides.map(({ slide, version }) => [slide.id, version])),
    },
    place: here === place.slide ? place : { slide: here, selected: [] },
    past, future: [],
  });
}
