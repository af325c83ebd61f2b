/** Outlines of figures, and words as rich text and back. */
import { describe, expect, test } from "vitest";
import type { Element, ShapeElement } from "../api/types";
import { arrowHead, calloutPath, corners, lineEnds } from "../player/render/figures";
import { columnsOf } from "../player/render/TableBox";
import { paint, hex } from "../player/render/theme";
import { freeName } from "../workbench/store/names";
import { hasWords, paragraphs, plain } from "../workbench/store/richText";
import { withTitle } from "../workbench/store/titles";
import { isDecoration, needsAlternative, withWords } from "../workbench/editor/order/rowText";

const shape = (part: Partial<ShapeElement>): ShapeElement => ({
  w: 200, h: 100, rising: false, flip_x: false, flip_y: false, tail: { x: 0.5, y: 2 }, ...part,
}) as ShapeElement;

describe("figures", () => {
  test("a line runs down to the right, or up when it rises, mirrored as the element is", () => {
    expect(lineEnds(shape({}))).toEqual({ from: [0, 0], to: [200, 100] });
    expect(lineEnds(shape({ rising: true }))).toEqual({ from: [0, 100], to: [200, 0] });
    expect(lineEnds(shape({ flip_x: true }))).toEqual({ from: [200, 0], to: [0, 100] });
    expect(lineEnds(shape({ rising: true, flip_y: true }))).toEqual({ from: [0, 0], to: [200, 100] });
  });

  test("an arrow's shaft ends within its head", () => {
    const { head, end } = arrowHead([0, 0], [100, 0], 4);
    expect(head.startsWith("M100 0 L")).toBe(true);
    expect(end[0]).toBeGreaterThan(80);
    expect(end[0]).toBeLessThan(100);
    expect(end[1]).toBeCloseTo(0);
  });

  test.each([
    [{ x: 0.5, y: 2 }, "100 200"], [{ x: 0.5, y: -1 }, "100 -100"], [{ x: 2, y: 0.5 }, "400 50"], [{ x: -1, y: 0.5 }, "-200 50"],
  ])("a callout's outline goes out to %j once", (tail, point) => {
    const path = calloutPath(shape({ tail }), 12);
    expect(path.split(`L${point}`)).toHaveLength(2);
    expect(path.match(/A12 12/g)).toHaveLength(4);
  });

  test("a callout that points into itself is a plain box", () => {
    expect(calloutPath(shape({ tail: { x: 0.5, y: 0.5 } }), 0).match(/L/g)).toHaveLength(8);
  });

  test("corners are mirrored in their box", () => {
    expect(corners([{ x: 0.25, y: 0 }], 200, 100, { flip_x: true, flip_y: true })).toEqual([[150, 100]]);
  });

  test("columns share the width as set, or alike", () => {
    const table = { cells: [["a", "b"]], columns: [0.3, 0.1] } as Parameters<typeof columnsOf>[0];
    expect(columnsOf(table)[0]).toBeCloseTo(0.75);
    expect(columnsOf({ ...table, columns: [] })).toEqual([0.5, 0.5]);
  });

  test("a colour is itself or the theme's", () => {
    const theme = { colours: { primary: "#123456" } } as Parameters<typeof hex>[1];
    expect([paint("#abcdef"), paint("primary")]).toEqual(["#abcdef", "var(--zz-primary)"]);
    expect([hex("#abcdef", theme), hex("primary", theme)]).toEqual(["#abcdef", "#123456"]);
  });
});

describe("words", () => {
  const text = (words: string, part: Partial<Element> = {}): Element => (
    { id: words, kind: "text", level: "body", text: paragraphs(words), alt: "", decoration: false, ...part } as Element);

  test("lines become paragraphs and paragraphs lines", () => {
    expect(plain(paragraphs("one\n\ntwo"), "\n")).toBe("one\n\ntwo");
    expect(hasWords(paragraphs(""))).toBe(false);
    expect(hasWords(paragraphs("\n"))).toBe(false);
  });

  test("a line that stays as it was keeps its emphasis", () => {
    const loud = { kind: "bullet" as const, runs: [{ kind: "text" as const, text: "loud", bold: true, italic: false }] };
    const before = text("", { text: { blocks: [loud] } } as Partial<Element>);
    const after = withWords(before, "loud\nnew");
    expect(after.kind === "text" && after.text.blocks).toEqual([loud, paragraphs("new").blocks[0]]);
  });

  test("what has no words of its own gets its text alternative", () => {
    expect(withWords({ kind: "picture", alt: "" } as Element, "A rope").alt).toBe("A rope");
    expect(withWords({ kind: "button", label: "" } as Element, "Go on")).toMatchObject({ label: "Go on" });
  });

  test("the title on a slide follows the slide's while they are the same", () => {
    const title = text("Boots", { level: "title" } as Partial<Element>);
    const slide = { title: "Boots", elements: [title, text("Boots")] } as Parameters<typeof withTitle>[0];
    const renamed = withTitle(slide, "Ropes");
    expect(renamed.elements.map((e) => e.kind === "text" && plain(e.text))).toEqual(["Ropes", "Boots"]);
    const apart = withTitle({ ...slide, title: "Other" }, "Ropes");
    expect(apart.elements[0]).toBe(title);
  });

  test("one alternative serves all of a group, and decoration needs none", () => {
    const picture = { id: "p", kind: "picture", alt: "", decoration: false, group: "g" } as Element;
    const group = { id: "g", kind: "group", alt: "", decoration: false, group: null } as unknown as Element;
    const slide = (part: Partial<Element>): Parameters<typeof needsAlternative>[0] => (
      { elements: [{ ...group, ...part }, picture] } as Parameters<typeof needsAlternative>[0]);
    expect(needsAlternative(slide({}), picture)).toBe(true);
    expect(needsAlternative(slide({ alt: "All" }), picture)).toBe(false);
    expect(needsAlternative(slide({ decoration: true }), picture)).toBe(false);
    expect(isDecoration(picture, slide({ decoration: true }) as Parameters<typeof isDecoration>[1])).toBe(true);
  });

  test("names count on", () => {
    expect(freeName("Card", ["Card", "Card 2"])).toBe("Card 3");
    expect(freeName("Card", [])).toBe("Card");
  });
});
