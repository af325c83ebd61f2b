/** Prints how many microseconds it takes to pack a run of a large course, for `make bench`. */
import { readFileSync } from "node:fs";
import type { Program } from "../api/types";
import { Index } from "../player/engine/program";
import { pack, unpack } from "../player/tracking/progress";

const file = process.argv.at(-1) ?? "";
const { program, progress } = JSON.parse(readFileSync(file, "utf8")) as { program: Program; progress: string };
const index = new Index(program);
const state = unpack(index, progress);

for (let n = 0; n < 500; n++) pack(index, state);
const rounds = 1_000;
const begin = performance.now();
for (let n = 0; n < rounds; n++) pack(index, state);
process.stdout.write(String(((performance.now() - begin) / rounds) * 1000));
