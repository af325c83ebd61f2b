/** The outline as lines, and where the stops of the route stand. */
import { describe, expect, test } from "vitest";
import type { Way } from "../workbench/shell/useCheck";
import { columnsOf } from "../workbench/editor/strip/columns";
import { laidOut, STOP, turnOf } from "../workbench/plan/layout";
import { fromLines, linesOf, movedLines, sectionOf, type Line } from "../workbench/plan/lines";

const slide = (id: string): Line => ({ kind: "slide", id });
const section = (id: string): Line => ({ kind: "section", id, title: id.toUpperCase(), has: { rules: [], silent: false } });
const ids = (lines: readonly Line[]): string => lines.map(({ id }) => id).join("");

describe("lines", () => {
  test.each([
    ["sections between slides", [section("x"), slide("a"), slide("b"), section("y"), slide("c")]],
    ["a section with nothing in it", [section("x"), section("y"), slide("a")]],
    ["sections at the end", [slide("a"), section("x"), section("y")]],
    ["nothing", []],
  ])("go there and back: %s", (_, lines: Line[]) => {
    expect(linesOf(fromLines(lines))).toEqual(lines);
  });

  test("a section whose slide is gone stands at the end", () => {
    const course = { slides: ["a"], sections: [{ id: "x", title: "X", before: "gone", rules: [], silent: false }] };
    expect(ids(linesOf(course))).toBe("ax");
  });

  test.each([
    [["b"], "d", "acbde"], [["b", "c"], null, "adebc"], [["d", "a"], "b", "adbce"], [["b", "c"], "c", "abcde"], [["e"], "a", "eabcd"],
  ])("moving %j before %s", (moved: string[], before: string | null, after) => {
    expect(ids(movedLines([..."abcde"].map(slide), new Set(moved), before))).toBe(after);
  });

  test("slides know their section", () => {
    const found = sectionOf([slide("a"), section("x"), slide("b"), section("y"), slide("c")]);
    expect([...found]).toEqual([["b", "x"], ["c", "y"]]);
  });
});

const way = (source: string, target: string): Way => ({ source, target, kind: "onward", why: "" });

describe("the route", () => {
  test("puts the arms of a fork side by side and joins them again", () => {
    const columns = columnsOf([..."abcd"], [way("a", "b"), way("a", "c"), way("b", "d"), way("c", "d")], 3);
    expect([..."abcd"].map((id) => columns.get(id))).toEqual([
      { column: 0, stack: 0 }, { column: 1, stack: 0 }, { column: 1, stack: 1 }, { column: 2, stack: 0 },
    ]);
  });

  test("goes on to the next column where one is full, and never back", () => {
    const arms = [..."bcdef"];
    const columns = columnsOf(["a", ...arms], arms.map((id) => way("a", id)), 2);
    expect(arms.map((id) => columns.get(id)?.column)).toEqual([1, 1, 2, 2, 3]);
  });

  const numbered = (count: number): string[] => Array.from({ length: count }, (_, n) => `s${n}`);

  test.each([[300, 640], [300, 1_400], [7, 200], [1, 640]])("gives %i stops in %i px places of their own", (count, width) => {
    const slides = numbered(count);
    const { places, rows, width: drawn } = laidOut([{ id: null, slides }], new Set(), width);
    expect(rows.flat()).toEqual(slides);
    const all = [...places.values()];
    for (const [n, a] of all.entries()) {
      expect(a.x - STOP.w / 2).toBeGreaterThan(0);
      expect(a.x + STOP.w / 2).toBeLessThan(drawn);
      // Neither a picture nor the two lines of a title below it lies on another stop.
      for (const b of all.slice(n + 1)) expect(Math.abs(a.x - b.x) >= 104 || Math.abs(a.y - b.y) >= STOP.h + 36).toBe(true);
    }
  });

  test("begins a row with each section, and leaves out what is folded", () => {
    const parts = [{ id: null, slides: ["a"] }, { id: "x", slides: numbered(9) }, { id: "y", slides: ["b", "c"] }];
    const open = laidOut(parts, new Set(), 640);
    expect(open.rows.map((row) => row[0])).toEqual(["a", "s0", "s5", "b"]);
    expect(open.headings.map(({ id, count }) => [id, count])).toEqual([["x", 9], ["y", 2]]);
    const folded = laidOut(parts, new Set(["x"]), 640);
    expect(folded.rows.map((row) => row[0])).toEqual(["a", "b"]);
    expect(folded.height).toBeLessThan(open.height);
  });

  test("leads from row to row clear of titles", () => {
    const { places, rows, width } = laidOut([{ id: null, slides: numbered(10) }], new Set(), 640);
    const [from, to] = [places.get(rows[0]?.at(-1) ?? ""), places.get(rows[1]?.[0] ?? "")];
    if (!from || !to) throw new Error("there are two rows");
    const between = Number(/V([\d.]+)q0 8 -8 8H/.exec(turnOf(from, to, width))?.[1]) + 8;
    const lowest = Math.max(...(rows[0] ?? []).map((id) => (places.get(id)?.y ?? 0) + STOP.h / 2));
    // Two lines of a title are 32 px high, and begin 4 px below the picture.
    expect(between).toBeGreaterThan(lowest + 36);
    expect(between).toBeLessThan(to.y - STOP.h / 2);
  });
});
