/** Settings that two windows have changed go together as long as they can. */
import { describe, expect, test } from "vitest";
import type { Course } from "../../web/api/types";
import { merged } from "../../web/workbench/store/merge";

const base: Course = {
  format: 3, id: "course", title: "Base", language: "en", size: { w: 1280, h: 720 },
  slides: ["a", "b", "c"], sections: [], styles: [], layouts: [], variables: [], media: [],
  guides: { across: [], down: [], grid: 20 },
  theme: {
    name: "", fonts: { text: "Rubik", heading: "Rubik" },
    colours: {
      ink: "#000000", quiet: "#000000", paper: "#000000", sheet: "#000000", primary: "#000000",
      on_primary: "#000000", soft: "#000000", accent: "#000000", edge: "#000000",
    },
  },
  completion: { slides_share: 1, passing: false }, pass_mark: 80, remembered: {},
};
const made = (changes: Partial<Course>): Course => ({ ...base, ...changes });
const file = (id: string): Course["media"][number] => ({
  id, name: id, type: "image/png", sha256: "0".repeat(64), size: 1, w: 1, h: 1,
  duration: 0, tags: [], palette: [], recoloured: false,
});

describe("slides", () => {
  const slides = (mine: string[], theirs: string[]): string[] | undefined =>
    merged(base, made({ slides: mine }), made({ slides: theirs }))?.slides;

  test.each([
    ["each adds one", ["a", "b", "c", "m"], ["a", "t", "b", "c"], ["a", "t", "b", "c", "m"]],
    ["both add at the end", ["a", "b", "c", "m"], ["a", "b", "c", "t"], ["a", "b", "c", "t", "m"]],
    ["mine reorders, theirs adds first", ["c", "b", "a"], ["t", "a", "b", "c"], ["t", "c", "b", "a"]],
    ["theirs reorders", ["a", "b", "c"], ["c", "a", "b"], ["c", "a", "b"]],
    ["theirs deletes, mine adds", ["a", "b", "c", "m"], ["a", "c"], ["a", "c", "m"]],
    ["mine deletes, theirs adds", ["a", "c"], ["a", "b", "c", "t"], ["a", "c", "t"]],
    ["theirs adds after what mine deleted", ["a"], ["a", "b", "t", "c"], ["a", "t"]],
  ])("%s", (_, mine, theirs, together) => {
    expect(slides(mine, theirs)).toEqual(together);
  });
});

test("different settings go together", () => {
  const both = merged(base, made({ title: "Mine" }), made({ pass_mark: 50 }));
  expect(both).toMatchObject({ title: "Mine", pass_mark: 50 });
});

test("the same setting changed twice must be chosen", () => {
  expect(merged(base, made({ title: "Mine" }), made({ title: "Theirs" }))).toBeNull();
  expect(merged(base, made({ title: "Same" }), made({ title: "Same" }))?.title).toBe("Same");
});

test("media of both are kept", () => {
  const both = merged(base, made({ media: [file("m")] }), made({ media: [file("t")] }));
  expect(both?.media.map(({ id }) => id)).toEqual(["t", "m"]);
});

describe("sections, styles and the like", () => {
  const part = (id: string, title = id): Course["sections"][number] => ({ id, title, before: null });
  const start = made({ sections: [part("a"), part("b"), part("c")] });
  const together = (mine: Course["sections"], theirs: Course["sections"]): string[] | undefined => (
    merged(start, { ...start, sections: mine }, { ...start, sections: theirs })?.sections.map(({ title }) => title));

  test("each thing is merged for itself", () => {
    expect(together([part("a", "A"), part("b"), part("c")], [part("a"), part("b", "B"), part("c")])).toEqual(["A", "B", "c"]);
    expect(together([part("a"), part("c"), part("m")], [part("t"), part("a"), part("b"), part("c")])).toEqual(["t", "a", "c", "m"]);
  });

  test("what one took away and the other left alone stays away", () => {
    expect(together([part("a"), part("b"), part("c", "C")], [part("a"), part("c")])).toEqual(["a", "C"]);
  });

  test("the same thing changed twice must be chosen", () => {
    expect(together([part("a", "Mine"), part("b"), part("c")], [part("a", "Theirs"), part("b"), part("c")])).toBeUndefined();
  });
});
