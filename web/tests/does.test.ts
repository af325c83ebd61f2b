/** Conditions by choice, and where moves lead. */
import { describe, expect, it, test } from "vitest";
import type { Move, Rule, Slide } from "../api/types";
import { path } from "../player/render/motion";
import { formatted } from "../player/render/RichTextView";
import { clausesOf, nodeOf } from "../workbench/does/conditions";
import { shifted } from "../workbench/does/shifting";

describe("conditions", () => {
  test.each([
    [true], [["clicked", "abcd"]], [["not", ["shown", "abcd"]]],
    [["and", [">=", ["variable", "abcd"], 3], ["=", ["live", "result"], "passed"]]],
    [["or", ["all_seen", "abcd"], ["and", ["seen", "efgh"], ["not", ["right", "ijkl"]]]]],
    [["!=", ["dropped", "abcd"], ""]], [["<", ["+", ["variable", "abcd"], 1], 3]],
    [["and", false, ["%", 3, 2]]],
  ])("are read and written again: %j", (node) => {
    expect(nodeOf(clausesOf(node))).toEqual(node);
  });

  test("what is no choice stays an expression", () => {
    expect(clausesOf(["<", ["+", ["variable", "abcd"], 1], 3]).clauses[0]?.kind).toBe("other");
    expect(clausesOf(["watched", "abcd"]).clauses[0]?.kind).toBe("other");
  });
});

describe("values in words", () => {
  const plain = { decimals: null, yes: "", no: "", one: "", many: "" };
  test.each([
    [1, { ...plain, one: "one card", many: "# cards" }, "one card"],
    [3, { ...plain, one: "one card", many: "# cards" }, "3 cards"],
    [2.5, { ...plain, decimals: 2 }, "2.50"], [true, { ...plain, yes: "open", no: "shut" }, "open"],
    [false, { ...plain, yes: "open", no: "shut" }, "shut"], [false, plain, "no"], [7, null, "7"],
  ])("%j", (value, format, words) => {
    expect(formatted(value, format)).toBe(words);
  });
});

describe("moves", () => {
  const move = (curved: boolean): Move => ({
    id: "move", name: "Move", path: [{ x: 100, y: 0 }, { x: 100, y: 80 }], curved, duration: 500,
    easing: "linear", times: 1, goes: "path", to: null,
  });
  test("begin where the thing is, along a path, by as much, or to something", () => {
    expect(path(move(false), [7, 9])).toEqual([[7, 9], [100, 0], [100, 80]]);
    expect(path({ ...move(false), goes: "by" }, [7, 9])).toEqual([[7, 9], [107, 9], [107, 89]]);
    expect(path({ ...move(false), goes: "to" }, [7, 9], [50, 60])).toEqual([[7, 9], [50, 60]]);
    expect(path({ ...move(false), goes: "to" }, [7, 9])).toEqual([[7, 9], [7, 9]]);
  });
  test("begin where the element stands and end at their last place", () => {
    expect(path(move(false))).toEqual([[0, 0], [100, 0], [100, 80]]);
    const curve = path(move(true));
    expect(curve[0]).toEqual([0, 0]);
    expect(curve.at(-1)).toEqual([100, 80]);
    expect(curve).toContainEqual([100, 0]);
  });
});

describe("a sentence for another element", () => {
  const named = (id: string, name: string): object => ({ id, name });
  const slide = {
    elements: [named("carda", "Card"), named("cardb", "Card 2"), named("panela", "Panel"), named("panelb", "Panel 2"), named("lamp", "Lamp")],
    overlays: [], questions: [],
  } as unknown as Slide;
  const rule = {
    id: "rule", when: { event: "clicked", of: ["carda"] }, condition: ["not", ["shown", "panela"]], otherwise: [], off: false,
    do: [{ action: "show", what: "panela" }, { action: "hide", what: "lamp" }],
  } as unknown as Rule;

  it("names what belongs to that element, and keeps what belongs to none", () => {
    const made = shifted(rule, "carda", { id: "cardb", name: "Card 2" }, slide);
    expect(made).toMatchObject({
      when: { of: ["cardb"] }, condition: ["not", ["shown", "panelb"]],
      do: [{ what: "panelb" }, { what: "lamp" }],
    });
    expect(made.id).not.toBe("rule");
  });

  it("stays as it is where there is no counterpart", () => {
    expect(shifted(rule, "carda", { id: "lamp", name: "Lamp 7" }, slide).do).toMatchObject([{ what: "panela" }, { what: "lamp" }]);
  });
});
