/** The course as it is edited: what follows layouts and styles does so at every change, and back. */
import { readFileSync } from "node:fs";
import { beforeEach, expect, test } from "vitest";
import type { Course, Slide } from "../api/types";
import { apply, changeCourse, changeElements, currentSlide, load, redo, undo, useCourse } from "../workbench/store/store";

const path = new URL("../../tests/parity/traces/resolved.json", import.meta.url);
const [{ course: template, slides }] = JSON.parse(readFileSync(path, "utf8")) as
  [{ course: Course; slides: [Slide, Slide][] }];
const stored = slides.slice(2, 5).map(([slide]) => ({
  ...slide, background: null, elements: slide.elements.map((element) => ({ ...element, own: [] })),
}));
const course = { ...template, slides: stored.map((slide) => slide.id) };
const first = stored[1] as Slide;

const size = (): number | undefined => currentSlide()?.elements[0]?.style.size;
const moved = (by: number): Course["layouts"] => course.layouts.map((layout) => ({
  ...layout, elements: layout.elements.map((element) => ({ ...element, x: element.x + by })),
}));
const restyled = (to: number): Course["styles"] => course.styles.map((named) => (
  { ...named, style: { ...named.style, size: to } }));

beforeEach(() => {
  load({
    slug: "course", version: 1, course, media: {}, previews: {},
    slides: stored.map((slide) => ({ version: 1, slide })),
  });
  useCourse.setState({ selection: { slide: first.id, selected: [] } });
});

test("a style that changes is followed by every slide at once, and back again", () => {
  const before = size();
  changeCourse("Style", { styles: restyled(77) });
  expect(size()).toBe(77);
  expect([...useCourse.getState().dirty]).toEqual(["course"]);
  undo();
  expect(size()).toBe(before);
  redo();
  expect(size()).toBe(77);
});

test("what an element has for its own stays through all that", () => {
  const id = currentSlide()?.elements[0]?.id ?? "";
  changeElements("Size", [id], (element) => ({ ...element, style: { ...element.style, size: 21 } }));
  changeCourse("Style", { styles: restyled(77) });
  expect(size()).toBe(21);
  expect(currentSlide()?.elements[0]?.own).toEqual(["size"]);
  undo();
  undo();
  expect(currentSlide()?.elements[0]?.own).toEqual([]);
});

test("a slide as it was stored follows what has changed since, and owns nothing by that", () => {
  changeCourse("Layout", { layouts: moved(40) });
  apply("Replace", { slides: { [first.id]: { ...first, title: "Replaced" } } }, { stored: true });
  const slide = currentSlide();
  expect(slide?.title).toBe("Replaced");
  expect(slide?.elements.map((element) => element.own)).toEqual(slide?.elements.map(() => []));
  const layout = moved(40).find((one) => one.id === first.layout);
  const slot = layout?.elements.find((element) => element.id === slide?.elements[0]?.slot);
  expect(slide?.elements[0]?.x).toBe(slot?.x);
});

test("steps back have no end", () => {
  for (let n = 0; n < 2_500; n++) changeCourse(`Step ${n}`, { title: `Title ${n}` });
  for (let n = 0; n < 2_500; n++) undo();
  expect(useCourse.getState().course.title).toBe(course.title);
  expect(useCourse.getState().future).toHaveLength(2_500);
});
