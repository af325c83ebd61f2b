/** The day of the demo as a program, with its gates open: what is told and kept does not depend on them. */
import { readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import type { Program } from "../api/types";
import { Index } from "../player/engine/program";

const traces = fileURLToPath(new URL("../../tests/parity/traces/day.json", import.meta.url));
const compiled = (JSON.parse(readFileSync(traces, "utf8")) as { program: Program }[])[0]?.program as Program;

export const program: Program = { ...compiled, slides: compiled.slides.map((slide) => ({ ...slide, gate: null })) };
export const index = new Index(program);

/** The questions that give points, by their number. */
export const SCORED = program.questions.flatMap(({ purpose, points }, number) => (purpose === "scored" && points > 0 ? [number] : []));

/** Sounds for right and wrong, which nobody hears here. */
class Unheard {
  play = (): Promise<void> => Promise.resolve();
  pause = (): void => {};
  addEventListener = (): void => {};
}
Object.assign(globalThis, { Audio: Unheard });
