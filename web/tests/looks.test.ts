/** Looks: what an element wears, and what a change means while it wears one. */
import { describe, expect, it } from "vitest";
import type { ButtonElement, Element } from "../api/types";
import { newLook, overridesOf, throughLook, wearing } from "../workbench/looks/looks";

const BUTTON = {
  id: "button1", kind: "button", name: "Go", label: "Go", x: 10, y: 20, w: 200, h: 60, z: 0, turn: 0, rules: [], moves: [],
  looks: { hover: { opacity: 0.9 } },
  style: { fill: "#1e5b4b", border_width: 0, radius: 8, opacity: 1, size: 28, bold: false, italic: false, padding: 0, text_colour: "on_primary" },
} as unknown as ButtonElement;

const restyled = (part: object) => (element: Element): Element => ({ ...element, style: { ...element.style, ...part } }) as Element;

describe("a change through a look", () => {
  it("becomes the look's, and leaves the element as it was", () => {
    const after = throughLook(BUTTON, "hover", (e) => restyled({ fill: "#e8a33d" })({ ...e, w: 240, label: "Go on" } as Element));
    expect(after).toMatchObject({ w: 200, label: "Go", style: BUTTON.style });
    expect(after.looks.hover).toEqual({ opacity: 0.9, fill: "#e8a33d", w: 240, label: "Go on" });
    expect(wearing(after, "hover")).toMatchObject({ w: 240, label: "Go on", style: { fill: "#e8a33d", opacity: 0.9, size: 28 } });
    expect(wearing(after, null)).toBe(after);
  });

  it("that gives back the default value takes the override away", () => {
    const patched = throughLook(BUTTON, "hover", restyled({ size: 40 }));
    const back = throughLook(patched, "hover", restyled({ size: 28 }));
    expect(overridesOf(back.looks.hover)).toEqual(["see-through"]);
  });

  it("is the element's own where a look cannot have it", () => {
    const after = throughLook(BUTTON, "hover", (e) => ({ ...e, name: "Gate", alt: "A gate" }) as Element);
    expect(after).toMatchObject({ name: "Gate", alt: "A gate" });
    expect(after.looks.hover).toEqual({ opacity: 0.9 });
  });
});

it("own looks have ids and names, and names do not clash", () => {
  const first = newLook(BUTTON, null);
  const second = newLook({ ...BUTTON, looks: { [first.id]: first.patch } } as Element, null);
  expect([first.patch.name, second.patch.name]).toEqual(["Look", "Look 2"]);
  expect(newLook(BUTTON, "visited")).toEqual({ id: "visited", patch: {} });
});
