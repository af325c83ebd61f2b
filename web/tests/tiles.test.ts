/** Items that share a target lie within it, apart, and leave its words to be read. */
import { describe, expect, it } from "vitest";
import type { Element } from "../api/types";
import { tiles } from "../player/render/answers/tiles";

const STYLE = { border_width: 0, padding: 12, size: 24, line_height: 1.35, valign: "top" };

function box(kind: "shape" | "text" | "picture", w: number, h: number, words = ""): Element {
  const blocks = words ? [{ kind: "paragraph", runs: [{ kind: "text", text: words }] }] : [];
  return { id: "x", kind, x: 100, y: 200, w, h, style: STYLE, text: { blocks } } as unknown as Element;
}

/** The boxes that are seen: an item is drawn smaller about its middle. */
function seen(target: Element, items: Element[]): { l: number; t: number; r: number; b: number }[] {
  return tiles(target, items).map(({ left, top, width, height, scale }) => {
    const [x, y] = [left + width / 2, top + height / 2];
    return { l: x - (width * scale) / 2, r: x + (width * scale) / 2, t: y - (height * scale) / 2, b: y + (height * scale) / 2 };
  });
}

describe("tiles", () => {
  const cases = [
    ["words in a low box", box("shape", 250, 180, "Metal"), box("text", 254, 64, "Tin can"), [1, 2, 3]],
    ["words in a wide box", box("shape", 540, 180, "Goes here"), box("text", 254, 64, "One thing"), [1, 2, 4, 5]],
    ["pictures without words", box("shape", 500, 300), box("picture", 140, 140), [1, 3, 6, 9]],
  ] as const;
  for (const [name, target, item, counts] of cases) {
    for (const count of counts) {
      it(`keeps ${count} within: ${name}`, () => {
        const found = seen(target, Array.from({ length: count }, () => item));
        const words = target.kind === "shape" && target.text.blocks.length ? 24 * 1.35 + 24 : 0;
        for (const { l, t, r, b } of found) {
          expect(l).toBeGreaterThanOrEqual(target.x);
          expect(r).toBeLessThanOrEqual(target.x + target.w);
          expect(t).toBeGreaterThanOrEqual(target.y + words - 0.01);
          expect(b).toBeLessThanOrEqual(target.y + target.h);
        }
        for (const [n, one] of found.entries()) {
          for (const other of found.slice(n + 1)) {
            expect(one.r <= other.l + 0.01 || other.r <= one.l + 0.01 || one.b <= other.t + 0.01 || other.b <= one.t + 0.01).toBe(true);
          }
        }
      });
    }
  }

  it("draws what fits as large as it is, and stands it on the ground", () => {
    const [tile] = tiles(box("shape", 500, 300), [box("picture", 140, 140)]);
    expect(tile).toEqual({ left: 280, top: 352, width: 140, height: 140, scale: 1 });
  });

  it("makes boxes narrower and lower before words get small", () => {
    const found = tiles(box("shape", 250, 180, "Glass"), ["Jar", "Bottle", "Teabag", "Stub"].map((words) => box("text", 254, 64, words)));
    expect(found[0]?.scale).toBeGreaterThan(0.7);
    expect(new Set(found.map(({ left }) => left)).size).toBe(2);
  });

  it("lets far too many overlap rather than vanish", () => {
    const target = box("shape", 200, 100);
    const found = seen(target, Array.from({ length: 30 }, () => box("picture", 80, 80)));
    for (const { t, b, l, r } of found) {
      expect(b - t).toBe(40);
      expect(t).toBeGreaterThanOrEqual(target.y);
      expect(l).toBeGreaterThanOrEqual(target.x);
      expect(r).toBeLessThanOrEqual(target.x + target.w);
    }
  });
});
