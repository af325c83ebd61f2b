/** Questions that follow the defaults of their quiz come here to what they come to in the core. */
import { readFileSync } from "node:fs";
import { beforeEach, expect, test } from "vitest";
import { DEFAULTS } from "../api/defaults";
import type { Question, QuestionDefaults, Slide } from "../api/types";
import { changeQuestion } from "../workbench/judges/parts";
import { beginDefaults, changeDefaults, endDefaults, followersOf, letAllFollow } from "../workbench/plan/quiz/quizDefaults";
import { changedBy, defaultsFor, labelled, withDefaults } from "../workbench/store/defaults";
import { apply, load, undo, useCourse } from "../workbench/store/store";
import { courseOf } from "./courses";

const path = new URL("../../tests/parity/traces/defaults.json", import.meta.url);
const [{ defaults, slides }] = JSON.parse(readFileSync(path, "utf8")) as
  [{ defaults: QuestionDefaults; slides: [Slide, Slide][] }];

test.each(slides.map(([before, after]) => ({ title: before.title, before, after })))("$title", ({ before, after }) => {
  const here = labelled({ ...before, questions: before.questions.map((question) => withDefaults(question, defaults)) }, defaults);
  expect(here).toEqual(after);
});

test("what is changed follows no more, and nothing else is", () => {
  const raw = slides[0]?.[0].questions[0] as Question;
  const cameTo = withDefaults(raw, defaults);
  const changed = changedBy(raw, cameTo, { points: 9, feedback: { ...cameTo.feedback, wrong: { blocks: [] } } });
  expect(changed.points).toBe(9);
  expect(raw.follows.filter((one) => !changed.follows.includes(one))).toEqual(["points", "wrong"]);
  // What it follows is not written into it.
  expect(changed.feedback.right).toEqual(raw.feedback.right);
  const penalty = changedBy(raw, cameTo, { penalty: 5 });
  expect([penalty.penalty, penalty.floor]).toEqual([5, defaults.floor]);
  expect(changedBy(raw, cameTo, { ...cameTo })).toEqual(raw);
});

const KINDS = ["single_choice", "multiple_response", "rating_scale"];
const asking = KINDS.flatMap((kind) => slides.find(([{ title }]) => title === kind)?.[0] ?? []);
const own = asking.map(({ id }) => id);
const { getState: get } = useCourse;
const quizDefaults = (): QuestionDefaults | undefined => defaultsFor(get().course, own[0] ?? "");
const cameTo = (): Question[] => own.flatMap((id) => get().slides[id]?.questions ?? []).map((question) => withDefaults(question, quizDefaults()));

beforeEach(() => {
  const slides = asking.map((slide): Slide => ({ ...slide, questions: slide.questions.map((question) => ({ ...question, follows: [] })) }));
  load(courseOf(slides, 1, { sections: [{ id: "secquiz", title: "Keys", before: own[0] ?? null, rules: [], silent: false, quiz: { ...DEFAULTS.Quiz } }] }));
});

test("defaults begin as what most have: nothing changes for learners, and what differs stays own", () => {
  const before = cameTo();
  beginDefaults("secquiz");
  expect(cameTo().map(({ follows: _, ...rest }) => rest)).toEqual(before.map(({ follows: _, ...rest }) => rest));
  expect(followersOf(own, get().slides).points.following).toBeGreaterThan(0);
  undo();
  expect(quizDefaults()).toBeUndefined();
  expect(get().slides[own[0] ?? ""]?.questions[0]?.follows).toEqual([]);
});

test("a changed default is a change of all that follow, undone in one step", () => {
  beginDefaults("secquiz");
  letAllFollow("secquiz", "points");
  changeDefaults("secquiz", "Points", { points: 7 }, "points");
  expect(cameTo().filter(({ kind }) => kind !== "rating_scale").every(({ points }) => points === 7)).toBe(true);
  undo();
  expect(cameTo().some(({ points }) => points === 7)).toBe(false);
});

test("the words on the buttons follow, until somebody writes others on one of them", () => {
  beginDefaults("secquiz");
  changeDefaults("secquiz", "Submit", { submit_label: "Check it" }, "label");
  const [first] = own;
  const slide = get().slides[first ?? ""];
  const button = slide?.elements.find(({ id }) => id === slide.questions[0]?.submit);
  expect(button).toMatchObject({ label: "Check it" });
  if (!slide) throw new Error("no slide");
  apply("words", { slides: { [slide.id]: { ...slide, elements: slide.elements.map((element) => (element.id === button?.id ? { ...element, label: "Done" } as typeof element : element)) } } });
  expect(get().slides[slide.id]?.questions[0]?.follows).not.toContain("submit_label");
  changeDefaults("secquiz", "Submit", { submit_label: "Look" }, "label");
  const labels = own.map((id) => get().slides[id]).map((one) => one?.elements.find((element) => element.id === one.questions[0]?.submit)).map((element) => (element?.kind === "button" ? element.label : ""));
  expect(labels.filter((label) => label === "Done")).toHaveLength(1);
  expect(labels.filter((label) => label === "Look").length).toBe(labels.length - 1);
});

test("without defaults questions keep what they came to", () => {
  beginDefaults("secquiz");
  letAllFollow("secquiz", "attempts");
  changeDefaults("secquiz", "Attempts", { attempts: 5 }, "attempts");
  const before = cameTo();
  endDefaults("secquiz");
  expect(quizDefaults()).toBeUndefined();
  expect(cameTo()).toEqual(before);
});

test("changing a question in the card makes that setting its own", () => {
  beginDefaults("secquiz");
  letAllFollow("secquiz", "points");
  const [question] = cameTo();
  if (question) changeQuestion(question, { points: 4 });
  expect(get().slides[own[0] ?? ""]?.questions[0]).toMatchObject({ points: 4 });
  expect(get().slides[own[0] ?? ""]?.questions[0]?.follows).not.toContain("points");
});
