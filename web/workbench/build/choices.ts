/** Answers of a question: one more like the last, or one less. */
import { api, take } from "../../api/client";
import type { Question, Slide } from "../../api/types";
import { removeSelected } from "../store/commands";
import { paragraphs } from "../store/richText";
import { changeSlide, select } from "../store/store";
import { sayError } from "../ui/toaster";

const GAP = 16;

/** Add an answer that looks like the last one, below it. */
export async function addChoice(slide: Slide, question: Question): Promise<void> {
  const last = slide.elements.find((element) => element.id === question.choices.at(-1)?.element);
  if (!last) return;
  try {
    const clipping = { elements: [last], questions: [], patterns: [], overlays: [], variables: [], media: [], styles: [] };
    const body = { slide, clipping, dx: 0, dy: last.h + GAP };
    const { slide: grown, selected } = await take(api.POST("/api/edits/paste", { body }));
    const element = selected[0] as string;
    const words = last.kind === "text"
      ? { text: paragraphs("Another answer") }
      : {};
    const elements = grown.elements.map((e) => (e.id === element ? { ...e, ...words } : e));
    const choice = { id: `c${element}`, element, right: false };
    const questions = grown.questions.map((q) => (
      q.id === question.id ? { ...q, choices: [...q.choices, choice] } : q
    ));
    const order = [...elements];
    const copy = order.splice(order.findIndex((e) => e.id === element), 1);
    order.splice(order.findIndex((e) => e.id === last.id) + 1, 0, ...copy);
    changeSlide("Add answer", { ...grown, elements: order, questions } as Slide, undefined, { select: [element] });
  } catch (error) {
    sayError(error);
  }
}

/** The choices with that of one element as the only right one. */
export function withRight(question: Question, element: string): Question["choices"] {
  return question.choices.map((choice) => ({ ...choice, right: choice.element === element }));
}

export async function removeChoice(element: string): Promise<void> {
  select([element]);
  await removeSelected();
}
