/** Making patterns, and what takes part in them. */
import { create } from "zustand";
import { api, take } from "../../api/client";
import type { paths } from "../../api/api";
import type { Pattern } from "../../api/types";
import { useOverlay } from "../editor/stage/overlays";
import { edit } from "../store/edits";
import { useCourse } from "../store/store";
import { sayDone } from "../../kit/toaster";
import { t } from "../../words/does";

type Body = paths["/api/edits/pattern"]["post"]["requestBody"]["content"]["application/json"];
export type ReadyPattern = Body["what"];

interface MadeNotes { notes: readonly string[]; wasShown: boolean }

/** By pattern, how it was made of an odd selection; only of those made since the page was opened. */
export const useMadeNotes = create<Record<string, MadeNotes | undefined>>(() => ({}));

/** Make a pattern of what is selected, or a ready one of `count` parts where nothing is. */
export async function makePattern(what: ReadyPattern, count: number | null = null): Promise<void> {
  const { overlay } = useOverlay.getState();
  const made = await edit({
    label: t("makePattern"),
    ask: ({ slide, course, selected: elements }) => (
      take(api.POST("/api/edits/pattern", { body: { slide, course, what, elements: count ? [] : elements, overlay, count } }))),
    then: ({ selected }) => ({ select: selected.slice(0, 1) }),
  });
  if (made?.notes.length) useMadeNotes.setState({ [made.made]: { notes: made.notes, wasShown: false } });
}

/** Make a slide for each path that leads nowhere yet; from there Next leads back here. */
export async function makePathSlides(pattern: string): Promise<void> {
  const before = useCourse.getState().course.slides.length;
  const made = await edit({
    label: t("makeSlidesForPaths"),
    ask: ({ slide, course }) => take(api.POST("/api/edits/paths", { body: { slide, course, pattern } })),
  });
  if (made) sayDone(t("slidesWereMadeForPaths", { count: useCourse.getState().course.slides.length - before }));
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
