/** Pieces of a file that are played: where learners see what, and where that is in the file. */
import { describe, expect, it } from "vitest";
import { isWhole, lengthOf } from "../player/engine/pieces";
import { placeOf, seenChapters, shownAt, shownOf } from "../player/render/playing/pieces";
import { fading } from "../player/render/playing/useCut";

const PIECES = [{ since: 1_000, until: 2_000 }, { since: 2_000, until: 2_500 }, { since: 4_000, until: 5_000 }];

describe("pieces of a video", () => {
  it("stand together for learners, and each place of them is found again", () => {
    expect(lengthOf(PIECES)).toBe(2_500);
    expect([0, 1_000, 1_400, 2_000, 3_000, 4_200, 9_000].map((ms) => shownAt(PIECES, ms))).toEqual([0, 0, 400, 1_000, 1_500, 1_700, 2_500]);
    for (let shown = 0; shown < 2_500; shown += 50) {
      const place = placeOf(PIECES, shown);
      expect(shownAt(PIECES, place)).toBe(shown);
      expect(PIECES.some(({ since, until }) => since <= place && place < until)).toBe(true);
    }
    expect(placeOf(PIECES, 2_500)).toBe(5_000);
    expect(placeOf([], 9)).toBe(0);
  });

  it("tell what was seen of them, and nothing else", () => {
    expect(shownOf(PIECES, [[0, 900], [1_800, 2_100], [2_400, 4_100], [6_000, 7_000]])).toEqual([[800, 1_100], [1_400, 1_600]]);
  });

  it("keep the chapters of which something is played", () => {
    const chapters = [{ since: 0, name: "Before" }, { since: 900, name: "First" }, { since: 2_600, name: "Cut out" }, { since: 3_900, name: "Last" }];
    expect(seenChapters(chapters, PIECES)).toEqual([{ since: 0, name: "First" }, { since: 1_500, name: "Last" }]);
  });

  it("are the whole file, or fade at its ends", () => {
    expect(isWhole([{ since: 0, until: 900 }], 900)).toBe(true);
    expect(isWhole([{ since: 0, until: 800 }], 900)).toBe(false);
    expect([0, 250, 2_000].map((ms) => fading(ms, 1_000))).toEqual([0, 0.25, 1]);
    expect(fading(0, 0)).toBe(1);
  });
});
