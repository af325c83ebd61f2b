/** The course that the page was opened for: asked for while the code of the workbench still comes. */
import { api, take } from "./client";

const ask = (slug: string) => take(api.GET("/api/courses/{slug}", { params: { path: { slug } } }));

let early: { slug: string; course: ReturnType<typeof ask> } | null = null;

/** Ask for a course before the page that shows it has loaded. */
export function askEarly(slug: string): void {
  const course = ask(slug);
  // Whoever takes it hears of it.
  course.catch(() => {});
  early = { slug, course };
}

/** Return a course: the one that was asked for early, once; else, or where that failed, anew. */
export async function courseOf(slug: string): ReturnType<typeof ask> {
  const asked = early?.slug === slug ? early.course : null;
  early = null;
  if (asked) {
    try {
      return await asked;
    } catch {
      // Perhaps nobody was signed in then.
    }
  }
  return ask(slug);
}
