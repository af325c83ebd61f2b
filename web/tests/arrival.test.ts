/** A program that arrives in parts: the run begins with the first one, and is saved with all of them. */
import { readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import type { Program } from "../api/types";
import { Arrival } from "../player/app/arrival";
import { Session } from "../player/app/session";
import type { Arriving } from "../player/boot";
import { Index } from "../player/engine/program";
import { unpack } from "../player/tracking/progress";
import { SCORM12 } from "../player/tracking/scorm12";
import { ScormTracker } from "../player/tracking/scormTracker";
import { offered, StrictLms } from "./strictLms";

const traces = fileURLToPath(new URL("../../tests/parity/traces/day.json", import.meta.url));
const program = (JSON.parse(readFileSync(traces, "utf8")) as { program: Program }[])[0]?.program as Program;
const [first, ...rest] = program.slides;
const head = { ...program, slides: [first, ...rest.map(({ id, title }) => ({ id, title }))], remembered: {} };

let arriving: Arriving;
let lms: StrictLms;
let session: Session;

beforeEach(async () => {
  vi.useFakeTimers();
  vi.stubGlobal("window", globalThis);
  vi.stubGlobal("localStorage", { getItem: () => null, setItem: () => {}, removeItem: () => {} });
  vi.stubGlobal("document", { querySelector: () => null });
  arriving = { texts: [JSON.stringify(head)], count: 2, onPart: () => {} };
  lms = new StrictLms();
  const arrival = new Arrival(arriving);
  session = new Session(arrival.index, new ScormTracker(arrival.index, SCORM12, arrival.whole, () => offered(lms)), { seed: 7, arrival });
  const beginning = session.begin();
  await vi.advanceTimersByTimeAsync(6_000);
  await beginning;
});

afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

async function comes(): Promise<void> {
  arriving.texts.push(JSON.stringify({ slides: rest, remembered: program.remembered }));
  arriving.onPart();
  await vi.advanceTimersByTimeAsync(2_000);
}

test("going to a slide that is still to come waits for it", async () => {
  session.dispatch({ event: "next" });
  expect(session.read()).toMatchObject({ loading: true, state: { slide: first?.id } });
  await comes();
  expect(session.read()).toMatchObject({ loading: false, state: { slide: rest[0]?.id } });
  expect(unpack(new Index(program), lms.committed.get("cmi.suspend_data") ?? "").slide).toBe(rest[0]?.id);
});

test("leaving waits for the rest too: only then the progress can be written", async () => {
  session.dispatch({ event: "leave" });
  expect(session.read()).toMatchObject({ loading: true, phase: { kind: "running" } });
  expect(lms.committed.get("cmi.suspend_data") ?? "").toBe("");
  await comes();
  expect(session.read().phase).toEqual({ kind: "left", kept: "lms" });
  expect(unpack(new Index(program), lms.committed.get("cmi.suspend_data") ?? "").slide).toBe(first?.id);
});

test("a page that is closed before leaves what was saved as it is", () => {
  session.leave();
  expect(lms.committed.get("cmi.suspend_data") ?? "").toBe("");
  expect(lms.refusals).toEqual([]);
});
