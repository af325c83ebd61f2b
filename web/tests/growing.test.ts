/** A set that grows keeps what it was for those who hold an earlier one. */
import { expect, test } from "vitest";
import { Growing } from "../player/engine/growing";

test("each grown set has its own names, whatever grows from it later or beside it", () => {
  const none = Growing.of();
  const one = none.with("map");
  const two = one.with("stove");
  const other = one.with("radio").with("stove");
  expect([[...none], [...one], [...two], [...other]]).toEqual([[], ["map"], ["map", "stove"], ["map", "radio", "stove"]]);
  expect(one.has("stove")).toBe(false);
  expect(two.has("radio")).toBe(false);
  expect(other.has("stove")).toBe(true);
  expect(two.with("map")).toBe(two);
  expect([none.size, one.size, two.size, other.size]).toEqual([0, 1, 2, 3]);
});

test("a set of names has each once, in their order", () => {
  expect([...Growing.of(["b", "a", "b"]).with("c")]).toEqual(["b", "a", "c"]);
});
