/** Captions that are split, joined, moved and added. */
import { describe, expect, it } from "vitest";
import { added, changed, hard, joined, shifted, split } from "../workbench/editor/captions/changing";

const CAPTIONS = [{ since: 1_000, until: 3_000, text: "Shut the damper and wait." }, { since: 4_000, until: 6_000, text: "Then rest." }];

describe("captions", () => {
  it("are split at the caret and joined again", () => {
    const two = split(CAPTIONS, 0, 15);
    expect(two.map(({ text }) => text)).toEqual(["Shut the damper", "and wait.", "Then rest."]);
    expect(two[0]?.until).toBe(2_250);
    expect(two[1]).toEqual({ since: 2_250, until: 3_000, text: "and wait." });
    expect(joined(two, 0)).toEqual(CAPTIONS);
    // Where one of the two would be empty nothing is split.
    expect(split(CAPTIONS, 0, 0)).toEqual(CAPTIONS);
    expect(joined(CAPTIONS, 1)).toEqual(CAPTIONS);
  });

  it("stay in order, and end after they begin", () => {
    expect(changed(CAPTIONS, 0, { since: 5_000, until: 7_000 }).map(({ since }) => since)).toEqual([4_000, 5_000]);
    expect(changed(CAPTIONS, 0, { since: 3_000 })).toEqual(CAPTIONS);
    expect(changed(CAPTIONS, 1, { text: "Rest." })[1]?.text).toBe("Rest.");
  });

  it("are added where the film stands, until the next one", () => {
    expect(added(CAPTIONS, 3_200, "Now")).toEqual({ place: 1, captions: [CAPTIONS[0], { since: 3_200, until: 4_000, text: "Now" }, CAPTIONS[1]] });
    expect(added([], 0, "Now").captions).toEqual([{ since: 0, until: 2_000, text: "Now" }]);
  });

  it("move together, not before the beginning", () => {
    expect(shifted(CAPTIONS, -2_000).map(({ since, until }) => [since, until])).toEqual([[0, 2_000], [3_000, 5_000]]);
    expect(shifted(CAPTIONS, 250)[1]?.until).toBe(6_250);
  });

  it("are told where they are hard to read", () => {
    expect(CAPTIONS.map(hard)).toEqual([null, null]);
    expect(hard({ since: 0, until: 1_000, text: "a".repeat(19) })).toBe("fast");
    expect(hard({ since: 0, until: 9_000, text: "a".repeat(43) })).toBe("long");
    expect(hard({ since: 0, until: 9_000, text: "a\nb\nc" })).toBe("lines");
  });
});
