/** Changes are what the core makes of them: the traces of `tests/parity/test_changes.py`. */
import { readFileSync } from "node:fs";
import { expect, test } from "vitest";
import type { Change, Operation } from "../api/types";
import { apply, diff, equal, invert, type Conflict } from "../workbench/store/changes";

interface Made { document: unknown; conflicts: Conflict[] }
interface Case {
  base: unknown; mine: unknown; now: unknown; change: Change; inverse: Change; careful: Made; forced: Made;
}

const path = new URL("../../tests/parity/traces/changes.json", import.meta.url);
const cases = JSON.parse(readFileSync(path, "utf8")) as Case[];

/** The operations by what they are, with neighbours that are absent as null. */
function known(change: Change): Operation[] {
  return change.operations.map((operation) => (operation.op === "set" ? operation
    : { ...operation, after: operation.after ?? null, before: operation.before ?? null }));
}

test("the same change is found between two documents, and turned round in the same way", () => {
  for (const { base, mine, change, inverse } of cases) {
    const found = diff(base, mine);
    expect(sorted(found)).toEqual(sorted(change));
    expect(sorted(invert(change))).toEqual(sorted(inverse));
    expect(equal(apply(found, base).document, mine)).toBe(true);
    expect(equal(apply(invert(found), mine).document, base)).toBe(true);
  }
  expect(cases.length).toBeGreaterThan(300);
});

/** JavaScript lists fields whose names are whole numbers first: the order of fields is of no account. */
function sorted(change: Change): string[] {
  return known(change).map((operation) => JSON.stringify(inOrder(operation))).sort();
}

/** A value with the fields of all its objects in the order of their names. */
function inOrder(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(inOrder);
  if (typeof value !== "object" || value === null) return value;
  return Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)).map(([name, inner]) => [name, inOrder(inner)]);
}

test("it comes to the same on what stands now, with the same conflicts", () => {
  for (const { now, change, careful, forced } of cases) {
    for (const [force, wanted] of [[false, careful], [true, forced]] as const) {
      const made = apply(change, now, force);
      expect(equal(made.document, wanted.document)).toBe(true);
      expect(made.conflicts.map(({ why }) => why)).toEqual(wanted.conflicts.map(({ why }) => why));
      expect(made.conflicts.map(({ operation }) => operation.path)).toEqual(wanted.conflicts.map(({ operation }) => operation.path));
    }
  }
});

test("what did not change is shared, and nothing is changed in place", () => {
  const base = { elements: [{ id: "boots", x: 1 }, { id: "ropes", x: 2 }], looks: { hover: {} } };
  const frozen = JSON.stringify(base);
  const { document } = apply(diff(base, { ...base, elements: [{ id: "boots", x: 9 }, base.elements[1]] }), base);
  expect(JSON.stringify(base)).toBe(frozen);
  expect(document.elements[1]).toBe(base.elements[1]);
  expect(document.looks).toBe(base.looks);
  expect(document.elements[0]).toEqual({ id: "boots", x: 9 });
});
