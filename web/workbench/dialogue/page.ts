/** Which dialogue is written in Build, in place of its slide. */
import { create } from "zustand";
import { api, take } from "../../api/client";
import { t } from "../../words/dialogue";
import { edit } from "../store/edits";
import { changeSlide, currentSlide } from "../store/store";

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
  if (slide && answer?.made) showDialogue(slide, answer.made);
}

/** Take a dialogue off the slide that is looked at. */
export function removeDialogue(id: string): void {
  const slide = currentSlide();
  if (slide) changeSlide(t("removed"), { ...slide, dialogues: slide.dialogues.filter((one) => one.id !== id) });
}
