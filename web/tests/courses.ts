/** Small courses for tests of the store, and a core that answers when it is told to. */
import type { Change, Course, Edited, Element, Slide } from "../api/types";
import { diff } from "../workbench/store/changes";
import type { SlideBase } from "../workbench/store/edits";
import { EMPTY_COURSE } from "../workbench/store/emptyCourse";
import type { Loaded } from "../workbench/store/documents";
import { goToSlide, load, useCourse } from "../workbench/store/store";

/** An element with as little as the store needs. */
export function box(id: string, x = 0): Element {
  return { kind: "shape", id, name: id, x, y: 0, w: 10, h: 10, own: [], group: null } as unknown as Element;
}

export function page(id: string, elements: Element[]): Slide {
  return {
    id, title: id, layout: null, elements, questions: [], patterns: [], overlays: [], rules: [],
  } as unknown as Slide;
}

export function courseOf(slides: readonly Slide[], version = 1, more: Partial<Course> = {}): Loaded {
  return {
    slug: "huts", version, media: {}, previews: {},
    course: { ...EMPTY_COURSE, slides: slides.map(({ id }) => id), ...more },
    slides: slides.map((slide) => ({ slide, version })),
  };
}

/** Open a course with two slides of three boxes each. */
export function openCourse(): void {
  load(courseOf([
    page("room", [box("boots", 1), box("ropes", 2), box("stove", 3)]),
    page("hall", [box("door", 1), box("bench", 2), box("lamp", 3)]),
  ]));
  goToSlide("room");
}

export const now = (): ReturnType<typeof useCourse.getState> => useCourse.getState();

export function find(slide: string, id: string): Element | undefined {
  return now().slides[slide]?.elements.find((element) => element.id === id);
}

/** A request to the core that is still open. */
export interface Call {
  base: SlideBase;
  /** Answer with the slide as it would be. */
  answer: (after: Slide, selected?: string[]) => Promise<void>;
  /** Answer as the core would, from what was sent. */
  work: (edit: (slide: Slide) => Slide, selected?: string[]) => Promise<void>;
  fail: (message: string) => Promise<void>;
}

/** A core whose answers are given by hand. */
export class SlowCore {
  readonly calls: Call[] = [];

  ask = (base: SlideBase): Promise<Edited> => new Promise((resolve, reject) => {
    const answer = (after: Slide, selected: string[] = []): Promise<void> => {
      const { slide } = base;
      const change: Change = diff({ slides: { [slide.id]: slide } }, { slides: { [slide.id]: after } });
      resolve({ change, selected, media: {}, previews: {}, made: "", covers: false, left_out: 0, notes: [] });
      return settled();
    };
    this.calls.push({
      base, answer, work: (edit, selected) => answer(edit(base.slide), selected),
      fail: (message) => { reject(new Error(message)); return settled(); },
    });
  });
}

/** Resolves when all that is waiting for nothing but its turn has had it. */
export async function settled(): Promise<void> {
  for (let n = 0; n < 50; n++) await Promise.resolve();
}

/** Move what is named by `by` px. */
export function moved(slide: Slide, ids: readonly string[], by: number): Slide {
  return { ...slide, elements: slide.elements.map((e) => (ids.includes(e.id) ? { ...e, x: e.x + by } : e)) };
}

/** The slide without an element. */
export function without(slide: Slide, id: string): Slide {
  return { ...slide, elements: slide.elements.filter((element) => element.id !== id) };
}
