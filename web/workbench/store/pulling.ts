/** Taking in what others have saved meanwhile, as long as it is not being changed here. */
import { api, take } from "../../api/client";
import type { Loaded } from "./documents";
import { takeIn, useCourse } from "./store";

const EVERY_MS = 15_000;
const { getState: get } = useCourse;

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
  const { slug, clash, editing, holding } = get();
  if (!slug || clash || editing || holding || busy()) return;
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
  const { dirty, saving, past } = get();
  return dirty.size > 0 || saving.kind !== "saved" || past.some((entry) => entry.pending);
}
