/** Which dialogue is written in Build, in place of its slide. */
import { create } from "zustand";
import { api, take } from "../../api/client";
import { t } from "../../words/dialogue";
import { edit } from "../store/edits";
import { sayError } from "../../kit/toaster";
import { changeSlide, currentSlide, useCourse } from "../store/store";
import { castAs, changeDialogue, type On } from "./cast/casting";

export const useDialoguePage = create<{ slide: string; dialogue: string } | { slide: null; dialogue: null }>(() => ({ slide: null, dialogue: null }));

/** Show the page of a dialogue; null shows the slide. */
export function showDialogue(slide: string | null, dialogue: string | null): void {
  useDialoguePage.setState(slide !== null && dialogue !== null ? { slide, dialogue } : { slide: null, dialogue: null });
}

/** A new dialogue on the slide that is looked at, ready to be written. */
export async function newDialogue(): Promise<void> {
  const slide = currentSlide()?.id;
  const answer = await edit({
    label: t("newDialogue"),
    ask: (base) => take(api.POST("/api/edits/dialogue", { body: { ...base, titles: {}, text: t("example") } })),
    then: () => ({}),
  });
  if (!slide || !answer?.made) return;
  showDialogue(slide, answer.made);
  await castExample({ slide, dialogue: answer.made }).catch(sayError);
}

/** Let the example be played, so that one sees at once how it looks. */
async function castExample(on: On): Promise<void> {
  const drawings = await take(api.GET("/api/drawings"));
  const speaker = useCourse.getState().slides[on.slide]?.dialogues.find(({ id }) => id === on.dialogue)?.speakers[0];
  if (speaker) await castAs(on, speaker.id, drawings, speaker.name, "standing");
}

/** Take a dialogue off the slide that is looked at. */
export function removeDialogue(id: string): void {
  const slide = currentSlide();
  if (slide) changeSlide(t("removed"), { ...slide, dialogues: slide.dialogues.filter((one) => one.id !== id) });
}

/** Let a dialogue take all of its slide. */
export function fillSlide(slide: string, dialogue: string): void {
  const { w, h } = useCourse.getState().course.size;
  changeDialogue({ slide, dialogue }, t("resize"), () => ({ x: 0, y: 0, w, h }));
}
