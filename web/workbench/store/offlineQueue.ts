/** Edits that the server has not got: kept in this browser until it has. */
import type { Course, Slide } from "../../api/types";

export interface Unsent {
  /** `from` is what the settings were made from, for putting them together with others' changes. */
  course?: { base: number; document: Course; from: Course };
  slides: Record<string, { base: number; document: Slide }>;
}

const key = (slug: string): string => `zigzag:unsent:${slug}`;

export function readUnsent(slug: string): Unsent | null {
  try {
    const raw = JSON.parse(localStorage.getItem(key(slug)) ?? "null") as Unsent | null;
    return raw && typeof raw.slides === "object" ? raw : null;
  } catch {
    return null;
  }
}

/** Return whether it could be kept. */
export function writeUnsent(slug: string, unsent: Unsent): boolean {
  try {
    if (unsent.course || Object.keys(unsent.slides).length) {
      localStorage.setItem(key(slug), JSON.stringify(unsent));
    } else {
      localStorage.removeItem(key(slug));
    }
    return true;
  } catch {
    return false;
  }
}
