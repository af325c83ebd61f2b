/** Slides that follow layouts and styles look here as they do in the core. */
import { readFileSync } from "node:fs";
import { expect, test } from "vitest";
import type { Course, Element, Slide } from "../api/types";
import { following, onLayout, ownOf, slotsOf, sourcesOf } from "../player/render/resolve";
import { settled } from "../workbench/store/following";

const path = new URL("../../tests/parity/traces/resolved.json", import.meta.url);
const [{ course, slides }] = JSON.parse(readFileSync(path, "utf8")) as
  [{ course: Course; slides: [Slide, Slide][] }];
const sources = sourcesOf(course);

test.each(slides)("$title", (slide, expected) => {
  expect(onLayout(following(slide, sources), sources)).toEqual(expected);
});

test("what is changed becomes an element's own, and what is changed back does not stay so", () => {
  const [[raw]] = slides as [[Slide, Slide]];
  const clean = { ...raw, elements: raw.elements.map((element) => ({ ...element, own: [] })) };
  const before = following(clean, sources);
  const change = (slide: Slide, part: (element: Element) => Element): Slide => (
    settled({ ...slide, elements: slide.elements.map((e, n) => (n ? e : part(e))) }, slide, sources));
  const moved = change(before, (e) => ({ ...e, x: e.x + 10, style: { ...e.style, size: 99 } }));
  expect(moved.elements[0]?.own).toEqual(["box", "size"]);
  expect(moved.elements.slice(1)).toEqual(before.elements.slice(1));
  const back = change(moved, (e) => ({ ...e, x: e.x - 10, style: { ...e.style, size: before.elements[0]?.style.size ?? 0 } }));
  expect(back.elements[0]?.own).toEqual([]);
  const [first] = before.elements as [Element];
  expect(ownOf(first, slotsOf(before, sources), sources)).toEqual([]);
});
