/** What questions are made of, whatever their kind. */
import { api, take } from "../../api/client";
import { PART_LISTS, QUESTIONS, SINGLE_PARTS } from "../../api/tables";
import type { Choice, Edited, Element, Question, Slide } from "../../api/types";
import { says, withWords } from "../editor/order/rowText";
import { removeSelected } from "../store/commands";
import { edit, type SlideBase } from "../store/edits";
import { paragraphs, plain } from "../store/richText";
import { changeSlide, currentSlide, select } from "../store/store";
import { changedBy } from "../store/defaults";
import { sayDone } from "../../kit/toaster";
import { t } from "../../words/judges";

export type PartList = (typeof PART_LISTS)[number];
interface Part { id: string; element: string; also?: string[] }

/** Each kind of question with its title and further words by which it is found. */
export const KINDS = (Object.keys(QUESTIONS) as Question["kind"][])
  .map((kind) => [kind, QUESTIONS[kind].title, QUESTIONS[kind].search] as const);

/** How many parts a list of such a question holds at the most. */
export function mostParts(kind: Question["kind"], list: PartList): number {
  const lists: Partial<Record<string, number>> = QUESTIONS[kind].lists;
  return lists[list] ?? 0;
}

/** The parts in a list of a question; none where its kind has no such list. */
export function partsIn(question: Question, list: PartList): readonly Part[] {
  return (question as unknown as Partial<Record<PartList, readonly Part[]>>)[list] ?? [];
}

/** The elements that learners answer a question with. */
export function answersOf(question: Question): string[] {
  return PART_LISTS.flatMap((list) => partsIn(question, list).flatMap(({ element, also }) => [element, ...(also ?? [])]));
}

/** The elements that a question is made of. */
export function elementsOf(question: Question): string[] {
  const single = SINGLE_PARTS.map((name) => (question as unknown as Record<string, string | null | undefined>)[name]);
  return [...answersOf(question), ...single.flatMap((id) => (id ? [id] : []))];
}

/** The choices of a question; none for kinds that have none. */
export function choicesOf(question: Question): readonly Choice[] {
  return "choices" in question ? question.choices : [];
}

/** Whether no answer is right or wrong: in surveys, and in kinds that are never judged. */
export const isUnjudged = ({ kind, purpose }: Question): boolean => purpose === "survey" || !QUESTIONS[kind].judged;

export const ROLES: Record<PartList, string> = { choices: t("answer"), items: t("item"), targets: t("target"), spots: t("hotspot"), rows: t("statement") };

/** The part that an element plays in a question, in words; empty where it plays none. */
export function roleIn(question: Question, element: string): string {
  if (question.prompt === element) return t("questionTextName", { name: question.name });
  if (question.submit === element) return t("submitsName", { name: question.name });
  if (question.reset === element) return t("clearsName", { name: question.name });
  for (const list of PART_LISTS) {
    const part = partsIn(question, list).find((other) => other.element === element || other.also?.includes(element));
    if (!part) continue;
    if ((list !== "choices" && list !== "spots") || question.purpose === "survey") return ROLES[list];
    return `${ROLES[list]}, ${(part as Part & { right: boolean }).right ? t("correct2") : t("wrong")}`;
  }
  return elementsOf(question).includes(element) ? t("answersName", { name: question.name }) : "";
}

/** The choices with that of one element as the only right one, or as one more where there may be several. */
export function withRight(question: Question, element: string): Question {
  if (!("choices" in question)) return question;
  const several = question.kind === "multiple_response";
  return {
    ...question,
    choices: question.choices.map((choice) => (
      several ? (choice.element === element ? { ...choice, right: !choice.right } : choice) : { ...choice, right: choice.element === element }
    )),
  } as Question;
}

/** Set fields of a `question` as it is shown, as one step of the history; they follow nothing from then on. */
export function changeQuestion(question: Question, part: object, label = t("judging")): void {
  const slide = currentSlide();
  if (!slide) return;
  const questions = slide.questions.map((other) => (other.id === question.id ? changedBy(other, question, part) : other));
  changeSlide(label, { ...slide, questions }, `judges-${Object.keys(part).join()}-${question.id}`);
}

/** Write words into the element of a part. */
export function say(element: Element, words: string): void {
  const slide = currentSlide();
  if (!slide || partWords(slide, { id: "", element: element.id }) === words) return;
  const worded = wordsIn(slide, element) ?? element;
  const elements = slide.elements.map((other) => (other.id === worded.id ? withPartWords(other, words) : other));
  changeSlide(t("text"), { ...slide, elements }, `says-${element.id}`);
}

/** The text within a group that stands for it, where it has no text alternative. */
function wordsIn(slide: Slide, element: Element): Element | undefined {
  if (element.kind !== "group" || element.alt) return undefined;
  return slide.elements.find((other) => other.group === element.id && other.kind === "text");
}

/** A shape that shows words says them; a text alternative of its own is what is said instead. */
function withPartWords(element: Element, words: string): Element {
  const isOwn = element.kind !== "shape" || (element.alt && element.alt !== plain(element.text));
  return isOwn ? withWords(element, words) : { ...element, alt: "", text: paragraphs(words) };
}

/** A pasted table as parts, from the one numbered `at` on. */
export async function pasteParts(question: Question, where: PartList, at: number, rows: string[][]): Promise<void> {
  const made = await editQuestion(t("pasteAnswers"), question, ({ slide, course }) => (
    take(api.POST("/api/edits/parts/table", { body: { slide, question: question.id, where, at, rows, size: course.size } }))));
  if (made?.left_out) sayDone(t("leftOutOfRowsLines", { left_out: made.left_out, rows: rows.length }));
}

/** An edit that gives a question other parts; they are selected, too, where the question was. */
async function editQuestion(
  label: string, question: Question, ask: (base: SlideBase) => Promise<Edited>,
): Promise<Edited | null> {
  let whole = false;
  const made = await edit({
    label,
    ask: (base) => {
      const asked = questionIn(base.slide, question.id);
      whole = asked !== undefined && elementsOf(asked).every((id) => base.selected.includes(id));
      return asked ? ask(base) : null;
    },
    then: () => ({}),
  });
  const now = questionIn(currentSlide(), question.id);
  if (made && whole && now) select(elementsOf(now));
  return made;
}

function questionIn(slide: Slide | null, id: string): Question | undefined {
  return slide?.questions.find((other) => other.id === id);
}

/** What is on the slide becomes a part, or asks the question. */
export async function joinParts(question: Question, where: PartList | "prompt", elements: readonly string[]): Promise<void> {
  await edit({
    label: t("makeItAPart"),
    ask: ({ slide }) => take(api.POST("/api/edits/parts/join", { body: { slide, question: question.id, where, elements: [...elements] } })),
    then: () => ({}),
  });
}

/** A button that submits or clears the question. */
export async function addButton(question: Question, does: "submit" | "reset"): Promise<void> {
  await edit({
    label: t("addAButton"),
    ask: ({ slide, course }) => take(api.POST("/api/edits/question/button", { body: { slide, course, question: question.id, does } })),
    then: () => ({}),
  });
}

/** More parts, each with its words, looking like the last one. */
export async function addParts(question: Question, where: PartList, words: string[]): Promise<void> {
  await editQuestion(t("addAnswers"), question, ({ slide, course }) => (
    take(api.POST("/api/edits/parts", { body: { slide, question: question.id, where, words, size: course.size } }))));
}

/** Remove an element that is part of a question; `back` is selected again afterwards. */
export async function removePart(element: string, back: readonly string[]): Promise<void> {
  select([element]);
  await removeSelected();
  select(back.filter((id) => id !== element));
}

/** Turn a question into another kind; what fits both is kept. */
export async function convert(question: Question, kind: Question["kind"]): Promise<void> {
  await editQuestion(t("turnIntoAnotherKind"), question, ({ slide, course }) => (
    take(api.POST("/api/edits/convert", { body: { slide, course, question: question.id, kind } }))));
}

/** The words that stand for a part: those of its element. */
export function partWords(slide: Slide, part: Part): string {
  const element = slide.elements.find(({ id }) => id === part.element);
  const inside = element && wordsIn(slide, element);
  return element ? (inside ? says(inside) : "") || says(element) || element.name : "";
}
