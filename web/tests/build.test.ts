/** Snapping, groups, tables: what Build does by itself while a pointer moves. */
import { describe, expect, test } from "vitest";
import { boxedGroups, carried, outermost, resizedTurned, withMembers, type Box } from "../workbench/editor/stage/geometry";
import { snapEdges, snapMove, targetsOf } from "../workbench/editor/stage/snap";
import { withSheet } from "../workbench/editor/text/EditTable";
import type { Element } from "../api/types";

const SIZE = { w: 1280, h: 720 };
const NO_GUIDES = { across: [], down: [] };
const box = (x: number, y: number, w = 100, h = 50): Box => ({ x, y, w, h });
const among = (...boxes: Box[]): ReturnType<typeof targetsOf> => targetsOf(boxes, SIZE, NO_GUIDES, null);

describe("snapping", () => {
  test("snaps to edges and centres of others within reach, and not beyond", () => {
    const targets = among(box(200, 100));
    expect(snapMove(box(204, 300), targets, 6)).toMatchObject({ dx: -4, dy: 0 });
    expect(snapMove(box(222, 303, 64, 64), targets, 6).dx).toBe(-4);
    expect(snapMove(box(208, 300), targets, 6).dx).toBe(0);
  });

  test("snaps to the middle of the slide and says on which line", () => {
    const { dx, guides } = snapMove(box(587, 500), among(), 6);
    expect(dx).toBe(3);
    expect(guides).toContainEqual(expect.objectContaining({ axis: "x", at: 640 }));
  });

  test("snaps where the gaps to both sides are equal, and measures them", () => {
    const { dx, guides } = snapMove(box(247, 103), among(box(0, 100), box(500, 100)), 6);
    expect(dx).toBe(3);
    expect(guides.filter(({ gap }) => gap === 150)).toHaveLength(2);
  });

  test("repeats the gap between two things beside it", () => {
    const { dx, guides } = snapMove(box(343, 117), among(box(0, 120), box(170, 120)), 6);
    expect(dx).toBe(-3);
    expect(guides.filter(({ gap }) => gap === 70)).toHaveLength(2);
  });

  test("snaps to guides, and to the grid when it is on", () => {
    expect(snapMove(box(303, 90), targetsOf([], SIZE, { across: [], down: [300] }, null), 6).dx).toBe(-3);
    expect(snapMove(box(303, 93), targetsOf([], SIZE, NO_GUIDES, 20), 6)).toMatchObject({ dx: -3, dy: 7 });
  });

  test("moves only the edges that are held", () => {
    const { dx, dy } = snapEdges(box(100, 100, 97, 40), { dx: 1, dy: 0 }, among(box(200, 300)), 6);
    expect([dx, dy]).toEqual([3, 0]);
  });
});

describe("groups", () => {
  const element = (id: string, group: string | null, at: Partial<Element> = {}): Element => (
    { id, group, kind: id.startsWith("g") ? "group" : "shape", turn: 0, ...box(0, 0), ...at } as Element);
  const elements = [
    element("g1", null), element("g2", "g1"), element("a", "g2", { x: 10 }), element("b", "g2", { x: 200, y: 90 }),
    element("c", "g1", { x: 400 }), element("d", null),
  ];

  test("reach as deep as they go", () => {
    expect(withMembers(elements, ["g1"])).toEqual(new Set(["g1", "g2", "a", "b", "c"]));
    expect(outermost(elements, "a")).toBe("g1");
    expect(outermost(elements, "d")).toBe("d");
  });

  test("have the box of their members, and stay the same object while that is the same", () => {
    const boxed = boxedGroups(elements);
    expect(boxed[0]).toMatchObject({ x: 10, y: 0, w: 490, h: 140 });
    expect(boxed[1]).toMatchObject({ x: 10, y: 0, w: 290, h: 140 });
    expect(boxedGroups(boxed)[0]).toBe(boxed[0]);
  });

  test("are resized with all that is in them in proportion", () => {
    expect(carried(box(100, 100), box(0, 0, 200, 200), box(0, 0, 400, 100))).toEqual(box(200, 50, 200, 25));
  });
});

test("a turned box is resized along its own sides, the far side at rest", () => {
  const right = { name: "right", dx: 1, dy: 0 } as const;
  const next = resizedTurned(box(0, 0, 100, 50), 90, right, 0, 40, false);
  expect(next).toMatchObject({ w: 140, h: 50 });
  // Turned by 90°, its left side is at the top: that stays.
  expect(next.y + next.h / 2 - next.w / 2).toBeCloseTo(25 - 50);
});

test("a pasted sheet fills the table from a cell on, and makes it larger", () => {
  expect(withSheet([["a", "b"], ["c", "d"]], 1, 1, [["1", "2"], ["3", "4"]])).toEqual([
    ["a", "b", ""], ["c", "1", "2"], ["", "3", "4"],
  ]);
  expect(withSheet([["a"]], 0, 0, Array.from({ length: 300 }, () => ["x"]))).toHaveLength(100);
});
