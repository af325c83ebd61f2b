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

interface More {
  /** What else is made of it, in the same step. */
  finish?: (slide: Slide, ids: string[]) => Slide;
  name?: string;
  /** What it will show, for which room is found, beside the elements `beside`. */
  file?: MediaFile;
  beside?: ReadonlySet<string>;
  /** Whether it stands here also where there is no room. */
  stays?: boolean;
}

/** Add an element or a question where it was asked for. A question without room goes onto a new slide. */
export async function addElement(what: Addition, at: [number, number] | null, more: More = {}): Promise<void> {
  const { finish, name = "", file = null, beside = [], stays = false } = more;
  const { overlay } = useOverlay.getState();
  const asked = edit({
    label: t("addWhat", { what: what.replaceAll("_", " ") }),
    ask: ({ slide, course }) => take(api.POST("/api/edits/add", { body: { slide, what, at, name, course, overlay, file, beside: [...beside] } })),
    finish: (document, { selected }, { slide }) => {
      const now = document.slides[slide.id];
      return finish && now ? withSlide(document, finish(now, selected)) : document;
    },
  });
  const own = get().past.at(-1)?.id;
  const added = await asked;
  if (!added?.covers || stays) return;
  // Only what was done last can be taken back: who has gone on meanwhile is asked.
  if (what in QUESTIONS && get().past.at(-1)?.id === own) await moveToNewSlide(what, at);
  else offerNewSlide(what);
}

/** A question that found no room goes onto a slide of its own; it can be put back. */
async function moveToNewSlide(what: Addition, at: [number, number] | null): Promise<void> {
  const here = get().selection.slide;
  const before = get().course.slides;
  const stay = (): Promise<void> => addElement(what, at, { stays: true });
  undo();
  await addSlide();
  const made = get().course.slides.find((id) => !before.includes(id));
  if (!made) return stay();
  goToSlide(made);
  await addElement(what, null, { stays: true });
  const last = get().past.at(-1)?.id;
  sayDone(t("theQuestionIsOnA"), () => {
    if (get().past.at(-1)?.id === last) {
      undo();
      undo();
    }
    goToSlide(here);
    void stay();
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
