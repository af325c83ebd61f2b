/** Edits that the server has not got: kept in this browser until it has. */
import { SETTINGS, type Document, type Parts, type Versions } from "./model";

/** Documents as they are here, and as they were when the server last had them. */
export interface Unsent {
  now: Parts;
  saved: Parts;
  versions: Versions;
}

const key = (slug: string): string => `zigzag:unsent:2:${slug}`;

/** Return what was changed here and not saved yet; null where there is nothing. */
export function readUnsent(slug: string): Unsent | null {
  try {
    const raw = JSON.parse(localStorage.getItem(key(slug)) ?? "null") as Unsent | null;
    return raw && typeof raw.now === "object" && typeof raw.saved === "object" ? raw : null;
  } catch {
    return null;
  }
}

/** Keep the documents `names`; return whether they could be kept. */
export function writeUnsent(
  slug: string, names: ReadonlySet<string>, now: Document, saved: Document, versions: Versions,
): boolean {
  try {
    if (!names.size) {
      localStorage.removeItem(key(slug));
      return true;
    }
    const kept = Object.fromEntries([...names].flatMap((id) => (id === SETTINGS ? [] : [[id, versions.slides[id] ?? 0]])));
    const unsent: Unsent = {
      now: partsOf(now, names), saved: partsOf(saved, names), versions: { course: versions.course, slides: kept },
    };
    localStorage.setItem(key(slug), JSON.stringify(unsent));
    return true;
  } catch {
    return false;
  }
}

/** The documents `names` of a course; slides that are not there are left out. */
export function partsOf(document: Document, names: Iterable<string>): Parts {
  const slides = [...names].flatMap((id) => (document.slides[id] ? [[id, document.slides[id]] as const] : []));
  return { ...([...names].includes(SETTINGS) ? { course: document.course } : {}), slides: Object.fromEntries(slides) };
}
