/** A question made of what is selected. */
import { api, take } from "../../api/client";
import type { Question } from "../../api/types";
import { edit } from "../store/edits";

/** Make a question of the selected elements, or a new one where none is selected. */
export async function makeQuestion(kind: Question["kind"]): Promise<void> {
  await edit({
    label: "Make a question",
    ask: ({ slide, course, selected: elements }) => (
      take(api.POST("/api/edits/question", { body: { slide, course, elements, kind } }))),
  });
}
