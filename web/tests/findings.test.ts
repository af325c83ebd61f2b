/** Findings by kind, and what those of a kind have in common. */
import { expect, test } from "vitest";
import { inCommon } from "../words/findings";
import { grouped } from "../workbench/shell/findingGroups";

const finding = (level: "error" | "warning", code: string, message = code) => ({ level, code, message, slide: null, element: null });

test("alike findings stand together, errors first, each in its order", () => {
  const found = [
    finding("warning", "never_said", "a"), finding("error", "no_submit", "b"), finding("warning", "never_said", "c"), finding("warning", "unreached", "d"),
  ];
  expect(grouped(found).map(({ level, code, findings }) => [level, code, findings.map(({ message }) => message)])).toEqual([
    ["error", "no_submit", ["b"]], ["warning", "never_said", ["a", "c"]], ["warning", "unreached", ["d"]],
  ]);
});

test("a kind is said with its count, and one without words is not", () => {
  expect(inCommon("never_said", 12)).toBe("12 questions have feedback that is never shown");
  expect(inCommon("constructor", 2)).toBeUndefined();
});
