/** Cutting a video or audio: only numbers change, and all can be taken back. */
import { describe, expect, it } from "vitest";
import { lengthOf, playedOf } from "../player/engine/pieces";
import { beginAt, endAt, hasSilence, kept, splitAt, without } from "../workbench/editor/fields/cut";

const WHOLE = playedOf([], 10_000);

describe("cutting", () => {
  it("begins later, ends earlier, and leaves out what was split off", () => {
    const cut = without(splitAt(splitAt(endAt(beginAt(WHOLE, 1_000), 9_000), 3_000), 5_000), 1);
    expect(cut).toEqual([{ since: 1_000, until: 3_000 }, { since: 5_000, until: 9_000 }]);
    expect(lengthOf(cut)).toBe(6_000);
    // A begin in what was left out goes to the next piece.
    expect(beginAt(cut, 4_000)).toEqual([{ since: 5_000, until: 9_000 }]);
    expect(endAt(cut, 4_000)).toEqual([{ since: 1_000, until: 3_000 }]);
  });

  it("leaves something that can be seen, however it is asked", () => {
    expect(beginAt(WHOLE, 9_950)).toEqual(WHOLE);
    expect(endAt(WHOLE, 40)).toEqual(WHOLE);
    expect(splitAt(WHOLE, 20)).toEqual(WHOLE);
    expect(without(WHOLE, 0)).toEqual(WHOLE);
  });

  it("keeps nothing where all is played, and nothing beyond the end of another file", () => {
    expect(kept(WHOLE, 10_000)).toEqual([]);
    expect(kept(beginAt(WHOLE, 500), 10_000)).toEqual([{ since: 500, until: 10_000 }]);
    expect(playedOf([{ since: 1_000, until: 9_000 }], 4_000)).toEqual([{ since: 1_000, until: 4_000 }]);
    expect(playedOf([{ since: 8_000, until: 9_000 }], 4_000)).toEqual([{ since: 0, until: 4_000 }]);
  });

  it("knows whether there is silence at the ends", () => {
    expect(hasSilence({ since: 0, until: 10_000 }, WHOLE)).toBe(false);
    expect(hasSilence({ since: 500, until: 10_000 }, WHOLE)).toBe(true);
    expect(hasSilence({ since: 500, until: 9_000 }, [{ since: 500, until: 9_050 }])).toBe(false);
  });
});
