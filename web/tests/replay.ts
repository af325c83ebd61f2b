/** Plays a trace of the Python engine in the TypeScript one. */
import type { Event } from "../api/events";
import type { Program } from "../api/types";
import { choiceOrder, start, step } from "../player/engine/engine";
import { filled } from "../player/engine/filled";
import { Index } from "../player/engine/program";
import { asJson } from "../player/engine/state";
import { statements } from "../player/tracking/cmi5";
import { pack, unpack } from "../player/tracking/progress";
import { shortened } from "../player/tracking/shortened";
import { interactionCalls, statusCalls } from "../player/tracking/scorm12";
import { interactionCalls as interactions2004, statusCalls as calls2004 } from "../player/tracking/scorm2004";

/** What `tests/parity/traces.py` takes as well. */
const HELD = ["primary"];
const TOLD = [[], ["completed"], ["completed", "failed"], ["passed"]];
const MOMENT = "2026-11-28T12:34:56.78Z";

/** What an event led to. */
export interface Outcome {
  state: unknown;
  effects: unknown;
  progress: string;
  shortened: readonly string[];
  restored: unknown;
  calls: unknown;
  interactions: unknown;
  calls2004: unknown;
  interactions2004: unknown;
  statements: unknown;
}

/** What the Python engine did: a program, whole and as it is packaged, and an outcome for each event. */
export interface Trace {
  program: Program;
  packaged: object;
  seed: number;
  steps: (Outcome & { event: Event })[];
  orders: Record<string, string[]>;
}

/** What the TypeScript engine does in the same run: yields a part of the trace at a time, as here and as there. */
export function* replay(trace: Trace): Generator<[where: string, here: unknown, there: unknown]> {
  const program = filled(trace.packaged);
  yield ["the program", conditions(program), conditions(trace.program)];
  const index = new Index(program);
  let state = start(index, trace.seed);
  for (const [position, { event, ...there }] of trace.steps.entries()) {
    const [next, effects] = step(index, state, event);
    state = next;
    const here: Outcome = {
      state: asJson(state), effects, progress: pack(index, state),
      shortened: there.shortened.map((_, at) => pack(index, shortened(index, state, at + 1))), restored: asJson(unpack(index, there.progress)),
      calls: statusCalls(index, state),
      interactions: effects.filter((effect) => effect.effect === "answered")
        .map((effect) => interactionCalls(index, effect, position, "12:34:56")),
      statements: statements(index, state, effects, TOLD[position % TOLD.length] ?? [], "https://example.org/hut", position * 1_234),
      calls2004: calls2004(index, state, HELD),
      interactions2004: effects.filter((effect) => effect.effect === "answered")
        .map((effect) => interactions2004(index, effect, position, MOMENT)),
    };
    yield [`event ${position}, ${event.event}`, here, there];
  }
  for (const [question, order] of Object.entries(trace.orders)) {
    yield [`the order of ${question}`, choiceOrder(index, state, question), order];
  }
}

/** The program with its conditions 0 and 1 as no and yes, which Python takes for the same. */
function conditions(program: Program): unknown {
  return JSON.parse(JSON.stringify(program), (key, value: unknown) =>
    ["visible", "enabled", "selected", "condition"].includes(key) && typeof value === "number"
      ? value !== 0 : value);
}
