/** A question made of what is selected. */
import { api, take } from "../../api/client";
import type { Question } from "../../api/types";
import { edit } from "../store/edits";
import { currentSlide } from "../store/store";

/** Elements as the things of a question, and as what these are put on. */
export interface Roles { items: string[]; targets: string[] }

/** Make a question of the selected elements, or a new one where none is selected. */
export async function makeQuestion(kind: Question["kind"], roles: Roles | null = null): Promise<void> {
  await edit({
    label: "Make a question",
    ask: ({ slide, course, selected: elements }) => (
      take(api.POST("/api/edits/question", { body: { slide, course, elements, kind, roles } }))),
  });
}

/** What would be things and what targets, if a question was made of these elements. */
export async function guessRoles(elements: readonly string[]): Promise<Roles> {
  const slide = currentSlide();
  if (!slide) return { items: [], targets: [] };
  return take(api.POST("/api/edits/question/roles", { body: { slide, elements: [...elements] } }));
}

/** Give a part of a question another role, take it out, swap things and targets, or dissolve the question. */
export async function changeRole(question: Question, does: "swap" | "dissolve" | "take_out" | "items" | "targets", element = ""): Promise<void> {
  const label = { swap: "Swap things and targets", dissolve: "Dissolve the question", take_out: "Take out of the question", items: "Make it a thing", targets: "Make it a target" }[does];
  await edit({
    label,
    ask: ({ slide }) => take(api.POST("/api/edits/question/part", { body: { slide, question: question.id, does, element } })),
    then: () => ({}),
  });
}
