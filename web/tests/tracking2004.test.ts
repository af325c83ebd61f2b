/** SCORM 2004 with a strict LMS: what any run tells, coming back, and what an LMS refuses. */
import { readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import * as library from "scorm-again/scorm2004";
import { afterEach, beforeEach, describe, expect, test, vi } from "vitest";
import { Session } from "../player/app/session";
import { SCORM2004 } from "../player/tracking/scorm2004";
import { ScormTracker } from "../player/tracking/scormTracker";
import type { Call } from "../player/tracking/scormVersion";
import type { Trace } from "./replay";
import { index } from "./dayCourse";
import { offered } from "./strictLms";
import { StrictLms2004 } from "./strictLms2004";

const { Scorm2004API } = library as unknown as { Scorm2004API: typeof library.default };

function traces(name: string): Trace[] {
  return JSON.parse(readFileSync(fileURLToPath(new URL(`../../tests/parity/traces/${name}.json`, import.meta.url)), "utf8")) as Trace[];
}

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal("window", globalThis);
  const items = new Map<string, string>();
  vi.stubGlobal("localStorage", {
    getItem: (name: string) => items.get(name) ?? null, setItem: (name: string, value: string) => items.set(name, value),
    removeItem: (name: string) => items.delete(name),
  });
});

afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

async function begun(lms: object): Promise<Session> {
  const session = new Session(index, new ScormTracker(index, SCORM2004, undefined, () => offered(lms)), { seed: 7 });
  const begin = session.begin();
  await vi.advanceTimersByTimeAsync(6_000);
  await begin;
  return session;
}

const seeAll = (session: Session): void => index.order.forEach((target) => session.dispatch({ event: "slide", target }));

describe("what any run tells is taken", () => {
  /** All that the runs of a trace tell, as `set` takes it: the objectives once with their ids, the answers one after the other. */
  function told(trace: Trace): Call[] {
    const calls: Call[] = [["cmi.objectives.0.id", "primary"]];
    let number = 0;
    for (const step of trace.steps) {
      const known = new Set(calls.filter(([name]) => name.endsWith(".id")).map(String));
      calls.push(...(step.calls2004 as Call[]).filter((call) => !known.has(String(call))));
      for (const [interaction] of step.interactions2004 as Call[][][]) {
        calls.push(...(interaction ?? []).map(([name, value]): Call => [name.replace(/^cmi\.interactions\.\d+/, `cmi.interactions.${number}`), value]));
        number += 1;
      }
    }
    return calls;
  }

  test.each(["quizzes", "taking", "demo", "generated", "dialogues"])("by an LMS written after the standard: %s", (name) => {
    for (const trace of traces(name)) {
      const lms = new StrictLms2004();
      lms.Initialize("");
      for (const [element, value] of told(trace)) lms.SetValue(element, value);
      expect(lms.refusals).toEqual([]);
    }
  });

  test("by a library that LMSs are made with", () => {
    for (const trace of traces("quizzes").slice(0, 60)) {
      const lms = new Scorm2004API({ autocommit: false, logLevel: 5 } as never) as unknown as StrictLms2004;
      lms.Initialize("");
      for (const [element, value] of told(trace)) {
        // The library takes no text of several lines, which the standard allows.
        if (value.includes("\n")) continue;
        expect([element, value, lms.SetValue(element, value), lms.GetLastError()]).toEqual([element, value, "true", "0"]);
      }
    }
  });
});

describe("a strict LMS", () => {
  test("hears completed and progress at the end, and that it may be gone on with", async () => {
    const lms = new StrictLms2004();
    const session = await begun(lms);
    expect(lms.data.get("cmi.exit")).toBe("suspend");
    expect(Number(lms.data.get("cmi.progress_measure") ?? 0)).toBeLessThan(1);
    seeAll(session);
    await vi.advanceTimersByTimeAsync(2_000);
    session.leave();
    expect(lms.refusals).toEqual([]);
    expect(lms.state).toBe("closed");
    expect(lms.committed.get("cmi.session_time")).toMatch(/^PT/);
    // The course is judged as well: nothing was answered yet.
    expect([lms.committed.get("cmi.completion_status"), lms.committed.get("cmi.success_status"), lms.committed.get("cmi.progress_measure")]).toEqual(["completed", "unknown", "1"]);
  });

  test("keeps what was achieved, whatever follows", async () => {
    const lms = new StrictLms2004({ "cmi.completion_status": "completed", "cmi.success_status": "passed", "cmi.score.scaled": "0.9" });
    const session = await begun(lms);
    session.dispatch({ event: "next" });
    await vi.advanceTimersByTimeAsync(2_000);
    session.leave();
    expect([lms.committed.get("cmi.completion_status"), lms.committed.get("cmi.success_status"), lms.committed.get("cmi.progress_measure")]).toEqual(["completed", "passed", "1"]);
    expect(lms.committed.get("cmi.score.scaled")).toBe("0.9");
  });

  test("is resumed with its own objectives and its answers go on behind those it has", async () => {
    const lms = new StrictLms2004({ "cmi.objectives.0.id": "an-objective-of-the-lms", "cmi.interactions.0.id": "before" });
    const session = await begun(lms);
    seeAll(session);
    session.leave();
    expect(lms.refusals).toEqual([]);
    expect(lms.committed.get("cmi.objectives.0.id")).toBe("an-objective-of-the-lms");
  });

  test("that looks back is told nothing", async () => {
    const lms = new StrictLms2004({ "cmi.mode": "review" });
    const session = await begun(lms);
    seeAll(session);
    session.leave();
    expect(lms.committed.has("cmi.suspend_data")).toBe(false);
  });

  test("is told goodbye when the learner leaves by the course, and there is no way back", async () => {
    const lms = new StrictLms2004();
    const tracker = new ScormTracker(index, SCORM2004, undefined, () => offered(lms));
    const begin = tracker.begin();
    await vi.advanceTimersByTimeAsync(1_000);
    await begin;
    const session = new Session(index, tracker, { seed: 7 });
    expect(tracker.suspend(session.read().state)).toBe("lms");
    expect(lms.state).toBe("closed");
    expect(lms.committed.get("adl.nav.request")).toBe("suspendAll");
    expect(session.canComeBack).toBe(false);
    expect(tracker.finish(null)).toBe("lms");
    expect(lms.refusals).toEqual([]);
  });

  test("that fails at the end keeps the way back, and the browser keeps the progress", async () => {
    const lms = new StrictLms2004();
    const session = await begun(lms);
    lms.takesCommits = false;
    const tracker = (session as unknown as { tracker: ScormTracker }).tracker;
    expect(tracker.suspend(session.read().state)).toBe("browser");
    expect(session.canComeBack).toBe(true);
  });

  test("that takes no text of several lines gets the words in one", () => {
    const lms = new StrictLms2004({ "cmi.interactions.0.id": "a", "cmi.interactions.0.type": "long-fill-in" });
    lms.takesLines = false;
    lms.Initialize("");
    const tracker = new ScormTracker(index, SCORM2004, undefined, () => offered(lms)) as unknown as { connect(): boolean; say(element: string, value: string): boolean };
    lms.state = "new";
    expect(tracker.connect()).toBe(true);
    expect(tracker.say("cmi.interactions.0.learner_response", "Warm soup,\n  then a bed.")).toBe(true);
    expect(lms.data.get("cmi.interactions.0.learner_response")).toBe("Warm soup, then a bed.");
  });

  test("of the third edition, that refuses long progress, is told a shorter one", async () => {
    const lms = new StrictLms2004();
    lms.longest = 40;
    const session = await begun(lms);
    seeAll(session);
    await vi.advanceTimersByTimeAsync(3_000);
    expect(lms.refusals).toEqual([]);
    expect(lms.committed.get("cmi.suspend_data")?.length ?? 0).toBeLessThanOrEqual(40);
  });
});
