/** Adding to the slide what the core makes: elements and questions. */
import { QUESTIONS } from "../../api/tables";
import { api, take } from "../../api/client";
import type { paths } from "../../api/api";
import type { MediaFile, Slide } from "../../api/types";
import { useOverlay } from "../editor/stage/overlays";
import { sayDone } from "../../kit/toaster";
import { edit, withSlide } from "./edits";
import { addSlide } from "./slides";
import { goToSlide, undo, useCourse } from "./store";
import { t } from "../../words/store";

const { getState: get } = useCourse;

type AddBody = paths["/api/edits/add"]["post"]["requestBody"]["content"]["application/json"];
export type Addition = AddBody["what"];

/**
 * Add an element or a question where it was asked for; `finish` makes more of it in the same step. `file`
 * is what it will show, for which room is found, beside the elements `beside`. A question without room goes
 * onto a new slide, unless it `stays`.
 */
export async function addElement(
  what: Addition, at: [number, number] | null, finish?: (slide: Slide, ids: string[]) => Slide, name = "", file: MediaFile | null = null,
  beside: ReadonlySet<string> = new Set(), stays = false,
): Promise<void> {
  const { overlay } = useOverlay.getState();
  const added = await edit({
    label: t("addWhat", { what: what.replaceAll("_", " ") }),
    ask: ({ slide, course }) => take(api.POST("/api/edits/add", { body: { slide, what, at, name, course, overlay, file, beside: [...beside] } })),
    finish: (document, { selected }, { slide }) => {
      const now = document.slides[slide.id];
      return finish && now ? withSlide(document, finish(now, selected)) : document;
    },
  });
  if (!added?.covers || stays) return;
  if (what in QUESTIONS) await moveToNewSlide(what, at);
  else offerNewSlide(what);
}

/** A question that found no room goes onto a slide of its own; it can be put back. */
async function moveToNewSlide(what: Addition, at: [number, number] | null): Promise<void> {
  const here = get().selection.slide;
  undo();
  await addSlide();
  await addElement(what, null);
  const last = get().past.at(-1)?.id;
  sayDone(t("theQuestionIsOnA"), () => {
    if (get().past.at(-1)?.id === last) {
      undo();
      undo();
    }
    goToSlide(here);
    void addElement(what, at, undefined, "", null, new Set(), true);
  }, t("putItOnTheSlide"));
}

/** What was just added found no room here; it can go onto a slide of its own instead. */
function offerNewSlide(what: Addition): void {
  const last = get().past.at(-1)?.id;
  sayDone(t("thereWasNoFreeSpace"), () => {
    if (get().past.at(-1)?.id === last) undo();
    void addSlide().then(() => addElement(what, null));
  }, t("moveItToANew"));
}
