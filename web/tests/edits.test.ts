/** Edits that the core works out, with answers that come late, out of order, twice, never, or as errors. */
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { edit, LONGEST_MS, quiet } from "../workbench/store/edits";
import {
  apply, changeElements, goToSlide, redo, select, settle, stored, takeIn, undo, useCourse,
} from "../workbench/store/store";
import { renameElement } from "../workbench/store/commands";
import { box, courseOf, find, moved, now, openCourse, page, settled, SlowCore, without } from "./courses";

const errors: string[] = [];
vi.mock("../kit/toaster", () => ({
  sayError: (error: Error) => errors.push(error.message), sayDone: () => {},
}));

beforeEach(() => {
  errors.length = 0;
  openCourse();
});
afterEach(() => vi.useRealTimers());

const move = (ids: readonly string[], by: number) => (slide: Parameters<typeof moved>[0]) => moved(slide, ids, by);

test("what is done before a late answer comes stays, and is taken back in the order of doing", async () => {
  const core = new SlowCore();
  void edit({ label: "Align", ask: core.ask });
  await settled();
  renameElement("stove", "Old stove");
  await core.calls[0]?.work(move(["boots", "ropes"], 100));
  expect(find("room", "stove")?.name).toBe("Old stove");
  expect([find("room", "boots")?.x, find("room", "ropes")?.x]).toEqual([101, 102]);
  expect(now().past.map(({ label }) => label)).toEqual(["Align", "Rename"]);
  undo();
  expect(find("room", "stove")?.name).toBe("stove");
  expect(find("room", "boots")?.x).toBe(101);
  undo();
  expect(find("room", "boots")?.x).toBe(1);
  redo();
  redo();
  expect([find("room", "boots")?.x, find("room", "stove")?.name]).toEqual([101, "Old stove"]);
});

test("the later of two edits of the same holds, whichever answer comes last", async () => {
  const core = new SlowCore();
  void edit({ label: "Align", ask: core.ask });
  await settled();
  changeElements("Move", ["boots"], (element) => ({ ...element, x: 50 }));
  await core.calls[0]?.work(move(["boots"], 100));
  expect(find("room", "boots")?.x).toBe(50);
  undo();
  expect(find("room", "boots")?.x).toBe(101);
});

test("edits of one slide wait for each other and build on each other; other slides do not wait", async () => {
  const core = new SlowCore();
  void edit({ label: "One", ask: core.ask });
  void edit({ label: "Two", ask: core.ask });
  goToSlide("hall");
  void edit({ label: "Elsewhere", ask: core.ask });
  await settled();
  expect(core.calls.map(({ base }) => base.slide.id)).toEqual(["room", "hall"]);
  await core.calls[1]?.work(move(["door"], 7));
  expect(find("hall", "door")?.x).toBe(8);
  await core.calls[0]?.work(move(["boots"], 100), ["boots"]);
  expect(core.calls[2]?.base.slide.elements[0]?.x).toBe(101);
  expect(core.calls[2]?.base.selected, "it is made of what the one before selects").toEqual(["boots"]);
  await core.calls[2]?.work(move(["boots"], 1));
  expect(find("room", "boots")?.x).toBe(102);
  expect(now().past.map(({ label }) => label)).toEqual(["One", "Two", "Elsewhere"]);
});

test("an answer leaves the selection alone once another was made or another slide is looked at", async () => {
  const core = new SlowCore();
  select(["boots"]);
  void edit({ label: "Group", ask: core.ask });
  await settled();
  select(["stove"]);
  await core.calls[0]?.work(move(["boots"], 1), ["boots", "ropes"]);
  expect(now().selection.selected).toEqual(["stove"]);
  void edit({ label: "Group", ask: core.ask });
  await settled();
  goToSlide("hall");
  await core.calls[1]?.work(move(["boots"], 1), ["boots", "ropes"]);
  expect(now().selection).toEqual({ slide: "hall", selected: [] });
  expect(find("room", "boots")?.x).toBe(3);
});

test("an edit is of what was selected when it was asked for", async () => {
  const core = new SlowCore();
  void edit({ label: "One", ask: core.ask });
  select(["boots"]);
  void edit({ label: "Two", ask: core.ask });
  select(["stove"]);
  await settled();
  await core.calls[0]?.work(move(["ropes"], 1), ["ropes"]);
  expect(core.calls[1]?.base.selected).toEqual(["boots"]);
});

test("an answer that comes twice is taken once", async () => {
  const core = new SlowCore();
  void edit({ label: "Align", ask: core.ask });
  await settled();
  const id = now().past[0]?.id ?? 0;
  await core.calls[0]?.work(move(["boots"], 100));
  settle(id, { operations: [{ op: "set", path: ["slides", "room", "title"], value: "Twice", was: "room" }] });
  expect([find("room", "boots")?.x, now().slides.room?.title]).toEqual([101, "room"]);
});

test("an answer that never comes is given up and told; what waited goes on, and nothing else is lost", async () => {
  vi.useFakeTimers();
  const core = new SlowCore();
  const first = edit({ label: "Align", ask: core.ask });
  void edit({ label: "Next", ask: core.ask });
  await settled();
  renameElement("stove", "Old stove");
  await vi.advanceTimersByTimeAsync(LONGEST_MS);
  expect(await first).toBeNull();
  expect(errors).toEqual([expect.stringContaining("“Align” was not done")]);
  await core.calls[1]?.work(move(["boots"], 5));
  await core.calls[0]?.work(move(["boots"], 100));
  expect([find("room", "boots")?.x, find("room", "stove")?.name]).toEqual([6, "Old stove"]);
  expect(now().past.map(({ label }) => label)).toEqual(["Next", "Rename"]);
});

test("what was refused is told, and what it showed meanwhile is taken back", async () => {
  const core = new SlowCore();
  void edit({ label: "Delete", ask: core.ask, expect: (slide) => without(slide, "boots") });
  expect(find("room", "boots"), "seen at once").toBeUndefined();
  renameElement("stove", "Old stove");
  await settled();
  expect(core.calls[0]?.base.slide.elements).toHaveLength(3);
  expect([...now().dirty]).toEqual(["room"]);
  await core.calls[0]?.fail("That cannot be done.");
  expect(errors).toEqual(["That cannot be done."]);
  expect([find("room", "boots")?.x, find("room", "stove")?.name]).toEqual([1, "Old stove"]);
});

test("an edit of what the answer has taken away is named as lost, and all else stays", async () => {
  const core = new SlowCore();
  void edit({ label: "Delete", ask: core.ask });
  await settled();
  renameElement("boots", "Wet boots");
  renameElement("stove", "Old stove");
  await core.calls[0]?.work((slide) => without(slide, "boots"));
  expect(now().slides.room?.elements.map(({ name }) => name)).toEqual(["ropes", "Old stove"]);
  expect(now().lost.map(({ entry, conflicts }) => [entry.label, conflicts[0]?.why])).toEqual([["Rename", "gone"]]);
});

test("an edit that is taken back while it is worked out can be made again", async () => {
  const core = new SlowCore();
  void edit({ label: "Align", ask: core.ask });
  await settled();
  undo();
  await core.calls[0]?.work(move(["boots"], 100));
  expect(find("room", "boots")?.x).toBe(1);
  redo();
  expect(find("room", "boots")?.x).toBe(101);
  undo();
  expect(find("room", "boots")?.x).toBe(1);
});

test("an edit that is taken back before its turn is asked for when it is made again, and holds up nothing", async () => {
  const core = new SlowCore();
  void edit({ label: "One", ask: core.ask });
  void edit({ label: "Two", ask: core.ask });
  undo();
  await settled();
  await core.calls[0]?.work(move(["boots"], 100));
  await quiet();
  expect(core.calls).toHaveLength(1);
  redo();
  await settled();
  await core.calls[1]?.work(move(["boots"], 1));
  expect(find("room", "boots")?.x).toBe(102);
  expect(now().past.map(({ label, pending }) => [label, pending])).toEqual([["One", false], ["Two", false]]);
});

test("an edit that was taken back and followed by another is forgotten", async () => {
  const core = new SlowCore();
  void edit({ label: "One", ask: core.ask });
  await settled();
  undo();
  renameElement("stove", "Old stove");
  await core.calls[0]?.work(move(["boots"], 100));
  redo();
  expect(find("room", "boots")?.x).toBe(1);
  expect(now().past.map(({ label }) => label)).toEqual(["Rename"]);
});

test("what another window has saved meanwhile stays, and so does the answer", async () => {
  const core = new SlowCore();
  void edit({ label: "Align", ask: core.ask });
  await settled();
  takeIn(courseOf([
    page("room", [box("boots", 1), box("ropes", 40), box("stove", 3), box("drip", 9)]),
    now().slides.hall ?? page("hall", []),
  ], 2));
  await core.calls[0]?.work(move(["boots"], 100));
  expect(now().slides.room?.elements.map(({ id, x }) => [id, x])).toEqual([["boots", 101], ["ropes", 40], ["stove", 3], ["drip", 9]]);
  undo();
  expect(now().slides.room?.elements.map(({ x }) => x)).toEqual([1, 40, 3, 9]);
});

test("taking back what another window has changed since names it, and takes back the rest", () => {
  changeElements("Move", ["boots", "ropes"], (element) => ({ ...element, x: element.x + 10 }));
  const room = now().slides.room ?? page("room", []);
  takeIn(courseOf([moved(room, ["boots"], 500), now().slides.hall ?? page("hall", [])], 2));
  undo();
  expect(now().slides.room?.elements.map(({ x }) => x)).toEqual([511, 2, 3]);
  expect(now().lost[0]?.conflicts.map(({ why, operation }) => [why, operation.path.at(-2)])).toEqual([["changed", "boots"]]);
});

test("a course that is closed takes in nothing any more", async () => {
  const core = new SlowCore();
  void edit({ label: "Align", ask: core.ask });
  await settled();
  openCourse();
  await core.calls[0]?.work(move(["boots"], 100));
  expect(find("room", "boots")?.x).toBe(1);
  expect(useCourse.getState().past).toEqual([]);
});

test("a slide that is added, taken back and made again leaves nothing to save for ever", () => {
  const attic = page("attic", [box("beam", 1)]);
  const { course } = now();
  apply("Add slide", { course: { ...course, slides: [...course.slides, "attic"] }, slides: { attic } });
  stored({ course: now().course, slides: { attic: now().slides.attic ?? attic } }, { course: 2, slides: { attic: 1 } });
  expect([...now().dirty]).toEqual([]);
  undo();
  expect([...now().dirty].sort()).toEqual(["attic", "course"]);
  stored({ course: now().course, slides: {} }, { course: 3, slides: {} });
  expect([...now().dirty]).toEqual([]);
  redo();
  expect(now().slides.attic?.title).toBe("attic");
  expect(now().versions.slides.attic).toBe(1);
});
