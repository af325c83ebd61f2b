/** The TypeScript engine must reproduce every state, effect, progress text and call of the traces. */
import { existsSync, readdirSync, readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { describe, expect, test } from "vitest";
import type { Program } from "../api/types";
import { choiceOrder, start, step } from "../player/engine/engine";
import { filled } from "../player/engine/filled";
import { Index } from "../player/engine/program";
import type { Event } from "../api/events";
import { asJson } from "../player/engine/state";
import { pack, unpack } from "../player/tracking/progress";
import { interactionCalls, statusCalls } from "../player/tracking/scorm12";

interface Trace {
  program: Program;
  packaged: object;
  seed: number;
  steps: {
    event: Event; state: unknown; effects: unknown; progress: string; restored: unknown;
    calls: unknown; interactions: unknown;
  }[];
  orders: Record<string, string[]>;
}

const folder = fileURLToPath(new URL("../../tests/parity/traces/", import.meta.url));
const OTHERS = ["changes.json", "names.json", "resolved.json"];
const files = (existsSync(folder) ? readdirSync(folder) : [])
  .filter((name) => name.endsWith(".json") && !OTHERS.includes(name));

test("there are traces from random programs and quizzes, the demo and a generated course", () => {
  expect(files.sort()).toEqual(["demo.json", "generated.json", "quizzes.json", "random.json"]);
});

/** The program with its conditions 0 and 1 as no and yes, which Python takes for the same. */
function conditions(program: Program): unknown {
  return JSON.parse(JSON.stringify(program), (key, value: unknown) =>
    ["visible", "enabled", "selected", "condition"].includes(key) && typeof value === "number"
      ? value !== 0 : value);
}

describe.each(files)("%s", (file) => {
  const traces = JSON.parse(readFileSync(folder + file, "utf8")) as Trace[];

  test(`${traces.length} runs`, () => {
    traces.forEach((trace, number) => {
      const program = filled(trace.packaged);
      expect(conditions(program), `run ${number}`).toEqual(conditions(trace.program));
      const index = new Index(program);
      let state = start(index, trace.seed);
      trace.steps.forEach((expected, place) => {
        const where = `run ${number}, event ${place}`;
        const [next, effects] = step(index, state, expected.event);
        state = next;
        expect(asJson(state), where).toEqual(expected.state);
        expect(effects, where).toEqual(expected.effects);
        expect(pack(index, state), where).toBe(expected.progress);
        expect(asJson(unpack(index, expected.progress)), where).toEqual(expected.restored);
        expect(statusCalls(index, state), where).toEqual(expected.calls);
        const interactions = effects
          .filter((effect) => effect.effect === "answered")
          .map((effect) => interactionCalls(index, effect, place, "12:34:56"));
        expect(interactions, where).toEqual(expected.interactions);
      });
      for (const [question, order] of Object.entries(trace.orders)) {
        expect(choiceOrder(index, state, question)).toEqual(order);
      }
    });
  });
});
