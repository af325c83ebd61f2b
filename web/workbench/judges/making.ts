/** A question made of what is selected. */
import { api, take } from "../../api/client";
import type { Question } from "../../api/types";
import { attempt } from "../store/commands";
import { changeSlide, currentSlide, useCourse } from "../store/store";

export function makeQuestion(kind: Question["kind"]): Promise<void> {
  return attempt(async () => {
    const slide = currentSlide();
    if (!slide) return;
    const { course, place } = useCourse.getState();
    const body = { slide, course, elements: [...place.selected], kind };
    const made = await take(api.POST("/api/edits/question", { body }));
    changeSlide("Make a question", made.slide, undefined, { select: made.selected });
  });
}
