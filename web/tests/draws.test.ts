/** What a seed gives of a quiz is what the core says: the traces of `tests/parity/test_draws.py`. */
import { readFileSync } from "node:fs";
import { expect, test } from "vitest";
import type { ProgramQuiz } from "../api/types";
import { drawn } from "../player/engine/quiz/drawing";

interface Case {
  readonly quiz: ProgramQuiz;
  readonly seed: number;
  readonly attempt: number;
  readonly seen: readonly string[];
  readonly slides: readonly string[];
}

const path = new URL("../../tests/parity/traces/draws.json", import.meta.url);
const cases = JSON.parse(readFileSync(path, "utf8")) as Case[];

test("a seed gives the same slides in the same order, in both languages", () => {
  expect(cases.length).toBeGreaterThan(300);
  for (const { quiz, seed, attempt, seen, slides } of cases) {
    expect(drawn(quiz, seed, attempt, new Set(seen))).toEqual(slides);
  }
});
