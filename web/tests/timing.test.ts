/** The timing of a slide: rows, snapping, moving cues, keyframes, drawn paths. */
import { describe, expect, it } from "vitest";
import type { Cue, Slide, Timing } from "../api/types";
import { pathOf, simplified } from "../workbench/timing/moves";
import { presence } from "../workbench/timing/playback";
import { axisOf, endOf, moved, newCue, rowsOf, snapped, ticksOf, withCue } from "../workbench/timing/timing";

const cue = (part: Partial<Cue>): Cue => ({ ...newCue("appear", "boot", 0), ...part });
const timing = (...cues: Cue[]): Timing => ({ length: 0, starts: true, repeats: false, cues });

describe("rows", () => {
  const move = { id: "slideit", name: "Slide", path: [{ x: 9, y: 0 }], curved: false, duration: 800, easing: "linear", times: 2 };
  const slide = { elements: [
    { id: "rope", kind: "audio", name: "Rope", moves: [] }, { id: "boot", kind: "text", name: "Boot", moves: [move] },
  ] } as unknown as Slide;

  it("stand in running order, moments first, each cue as long as it lasts", () => {
    const found = rowsOf(slide, timing(
      cue({ at: 500 }), cue({ does: "move", move: "slideit", at: 1_000 }), cue({ what: "rope", does: "play", at: 200 }),
      cue({ what: null, does: "moment", at: 900 }), cue({ at: 3_000, until: 4_000 }),
    ), () => 7_000);
    expect(found.map((row) => row.name)).toEqual(["Time marks", "Rope", "Boot"]);
    expect(found[1]?.bars.map(({ at, until, open }) => [at, until, open])).toEqual([[200, 7_200, false]]);
    expect(found[2]?.bars.map(({ at, until, open }) => [at, until, open])).toEqual([[500, 5_000, true], [1_000, 2_600, false], [3_000, 4_000, false]]);
  });

  it("end with the last cue or the length, whichever is later", () => {
    expect(endOf(timing(cue({ at: 4_000 })))).toBe(4_000);
    expect(endOf({ ...timing(cue({ at: 4_000 })), length: 9_000 })).toBe(9_000);
    expect(axisOf(timing())).toBe(5_000);
  });
});

describe("changing cues", () => {
  it("never lets a cue end before it begins, nor begin before the beginning", () => {
    const one = cue({ id: "onecue", at: 1_000, until: 2_000 });
    expect(withCue(timing(one), "onecue", { until: 300 }).cues[0]).toMatchObject({ at: 1_000, until: 1_001 });
    expect(withCue(timing(one), "onecue", { at: -50 }).cues[0]).toMatchObject({ at: 0 });
    expect(moved(one, -5_000, "all")).toEqual({ at: 0, until: 1_000 });
    expect(moved(one, 5_000, "at")).toEqual({ at: 1_999 });
    expect(moved(one, 500, "until")).toEqual({ until: 2_500 });
  });

  it("snaps to what is near, else to tenths of a second", () => {
    expect(snapped(1_030, [1_000, 1_040], 50)).toBe(1_040);
    expect(snapped(1_260, [1_000], 50)).toBe(1_300);
  });

  it("has ticks that can be read", () => {
    expect(ticksOf(5_000, 200).every).toBe(500);
    expect(ticksOf(60_000, 8).every).toBe(10_000);
  });
});

it("keyframes go forward in time and end as the last cue leaves it", () => {
  const frames = presence([cue({ at: 2_000, until: 2_100 }), cue({ at: 500, until: 900, effect: "none", leaves_with: "none" })], 3_000);
  const offsets = frames.map((frame) => frame.offset as number);
  expect(offsets).toEqual([...offsets].sort((a, b) => a - b));
  expect(offsets[0]).toBe(0);
  expect(offsets.at(-1)).toBe(1);
  expect(frames.at(-1)).toMatchObject({ opacity: 0 });
});

it("a drawn line keeps its shape with few points, and begins where the element stands", () => {
  const arc = Array.from({ length: 200 }, (_, n) => ({ x: 100 + n, y: 100 + 80 * Math.sin((n / 200) * Math.PI) }));
  const few = simplified(arc, 3);
  expect(few.length).toBeLessThan(14);
  for (const { x, y } of few) expect(Math.abs(y - 100 - 80 * Math.sin(((x - 100) / 200) * Math.PI))).toBeLessThan(0.01);
  const path = pathOf(arc);
  expect(path.at(-1)).toEqual({ x: 199, y: 1 });
  expect(pathOf(Array.from({ length: 3_000 }, (_, n) => ({ x: n, y: (n % 2) * 40 }))).length).toBeLessThan(61);
});
