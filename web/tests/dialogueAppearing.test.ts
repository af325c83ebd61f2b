/** How lines of a dialogue are taken apart, and when each part is seen. */
import { describe, expect, it } from "vitest";
import { beginnings, partsOf } from "../player/render/dialogue/useAppearing";

describe("lines that appear bit by bit", () => {
  it("are sentences or words, and nothing of them is lost", () => {
    const line = "Good evening, Dr. Pell! Is there — by chance — a place?";
    for (const how of ["at_once", "by_sentence", "as_spoken"] as const) expect(partsOf(line, "en", how).join("")).toBe(line);
    expect(partsOf("It is dark. Come in!", "en", "by_sentence")).toEqual(["It is dark. ", "Come in!"]);
    expect(partsOf("Come in, now!", "en", "as_spoken")).toEqual(["Come ", "in, ", "now!"]);
    expect(partsOf("“Well?”", "en", "as_spoken").join("")).toBe("“Well?”");
    expect(partsOf("", "en", "as_spoken")).toEqual([""]);
  });

  it("follow the voice, or the pace of one", () => {
    expect(beginnings(["aaaa ", "bbbb "], { duration: 1_000 })).toEqual([0, 500]);
    // Four words take 1.6 s.
    expect(beginnings(["one two ", "three fo"])).toEqual([0, 800]);
    expect(beginnings([""])).toEqual([0]);
  });
});
