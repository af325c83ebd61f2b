/** The TypeScript engine must reproduce every state, effect, progress text and call of the traces. */
import { existsSync, readdirSync, readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { describe, expect, test } from "vitest";
import { replay, type Trace } from "./replay";

const folder = fileURLToPath(new URL("../../tests/parity/traces/", import.meta.url));
const OTHERS = ["changes.json", "draws.json", "names.json", "resolved.json", "defaults.json"];
const files = (existsSync(folder) ? readdirSync(folder) : [])
  .filter((name) => name.endsWith(".json") && !OTHERS.includes(name));

test("there are traces from random programs and quizzes, the demo, dialogues, a generated course, kept runs and quizzes that are taken", () => {
  expect(files.sort()).toEqual(["day.json", "demo.json", "dialogues.json", "generated.json", "kept.json", "quizzes.json", "random.json", "taking.json"]);
});

describe.each(files)("%s", (file) => {
  const traces = JSON.parse(readFileSync(folder + file, "utf8")) as Trace[];

  test(`${traces.length} runs`, () => {
    traces.forEach((trace, number) => {
      for (const [where, here, there] of replay(trace)) expect(here, `run ${number}, ${where}`).toEqual(there);
    });
  });
});
