/** Adding to the slide what the core makes: elements and questions. */
import { api, take } from "../../api/client";
import type { paths } from "../../api/api";
import type { MediaFile, Slide } from "../../api/types";
import { useOverlay } from "../editor/stage/overlays";
import { sayDone } from "../../kit/toaster";
import { edit, withSlide } from "./edits";
import { addSlide } from "./slides";
import { undo, useCourse } from "./store";

const { getState: get } = useCourse;

type AddBody = paths["/api/edits/add"]["post"]["requestBody"]["content"]["application/json"];
export type Addition = AddBody["what"];

/**
 * Add an element or a question where it was asked for; `finish` makes more of it in the same step. `file`
 * is what it will show, for which room is found, beside the elements `beside`.
 */
export async function addElement(
  what: Addition, at: [number, number] | null, finish?: (slide: Slide, ids: string[]) => Slide, name = "", file: MediaFile | null = null,
  beside: ReadonlySet<string> = new Set(),
): Promise<void> {
  const { overlay } = useOverlay.getState();
  const added = await edit({
    label: `Add ${what.replaceAll("_", " ")}`,
    ask: ({ slide, course }) => take(api.POST("/api/edits/add", { body: { slide, what, at, name, course, overlay, file, beside: [...beside] } })),
    finish: (document, { selected }, { slide }) => {
      const now = document.slides[slide.id];
      return finish && now ? withSlide(document, finish(now, selected)) : document;
    },
  });
  if (added?.covers) offerNewSlide(what);
}

/** What was just added found no room here; it can go onto a slide of its own instead. */
function offerNewSlide(what: Addition): void {
  const last = get().past.at(-1)?.id;
  sayDone("There was no room left: it lies over what was there.", () => {
    if (get().past.at(-1)?.id === last) undo();
    void addSlide().then(() => addElement(what, null));
  }, "Onto a new slide");
}
