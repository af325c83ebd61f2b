/** A question made of what is selected. */
import { api, take } from "../../api/client";
import type { Question, RoleChange, Roles } from "../../api/types";
import { edit } from "../store/edits";
import { currentSlide } from "../store/store";
import { t } from "../../words/judges";

/** Make a question of the selected elements, or a new one where none is selected. */
export async function makeQuestion(kind: Question["kind"], roles: Roles | null = null): Promise<void> {
  await edit({
    label: t("makeAQuestion"),
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

const LABELS: Record<RoleChange, string> = {
  swap: t("swapItemsAndTargets"), dissolve: t("dissolveTheQuestion"), take_out: t("takeOutOfTheQuestion"),
  items: t("makeItAnItem"), targets: t("makeItATarget"), one_place: t("theSameHotspot"), own_places: t("hotspotsOfTheirOwn"),
};

/** Give a part of a question another role, take it out, swap items and targets, or dissolve the question. */
export async function changeRole(question: Question, does: RoleChange, element = "", to = ""): Promise<void> {
  await edit({
    label: LABELS[does],
    ask: ({ slide }) => take(api.POST("/api/edits/question/part", { body: { slide, question: question.id, does, element, to } })),
    then: () => ({}),
  });
}
