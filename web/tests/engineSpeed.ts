/** Prints how many events a second the TypeScript engine takes, for `make bench`. */
import { readFileSync } from "node:fs";
import type { Program } from "../api/types";
import { start, step } from "../player/engine/engine";
import { Index } from "../player/engine/program";
import type { Event } from "../api/events";

const file = process.argv.at(-1) ?? "";
const { program, events } = JSON.parse(readFileSync(file, "utf8")) as { program: Program; events: Event[] };
const index = new Index(program);

function run(): void {
  let state = start(index, 5);
  for (const event of events) [state] = step(index, state, event);
}

for (let n = 0; n < 50; n++) run();
const rounds = 200;
const begin = performance.now();
for (let n = 0; n < rounds; n++) run();
process.stdout.write(String((rounds * events.length) / ((performance.now() - begin) / 1000)));
