/** Free names are those of the core: the traces of `tests/parity/test_names.py`. */
import { readFileSync } from "node:fs";
import { expect, test } from "vitest";
import { freeName } from "../workbench/store/names";

const path = new URL("../../tests/parity/traces/names.json", import.meta.url);
const cases = JSON.parse(readFileSync(path, "utf8")) as { wanted: string; taken: string[]; free: string }[];

test("numbered names count on, in both languages alike", () => {
  for (const { wanted, taken, free } of cases) expect(freeName(wanted, taken)).toBe(free);
  expect(freeName("Card 1", ["Card 1"])).toBe("Card 2");
  expect(freeName("Card", ["Card"])).toBe("Card 2");
});
