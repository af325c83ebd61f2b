/** Documents of a course laid over each other, and slides that follow layouts and styles in them. */
import type { Course, Slide } from "../../api/types";
import { following, sourcesOf, type Sources } from "../../player/render/resolve";
import { defaultsFor, withLabels } from "./defaults";
import { settled } from "./following";
import type { Document, Parts, Versions } from "./model";

/** A course as the server gives it, with the addresses of its files. */
export interface Loaded {
  slug: string;
  version: number;
  course: Course;
  media: Record<string, string>;
  previews: Record<string, string>;
  slides: { version: number; slide: Slide }[];
}

/** Return `document` with `parts` in it. */
export function written(document: Document, parts: Parts): Document {
  return { course: parts.course ?? document.course, slides: { ...document.slides, ...parts.slides } };
}

let known: { course: Course; sources: Sources } | null = null;

/** Return the sources of `course`: the same object while its styles and layouts are the same. */
export function sourcesFor(course: Course): Sources {
  const same = known && course.styles === known.course.styles && course.layouts === known.course.layouts;
  if (!known || !same) known = { course, sources: sourcesOf(course) };
  return known.sources;
}

/** Return `after` with slides that follow their layouts and styles: those that changed, or all. */
export function followed(after: Document, before: Document): Document {
  const sources = sourcesFor(after.course);
  const all = after.course.styles !== before.course.styles || after.course.layouts !== before.course.layouts;
  const changed = Object.entries(after.slides).filter(([id, slide]) => all || before.slides[id] !== slide);
  if (!changed.length) return after;
  return {
    ...after,
    slides: { ...after.slides, ...Object.fromEntries(changed.map(([id, slide]) => [id, following(slide, sources)])) },
  };
}

/**
 * Return the document after an edit: elements know what is their own, groups their boxes, buttons say
 * what they follow; see `followed`.
 * Slides that were `stored` may be behind what they follow.
 */
export function edited(after: Document, before: Document, stored = false): Document {
  const sources = sourcesFor(after.course);
  const changed = Object.entries(after.slides).filter(([id, slide]) => before.slides[id] !== slide);
  const slides = changed.map(([id, slide]): [string, Slide] => {
    const own = settled(stored ? following(slide, sources) : slide, before.slides[id], sources);
    return [id, withLabels(own, before.slides[id], defaultsFor(after.course, id))];
  });
  return followed({ ...after, slides: { ...after.slides, ...Object.fromEntries(slides) } }, before);
}

/** Return the versions of a course as it was fetched. */
export function versionsOf(data: Loaded): Versions {
  return {
    course: data.version,
    slides: Object.fromEntries(data.slides.map(({ slide, version }) => [slide.id, version])),
  };
}
