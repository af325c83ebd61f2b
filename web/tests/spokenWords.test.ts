/** Words of a text that are spoken: where they stand, and when they are heard. */
import { describe, expect, it } from "vitest";
import { beginnings, partsOf } from "../player/render/dialogue/useAppearing";
import { timedWords, wordAt } from "../player/render/spoken/timedWords";

const SAID = { words: "Good evening! Is there a place left? There is.", since: [0, 300, 900, 1_100, 1_200, 1_300, 1_700, 2_500, 2_800] };

describe("words of a text that are spoken", () => {
  it("have their letters and their times, also in the middle of what is said", () => {
    const words = timedWords("is there\na PLACE?", { words: SAID.words.replace("place left?", "place?"), since: [0, 300, 900, 1_100, 1_200, 1_300, 2_500, 2_800] });
    expect(words).toEqual([{ from: 0, to: 2, since: 900 }, { from: 3, to: 8, since: 1_100 }, { from: 9, to: 10, since: 1_200 }, { from: 11, to: 17, since: 1_300 }]);
  });

  it("are none where something else is said, or nothing is written", () => {
    expect(timedWords("Is there a bed left?", SAID)).toEqual([]);
    expect(timedWords("There is no", SAID)).toEqual([]);
    expect(timedWords(" \n", SAID)).toEqual([]);
  });

  it("are heard from their time until the next", () => {
    const words = timedWords("evening! Is", SAID);
    expect(wordAt(words, 299)).toBeUndefined();
    expect(wordAt(words, 300)?.from).toBe(0);
    expect(wordAt(words, 5_000)?.from).toBe(9);
  });

  it("let a line appear as it is heard, not by its letters", () => {
    const voice = { duration: 3_200, speech: SAID };
    expect(beginnings(partsOf(SAID.words, "en", "as_spoken"), voice)).toEqual(SAID.since);
    expect(beginnings(partsOf(SAID.words, "en", "by_sentence"), voice)).toEqual([0, 900, 2_500]);
  });
});
