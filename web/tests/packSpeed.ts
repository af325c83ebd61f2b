/** Prints, for `make bench`, how many microseconds of a large course's run telling an event takes, telling an answer, and packing all of it. */
import { readFileSync } from "node:fs";
import type { Program } from "../api/types";
import type { Answer, State } from "../player/engine/state";
import { Index } from "../player/engine/program";
import { pack, unpack } from "../player/tracking/progress";
import { SCORM12 } from "../player/tracking/scorm12";
import { ScormTracker } from "../player/tracking/scormTracker";
import { offered, StrictLms } from "./strictLms";

const file = process.argv.at(-1) ?? "";
const { program, progress } = JSON.parse(readFileSync(file, "utf8")) as { program: Program; progress: string };
const index = new Index(program);
const state = unpack(index, progress);

function each(rounds: number, work: (round: number) => void): number {
  for (let n = 0; n < rounds / 2; n++) work(n);
  const begin = performance.now();
  for (let n = 0; n < rounds; n++) work(n);
  return ((performance.now() - begin) / rounds) * 1000;
}

Object.assign(globalThis, { window: globalThis });
const tracker = new ScormTracker(index, SCORM12, undefined, () => offered(new StrictLms()));
await tracker.begin();
const told = each(2_000, (n) => tracker.tell({ ...state, time: state.time + n }, []));
const question = Object.keys(state.answers)[0] as string;
const answer = state.answers[question] as Answer;
const states = Array.from({ length: 750 }, (_, n) => (
  { ...state, answers: { ...state.answers, [question]: { ...answer, used: n } } }
));
let next = 0;
const judged = each(500, () => tracker.tell(states[next++] as State, []));
process.stdout.write(JSON.stringify([told, judged, each(1_000, () => pack(index, state))]));
process.exit();
