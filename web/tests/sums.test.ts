/** Numbers as they are typed into fields. */
import { describe, expect, it } from "vitest";
import { sum } from "../kit/sums";

describe("a number that is typed", () => {
  it("may be written with a comma, a point, a sign", () => {
    expect(["12", "1,5", " 2.25 ", "-3", "−4", "+5", ".5"].map(sum)).toEqual([12, 1.5, 2.25, -3, -4, 5, 0.5]);
  });
  it("may be a small sum, in the usual order", () => {
    expect(["120+8", "1280/2 - 40", "(1280 - 40) / 3 * 3", "2*-3", "10 × 3 ÷ 4"].map(sum)).toEqual([128, 600, 1240, -6, 7.5]);
  });
  it("is none while it is not complete, or makes no sense", () => {
    expect(["", " ", "12+", "(3", "3)", "1/0", "abc", "1 2", "1e5", "..", "NaN", "Infinity", "(".repeat(70)].map(sum))
      .toEqual(Array.from({ length: 13 }, () => null));
  });
});
