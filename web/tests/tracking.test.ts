/** Tracking with a strict LMS, and with one that is late, refuses, or vanishes. */
import { afterEach, beforeEach, describe, expect, test, vi } from "vitest";
import { Session } from "../player/app/session";
import { filled } from "../player/engine/filled";
import { Index } from "../player/engine/program";
import type { State } from "../player/engine/state";
import { findApi } from "../player/tracking/findApi";
import { LocalTracker } from "../player/tracking/local";
import { pack, unpack } from "../player/tracking/progress";
import { SCORM12 } from "../player/tracking/scorm12";
import { ScormTracker } from "../player/tracking/scormTracker";
import { shortened } from "../player/tracking/shortened";
import { index, program, SCORED } from "./dayCourse";
import { offered, StrictLms } from "./strictLms";


class Storage {
  items = new Map<string, string>();
  forbidden = false;
  getItem(name: string): string | null {
    if (this.forbidden) throw new Error("forbidden");
    return this.items.get(name) ?? null;
  }
  setItem(name: string, value: string): void {
    if (this.forbidden) throw new Error("forbidden");
    this.items.set(name, value);
  }
  removeItem(name: string): void {
    this.items.delete(name);
  }
}

let storage: Storage;

beforeEach(() => {
  vi.useFakeTimers();
  storage = new Storage();
  vi.stubGlobal("window", globalThis);
  vi.stubGlobal("localStorage", storage);
});

afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

async function begun(lms: StrictLms | null, wait = 6_000): Promise<Session> {
  const session = new Session(index, new ScormTracker(index, SCORM12, undefined, () => offered(lms)), { seed: 7 });
  const begin = session.begin();
  await vi.advanceTimersByTimeAsync(wait);
  await begin;
  return session;
}

/** Answer question `number` of the course rightly, or wrongly as often as it goes. */
function answer(session: Session, number: number, right: boolean): void {
  const grader = program.questions[number];
  if (!grader) throw new Error("no such question");
  session.dispatch({ event: "slide", target: grader.slide });
  const elements = index.slides.get(grader.slide)?.elements ?? [];
  const good = new Set(grader.parts.filter((part) => part.right.length).map(({ id }) => id));
  const choices = elements.filter((e) => e.part && e.question === grader.id && good.has(e.part) === right);
  const submit = elements.find((e) => e.control === "button" && e.question === grader.id);
  for (let tries = right ? 1 : grader.attempts ?? 1; tries > 0; tries--) {
    session.dispatch({ event: "clicked", target: choices[tries % choices.length]?.draw.id ?? "" });
    session.dispatch({ event: "clicked", target: submit?.draw.id ?? "" });
    for (const overlay of session.read().state.overlays) {
      session.dispatch({ event: "close", target: overlay });
    }
  }
}

/** Click all that is on the slides. */
function clickAll(session: Session): void {
  for (const slide of program.slides) {
    session.dispatch({ event: "slide", target: slide.id });
    for (const element of slide.elements) {
      const leads = element.rules.some(({ then }) => then.some((action) => ["go", "enter", "clear"].includes(action.do)));
      if (element.control === "button" && !element.question && !leads) session.dispatch({ event: "clicked", target: element.draw.id });
      for (const overlay of session.read().state.overlays) session.dispatch({ event: "close", target: overlay });
    }
  }
}

const points = (state: State): number[] => Object.keys(state.answers).sort().map((name) => state.answers[name]?.points ?? 0);

/** Words that no coder makes short. */
function mixed(length: number): string {
  let seed = 7;
  return Array.from({ length }, () => String.fromCharCode(33 + ((seed = (seed * 48_271) % 2_147_483_647) % 90))).join("");
}

/** A course that asks three open questions, which take long answers. */
const wordy = new Index(filled({
  ...program, rules: [], sets: [], variables: [],
  slides: [{
    id: "ask", title: "Ask", background: program.slides[0]?.background,
    elements: ["a", "b", "c"].map((id) => ({
      draw: { kind: "button", id: `send_${id}`, name: "Send", label: "Send" }, control: "button", question: id,
      rules: [{ id: `send_rule_${id}`, on: "clicked", target: `send_${id}`, then: [{ do: "submit", question: id }] }],
    })),
  }],
  questions: ["a", "b", "c"].map((id) => ({
    id, slide: "ask", name: id, record: id, prompt: "Why?", kind: "open_answer", form: "free", purpose: "survey",
    parts: [{ id, words: "Why?" }], points: 0, at_most: 5_000,
  })),
  remembered: { slides: ["ask"], questions: ["a", "b", "c"], choices: ["a", "b", "c"], variables: [], elements: [] },
}));

function seeAll(session: Session): void {
  for (const target of index.order) session.dispatch({ event: "slide", target });
}

describe("a strict LMS", () => {
  test("takes every value that a whole course sets, and hears passed at the end", async () => {
    const lms = new StrictLms();
    const session = await begun(lms);
    seeAll(session);
    SCORED.forEach((number) => answer(session, number, true));
    await vi.advanceTimersByTimeAsync(2_000);
    session.leave();
    expect(lms.refusals).toEqual([]);
    expect(lms.state).toBe("closed");
    expect(lms.committed.get("cmi.core.lesson_status")).toBe("passed");
    expect(lms.committed.get("cmi.core.score.raw")).toBe("100");
    expect(lms.committed.get("cmi.core.exit")).toBe("suspend");
    expect(lms.committed.get("cmi.interactions.2.result")).toBe("correct");
  });

  test("is not bothered more than about once a second", async () => {
    const lms = new StrictLms();
    const session = await begun(lms);
    for (let n = 0; n < 100; n++) {
      session.dispatch({ event: n % 2 ? "previous" : "next" });
      await vi.advanceTimersByTimeAsync(50);
    }
    expect(lms.commits).toBeLessThanOrEqual(13);
    expect(lms.commits).toBeGreaterThanOrEqual(4);
  });

  test.each(index.order)("can be killed and resumed at slide %s", async (slide) => {
    const lms = new StrictLms();
    const session = await begun(lms);
    answer(session, 0, true);
    session.dispatch({ event: "slide", target: slide });
    await vi.advanceTimersByTimeAsync(2_000);
    // Killed: nobody says goodbye, only what was committed is left.
    const again = new StrictLms(Object.fromEntries(
      [...lms.committed].filter(([name]) => !name.includes("interactions")),
    ));
    const back = await begun(again);
    expect(back.read().phase.kind).toBe("asking");
    back.resume();
    expect(back.read().state.slide).toBe(slide);
    expect(back.read().state.answers).toMatchObject({ [program.questions[0]?.id ?? ""]: { locked: true, points: 2 } });
    expect(again.refusals).toEqual([]);
  });

  test("keeps a status that was reached, whatever follows", async () => {
    const lms = new StrictLms({ "cmi.core.lesson_status": "passed" });
    const session = await begun(lms);
    session.dispatch({ event: "next" });
    await vi.advanceTimersByTimeAsync(2_000);
    expect(lms.committed.get("cmi.core.lesson_status")).toBe("passed");
  });

  test("keeps the better of two runs: status and score fit each other", async () => {
    const lms = new StrictLms({ "cmi.core.lesson_status": "passed", "cmi.core.score.raw": "90" });
    const session = await begun(lms);
    SCORED.forEach((number) => answer(session, number, false));
    await vi.advanceTimersByTimeAsync(2_000);
    expect(lms.committed.get("cmi.core.lesson_status")).toBe("passed");
    expect(lms.committed.get("cmi.core.score.raw")).toBe("90");
  });

  test("tells the mark to pass that the LMS asks for", async () => {
    const strictest = new StrictLms({ "cmi.student_data.mastery_score": "100" });
    const own = new Index(program);
    const session = new Session(own, new ScormTracker(own, SCORM12, undefined, () => offered(strictest)), { seed: 7 });
    const beginning = session.begin();
    await vi.advanceTimersByTimeAsync(6_000);
    await beginning;
    expect(own.program.pass_mark).toBe(100);
  });

  test("hears failed when no attempt is left", async () => {
    const lms = new StrictLms();
    const session = await begun(lms);
    SCORED.forEach((number) => answer(session, number, false));
    await vi.advanceTimersByTimeAsync(2_000);
    expect(lms.committed.get("cmi.core.lesson_status")).toBe("failed");
    expect(lms.committed.get("cmi.core.score.raw")).toBe("0");
  });

  test("hears from the start that a crash is to be resumed, and the time while nothing is done", async () => {
    const lms = new StrictLms();
    await begun(lms);
    await vi.advanceTimersByTimeAsync(2_000);
    expect(lms.committed.get("cmi.core.exit")).toBe("suspend");
    await vi.advanceTimersByTimeAsync(120_000);
    expect(lms.committed.get("cmi.core.session_time")).toMatch(/^0*:0[12]:/);
    expect(lms.commits).toBeLessThan(8);
  });

  test.each(["review", "browse"])("in %s mode hears nothing that would change the record", async (mode) => {
    const lms = new StrictLms({ "cmi.core.lesson_mode": mode, "cmi.core.lesson_status": "completed" });
    const said = vi.spyOn(lms, "LMSSetValue");
    const session = await begun(lms);
    answer(session, 0, true);
    await vi.advanceTimersByTimeAsync(60_000);
    session.leave();
    expect(session.read().phase).toEqual({ kind: "left", kept: "review" });
    expect(said).not.toHaveBeenCalled();
    expect(storage.items.size).toBe(0);
  });

  test.each([["normal", true], ["review", false], ["browse", false]])("says whether a run in %s mode counts", async (mode, counts) => {
    const begin = new ScormTracker(index, SCORM12, undefined, () => offered(new StrictLms({ "cmi.core.lesson_mode": mode }))).begin();
    await vi.advanceTimersByTimeAsync(6_000);
    expect((await begin).counts).toBe(counts);
  });

  test.each([["Lindqvale, Bo", "Bo Lindqvale"], ["Bo Lindqvale", "Bo Lindqvale"], ["", ""]])(
    "calls the learner %s by the name %s, also after a resume", async (told, said) => {
      const first = new StrictLms({ "cmi.core.student_name": told });
      const session = await begun(first);
      expect(session.read().state.learner).toBe(said);
      session.dispatch({ event: "next" });
      session.leave();
      const again = await begun(new StrictLms({
        "cmi.core.student_name": told, "cmi.suspend_data": first.committed.get("cmi.suspend_data") ?? "" }));
      again.resume();
      expect(again.read().state.learner).toBe(said);
    },
  );
});

describe("a bad LMS", () => {
  test("that answers with booleans is as good as one that answers with words", async () => {
    const lms = new StrictLms();
    const values = Object.assign(Object.create(lms) as StrictLms, Object.fromEntries(
      (["LMSInitialize", "LMSFinish", "LMSSetValue", "LMSCommit"] as const).map((name) => (
        [name, (...given: [never, never]) => (lms[name] as (...all: [never, never]) => string)(...given) === "true"])),
    )) as StrictLms;
    const session = await begun(values);
    answer(session, 0, true);
    session.leave();
    expect(lms.state).toBe("closed");
    expect(lms.committed.get("cmi.core.lesson_status")).toBe("incomplete");
  });

  test("that was opened by another page before is gone on with", async () => {
    const lms = new StrictLms();
    lms.LMSInitialize("");
    const session = await begun(lms);
    answer(session, 0, true);
    await vi.advanceTimersByTimeAsync(2_000);
    expect(session.read().standing).toEqual({ kind: "saved" });
    expect(lms.committed.get("cmi.core.lesson_status")).toBe("incomplete");
  });

  test.each([["a letter lost", (text: string) => text.slice(1)], ["cut", (text: string) => text.slice(0, -9)]])(
    "that gives progress back %s is met with the copy in the browser", async (_, spoilt) => {
      const lms = new StrictLms();
      const session = await begun(lms);
      answer(session, 0, true);
      session.dispatch({ event: "slide", target: index.order[2] as string });
      await vi.advanceTimersByTimeAsync(2_000);
      const saved = lms.committed.get("cmi.suspend_data") ?? "";
      const again = new StrictLms({ "cmi.suspend_data": spoilt(saved) });
      const back = await begun(again);
      expect(back.read().phase).toMatchObject({ kind: "asking", rescued: true });
      back.resume();
      expect(back.read().state.slide).toBe(index.order[2]);
    },
  );

  test("that takes no long progress is named, hears of shorter ones, and the browser's copy goes on", async () => {
    const lms = new StrictLms();
    lms.longest = 20;
    const session = await begun(lms);
    answer(session, 0, true);
    session.dispatch({ event: "slide", target: index.order[2] as string });
    await vi.advanceTimersByTimeAsync(2_000);
    expect(session.read().standing).toEqual({ kind: "local", reason: "refused" });
    expect(lms.committed.get("cmi.core.lesson_status")).toBe("incomplete");
    lms.longest = 4_096;
    session.dispatch({ event: "next" });
    await vi.advanceTimersByTimeAsync(2_000);
    expect(session.read().standing).toEqual({ kind: "saved" });
    lms.longest = 20;
    answer(session, 1, true);
    session.leave();
    expect(session.read().phase).toEqual({ kind: "left", kept: "browser" });
    const back = await begun(new StrictLms({ "cmi.suspend_data": lms.committed.get("cmi.suspend_data") ?? "" }));
    expect(back.read().phase).toMatchObject({ kind: "asking", rescued: true });
  });

  test("that refuses what is too long gets what counts in the same second", async () => {
    const lms = new StrictLms();
    const session = await begun(lms);
    clickAll(session);
    answer(session, 0, true);
    answer(session, 1, true);
    await vi.advanceTimersByTimeAsync(2_000);
    lms.longest = pack(index, shortened(index, session.read().state, 3)).length + 8;
    session.dispatch({ event: "slide", target: index.order[2] as string });
    await vi.advanceTimersByTimeAsync(1_000);
    expect(session.read().standing).toEqual({ kind: "shortened" });
    const short = unpack(index, lms.committed.get("cmi.suspend_data") ?? "");
    const { state } = session.read();
    expect(short.slide).toBe(state.slide);
    expect(short.variables).toEqual(state.variables);
    expect(new Set(short.visited)).toEqual(new Set(state.visited));
    expect(points(short)).toEqual(points(state));
    expect(short.path).toEqual([]);
    expect(state.path.length).toBeGreaterThan(5);
    // In this browser it goes on with the whole.
    session.leave();
    const back = await begun(new StrictLms({ "cmi.suspend_data": lms.committed.get("cmi.suspend_data") ?? "" }));
    back.resume();
    expect(back.read().state.path).toEqual(state.path);
  });

  test("that cuts progress without a word is found out and gets what counts", async () => {
    const lms = new StrictLms();
    lms.cutsAt = 4_096;
    const session = new Session(wordy, new ScormTracker(wordy, SCORM12, undefined, () => offered(lms)), { seed: 7 });
    const begin = session.begin();
    await vi.advanceTimersByTimeAsync(1_000);
    await begin;
    for (const { id } of wordy.program.questions) {
      session.dispatch({ event: "answered", question: id, part: id, value: mixed(3_000) });
      session.dispatch({ event: "clicked", target: `send_${id}` });
    }
    await vi.advanceTimersByTimeAsync(1_000);
    expect(session.read().standing).toEqual({ kind: "shortened" });
    const said = lms.committed.get("cmi.suspend_data") ?? "";
    expect(said.length).toBeLessThan(4_096);
    expect(Object.keys(unpack(wordy, said).answers)).toEqual(wordy.program.questions.map(({ id }) => id));
  });

  test("many events at once are one saving, and a crash a moment later loses none", async () => {
    const lms = new StrictLms();
    const session = await begun(lms);
    const said = vi.spyOn(lms, "LMSSetValue");
    const first = index.slides.get(index.order[0] as string)?.elements[0]?.draw.id ?? "";
    for (let n = 0; n < 500; n++) session.dispatch({ event: "clicked", target: first });
    expect(said.mock.calls.filter(([element]) => element === "cmi.suspend_data").length).toBeLessThanOrEqual(1);
    lms.gone = true;
    seeAll(session);
    await vi.advanceTimersByTimeAsync(300);
    // The LMS and then the browser have crashed. What was done is in this browser.
    const again = await begun(new StrictLms());
    again.resume();
    expect(again.read().state.slide).toBe(session.read().state.slide);
    expect(again.read().state.visited).toEqual(session.read().state.visited);
  });

  test.each([["lms", false], ["browser", true]] as const)("leaving says truly: kept in %s", async (kept, gone) => {
    const lms = new StrictLms();
    const session = await begun(lms);
    answer(session, 0, true);
    lms.gone = gone;
    session.leave();
    expect(session.read().phase).toEqual({ kind: "left", kept });
  });

  test("that puts line ends into progress is read all the same", async () => {
    const lms = new StrictLms();
    const session = await begun(lms);
    session.dispatch({ event: "slide", target: index.order[2] as string });
    await vi.advanceTimersByTimeAsync(2_000);
    const saved = lms.committed.get("cmi.suspend_data") ?? "";
    storage.items.clear();
    const back = await begun(new StrictLms({ "cmi.suspend_data": `${saved.slice(0, 20)}\r\n${saved.slice(20)}\n` }));
    expect(back.read().phase).toMatchObject({ kind: "asking", rescued: false });
  });

  test("that was begun again in another browser is believed, though less far", async () => {
    const fresh = new StrictLms();
    await begun(fresh);
    await vi.advanceTimersByTimeAsync(1_000);
    const elsewhere = fresh.committed.get("cmi.suspend_data") ?? "";
    const session = await begun(new StrictLms());
    answer(session, 0, true);
    await vi.advanceTimersByTimeAsync(45_000);
    const back = await begun(new StrictLms({ "cmi.suspend_data": elsewhere }));
    expect(back.read().phase).toMatchObject({ kind: "asking", rescued: false });
  });

  test("that has ended the attempt begins anew, whatever is still kept in the browser", async () => {
    const session = await begun(new StrictLms());
    answer(session, 0, true);
    await vi.advanceTimersByTimeAsync(2_000);
    expect((await begun(new StrictLms())).read().phase.kind).toBe("running");
  });

  test("that answers late is waited for", async () => {
    let lms: StrictLms | null = null;
    const session = new Session(index, new ScormTracker(index, SCORM12, undefined, () => offered(lms)), { seed: 1 });
    const begin = session.begin();
    await vi.advanceTimersByTimeAsync(3_000);
    expect(session.read().phase.kind).toBe("connecting");
    lms = new StrictLms();
    await vi.advanceTimersByTimeAsync(1_000);
    await begin;
    expect(session.read()).toMatchObject({ phase: { kind: "running" }, standing: { kind: "saved" } });
  });

  test("that answers very late is told everything then", async () => {
    const lms = new StrictLms();
    lms.initializes = false;
    const session = await begun(lms);
    expect(session.read().standing.kind).toBe("retrying");
    answer(session, 0, true);
    lms.initializes = true;
    await vi.advanceTimersByTimeAsync(40_000);
    expect(session.read().standing.kind).toBe("saved");
    expect(lms.committed.get("cmi.interactions.0.result")).toBe("correct");
    expect(lms.committed.get("cmi.core.lesson_location")).toBe(program.questions[0]?.slide);
  });

  test("that answers very late and knows more asks whether to resume", async () => {
    const before = new StrictLms();
    const first = await begun(before);
    seeAll(first);
    await vi.advanceTimersByTimeAsync(60_000);
    first.leave();
    const lms = new StrictLms({ "cmi.suspend_data": before.committed.get("cmi.suspend_data") ?? "" });
    lms.initializes = false;
    storage.items.clear();
    const session = await begun(lms);
    lms.initializes = true;
    // What is done just before the LMS is asked again is not saved yet, and must not be said then.
    for (const on of [false, true]) session.dispatch({ event: "pause", on });
    await vi.advanceTimersByTimeAsync(5_000);
    expect(session.read().phase.kind).toBe("asking");
    expect(lms.commits).toBe(0);
    expect(lms.data.get("cmi.suspend_data")).toBe(before.committed.get("cmi.suspend_data"));
    session.resume();
    expect(session.read().state.visited.length).toBe(index.order.length);
  });

  test("that refuses a commit is asked again, and the learner is told meanwhile", async () => {
    const lms = new StrictLms();
    const session = await begun(lms);
    lms.takesCommits = false;
    session.dispatch({ event: "next" });
    await vi.advanceTimersByTimeAsync(2_000);
    expect(session.read().standing.kind).toBe("retrying");
    lms.takesCommits = true;
    await vi.advanceTimersByTimeAsync(40_000);
    expect(session.read().standing.kind).toBe("saved");
    expect(lms.committed.get("cmi.core.lesson_location")).toBe(index.order[1]);
  });

  test("that vanishes loses nothing: the next visit goes on from the browser's copy", async () => {
    const lms = new StrictLms();
    const session = await begun(lms);
    await vi.advanceTimersByTimeAsync(2_000);
    lms.gone = true;
    answer(session, 0, true);
    await vi.advanceTimersByTimeAsync(5_000);
    expect(session.read().standing.kind).toBe("retrying");
    session.leave();
    const next = new StrictLms({ "cmi.suspend_data": lms.committed.get("cmi.suspend_data") ?? "" });
    const back = await begun(next);
    expect(back.read().phase).toMatchObject({ kind: "asking", rescued: true });
    back.resume();
    await vi.advanceTimersByTimeAsync(2_000);
    expect(next.committed.get("cmi.interactions.0.student_response")).toBe("a");
    expect(next.refusals).toEqual([]);
  });

  test("without a store for answers is no failure", async () => {
    const lms = new StrictLms();
    lms.takesInteractions = false;
    const session = await begun(lms);
    answer(session, 0, true);
    await vi.advanceTimersByTimeAsync(2_000);
    expect(session.read().standing.kind).toBe("saved");
    expect(lms.committed.get("cmi.core.score.raw")).not.toBe("0");
  });

  test.each(["1AAAA", "garbage", "1", "x".repeat(5000)])("with damaged progress %s starts afresh and says so", async (saved) => {
    const session = await begun(new StrictLms({ "cmi.suspend_data": saved }));
    expect(session.read()).toMatchObject({ phase: { kind: "running" }, unreadable: true });
    expect(session.read().state.slide).toBe(index.order[0]);
  });
});

describe("without an LMS", () => {
  test("the course runs, says so, and resumes from the browser", async () => {
    const session = await begun(null, 8_000);
    expect(session.read()).toMatchObject({ phase: { kind: "running" }, standing: { kind: "local", reason: "no-lms" } });
    session.dispatch({ event: "next" });
    const back = await begun(null, 8_000);
    expect(back.read().phase.kind).toBe("asking");
  });

  test("on the web progress is kept in the browser", async () => {
    const session = new Session(index, new LocalTracker(index), { seed: 1 });
    await session.begin();
    session.dispatch({ event: "next" });
    await vi.advanceTimersByTimeAsync(1);
    const back = new Session(index, new LocalTracker(index), { seed: 2 });
    await back.begin();
    expect(back.read().phase.kind).toBe("asking");
    back.resume();
    expect(back.read().state.slide).toBe(index.order[1]);
    back.startOver();
    expect(back.read().state.visited).toEqual([index.order[0]]);
  });

  test("where storage is forbidden the course runs and says so", async () => {
    storage.forbidden = true;
    const session = new Session(index, new LocalTracker(index), { seed: 1 });
    await session.begin();
    await vi.advanceTimersByTimeAsync(1);
    expect(session.read().standing).toEqual({ kind: "local", reason: "no-storage" });
  });
});

describe("finding the API", () => {
  interface Frame { parent?: Frame; opener?: Frame | null; API?: object }
  const chain = (depth: number, top: Frame): Frame => {
    top.parent ??= top;
    let frame = top;
    for (let n = 0; n < depth; n++) frame = { parent: frame };
    return frame;
  };
  const find = (frame: Frame): unknown => findApi(SCORM12, frame as unknown as Window);

  const lmsApi = (): object => ({ LMSInitialize: () => "true" });

  test("in a parent, however far up", () => {
    const api = lmsApi();
    expect(find(chain(12, { API: api }))).toBe(api);
  });

  test("in the nearest of several parents", () => {
    const near = lmsApi();
    expect(find(chain(3, { API: near, parent: chain(1, { API: lmsApi() }) }))).toBe(near);
  });

  test("beyond a frame that is named API, of this origin or of another", () => {
    const api = lmsApi();
    expect(find(chain(2, { API: {}, parent: chain(2, { API: api }) }))).toBe(api);
    const sealed = new Proxy({}, { get() { throw new Error("another origin"); } });
    expect(find(chain(2, { API: sealed, parent: chain(2, { API: api }) }))).toBe(api);
  });

  test("in the opener of the top window, and in its parents", () => {
    const api = lmsApi();
    expect(find(chain(2, { opener: chain(3, { API: api }) }))).toBe(api);
  });

  test("not beyond frames of another origin, nor in circles", () => {
    const sealed: Frame = {};
    Object.defineProperty(sealed, "API", { get() { throw new Error("another origin"); } });
    sealed.parent = sealed;
    expect(find(chain(2, sealed))).toBeNull();
    const a: Frame = {};
    a.parent = { parent: a };
    expect(find(a)).toBeNull();
  });

  test("progress that was told can be read by the engine", async () => {
    const lms = new StrictLms();
    const session = await begun(lms);
    session.leave();
    expect(unpack(index, lms.committed.get("cmi.suspend_data") ?? "").slide).toBe(index.order[0]);
  });
});
