/** The outline as lines, and where the stops of the route stand. */
import { describe, expect, test } from "vitest";
import type { Way } from "../workbench/shell/useCheck";
import { columnsOf, placesOf } from "../workbench/plan/layout";
import { fromLines, linesOf, movedLines, sectionOf, type Line } from "../workbench/plan/lines";

const slide = (id: string): Line => ({ kind: "slide", id });
const section = (id: string): Line => ({ kind: "section", id, title: id.toUpperCase(), rules: [] });
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
    const course = { slides: ["a"], sections: [{ id: "x", title: "X", before: "gone", rules: [] }] };
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

  test("gives 300 stops places of their own, none upon another", () => {
    const order = Array.from({ length: 300 }, (_, n) => `s${n}`);
    const ways = order.slice(1).map((id, n) => way(`s${n}`, id));
    const jumps = order.slice(0, 290).filter((_, n) => n % 7 === 0).map((id, n) => way(id, `s${n * 7 + 5}`));
    const places = [...placesOf(order, [...ways, ...jumps]).values()];
    expect(new Set(places.map(({ x, y }) => `${x} ${y}`)).size).toBe(300);
    for (const [n, a] of places.entries()) {
      for (const b of places.slice(n + 1)) expect(Math.abs(a.x - b.x) >= 104 || Math.abs(a.y - b.y) >= 88).toBe(true);
    }
  });
});
