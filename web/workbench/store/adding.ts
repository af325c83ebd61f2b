/** Adding to the slide what the core makes: elements and questions. */
import { api, take } from "../../api/client";
import type { paths } from "../../api/api";
import type { Slide } from "../../api/types";
import { useOverlay } from "../editor/stage/overlays";
import { sayDone } from "../../kit/toaster";
import { attempt, takeOver } from "./commands";
import { addSlide } from "./slides";
import { currentSlide, undo, useCourse } from "./store";

const { getState: get } = useCourse;

type AddBody = paths["/api/edits/add"]["post"]["requestBody"]["content"]["application/json"];
export type Addition = AddBody["what"];

export function addElement(
  what: Addition, at: [number, number] | null, finish?: (slide: Slide, ids: string[]) => Slide, name = "",
): Promise<void> {
  return attempt(async () => {
    const slide = currentSlide();
    if (!slide) return;
    const body = { slide, what, at, name, course: get().course, overlay: useOverlay.getState().overlay };
    const added = await take(api.POST("/api/edits/add", { body }));
    const done = finish ? finish(added.slide, added.selected) : added.slide;
    takeOver(`Add ${what.replaceAll("_", " ")}`, { ...added, slide: done });
    if (added.covers) offerNewSlide(what);
  });
}

/** What was just added found no room here; it can go onto a slide of its own instead. */
function offerNewSlide(what: Addition): void {
  const change = get().past.at(-1);
  sayDone("There was no room left: it lies over what was there.", () => {
    if (get().past.at(-1) === change) undo();
    void addSlide().then(() => addElement(what, null));
  }, "Onto a new slide");
}
