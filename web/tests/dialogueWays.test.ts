/** Where the turns of a dialogue stand. */
import fc from "fast-check";
import { expect, test } from "vitest";
import { BOX, laidOut, type Lead } from "../workbench/dialogue/ways/layout";

const graphs = fc.integer({ min: 1, max: 30 }).chain((count) => fc.tuple(
  fc.constant(count),
  fc.uniqueArray(fc.record({ source: fc.nat(count - 1), target: fc.nat(count - 1) }), { maxLength: 60, selector: ({ source, target }) => source * count + target }),
));

test("no turn stands on another one, and all are in the drawing", () => {
  fc.assert(fc.property(graphs, ([count, leads]) => {
    const { places, width, height } = laidOut(count, leads);
    expect(places).toHaveLength(count);
    places.forEach((a, one) => {
      expect(a.x - BOX.w / 2).toBeGreaterThanOrEqual(0);
      expect(a.x + BOX.w / 2).toBeLessThanOrEqual(width);
      expect(a.y + BOX.h / 2).toBeLessThanOrEqual(height);
      places.slice(one + 1).forEach((b) => expect(Math.abs(a.y - b.y) >= BOX.h || Math.abs(a.x - b.x) >= BOX.w - 0.01).toBe(true));
    });
  }));
});

test("what follows stands below, and a line passes no turn", () => {
  const leads: Lead[] = [{ source: 0, target: 1 }, { source: 1, target: 2 }, { source: 0, target: 2 }, { source: 2, target: 0 }];
  const { places, bends } = laidOut(3, leads);
  expect(places.map(({ y }) => y)).toEqual([...places.map(({ y }) => y)].sort((a, b) => a - b));
  expect(bends[2]).toHaveLength(1);
  expect(Math.abs((bends[2]?.[0]?.x ?? 0) - (places[1]?.x ?? 0))).toBeGreaterThan(BOX.w / 2);
});

test("two hundred turns are laid out in a moment", () => {
  const leads = Array.from({ length: 199 }, (_, turn) => [1, 2, 7].map((far): Lead => ({ source: turn, target: Math.min(turn + far, 199) }))).flat();
  expect(laidOut(200, leads).places).toHaveLength(200);
});

test("in the largest dialogue there are not more places for lines than can be drawn", () => {
  const leads = Array.from({ length: 500 }, (_, turn) => [1, 3, 40, 250].map((far): Lead => ({ source: turn, target: Math.min(turn + far, 499) }))).flat();
  const { bends } = laidOut(500, leads);
  expect(bends.flat().length).toBeGreaterThan(500);
  expect(bends.flat().length).toBeLessThan(4_000);
});
