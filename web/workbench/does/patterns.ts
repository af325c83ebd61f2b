/** Making patterns, and what takes part in them. */
import { api, take } from "../../api/client";
import type { paths } from "../../api/api";
import type { Pattern } from "../../api/types";
import { useOverlay } from "../editor/stage/overlays";
import { attempt } from "../store/commands";
import { apply, currentSlide, useCourse } from "../store/store";

type Body = paths["/api/edits/pattern"]["post"]["requestBody"]["content"]["application/json"];
export type ReadyPattern = Body["what"];

/** Make a pattern of what is selected, or a ready one where nothing is. */
export function makePattern(what: ReadyPattern): Promise<void> {
  return attempt(async () => {
    const slide = currentSlide();
    if (!slide) return;
    const { course, place } = useCourse.getState();
    const body = { slide, course, what, elements: [...place.selected], overlay: useOverlay.getState().overlay };
    const made = await take(api.POST("/api/edits/pattern", { body }));
    apply("Make pattern", { slides: { [slide.id]: made.slide } }, { select: made.selected.slice(0, 1) });
  });
}

/** The elements and overlays that take part in a pattern. */
export function partsOf(pattern: Pattern): string[] {
  switch (pattern.kind) {
    case "reveal_set": return pattern.items.flatMap((item) => [item.trigger, ...item.shows]);
    case "seen_counter": return [pattern.text];
    case "flip_cards": return pattern.cards.flatMap((card) => [card.front, card.back]);
    case "steps": return [...pattern.steps.flatMap((step) => step.shows), ...[pattern.onward, pattern.back].flatMap((id) => id ?? [])];
    case "before_after": return [pattern.before, pattern.after];
    case "checklist": return [...pattern.items];
    case "choose_path": return pattern.paths.flatMap((path) => path.trigger ?? []);
    case "spot_places": return [...pattern.places];
  }
}
