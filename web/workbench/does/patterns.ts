/** Making patterns, and what takes part in them. */
import { api, take } from "../../api/client";
import type { paths } from "../../api/api";
import type { Pattern } from "../../api/types";
import { useOverlay } from "../editor/stage/overlays";
import { edit } from "../store/edits";

type Body = paths["/api/edits/pattern"]["post"]["requestBody"]["content"]["application/json"];
export type ReadyPattern = Body["what"];

/** Make a pattern of what is selected, or a ready one where nothing is. */
export async function makePattern(what: ReadyPattern): Promise<void> {
  const { overlay } = useOverlay.getState();
  await edit({
    label: "Make pattern",
    ask: ({ slide, course, selected: elements }) => (
      take(api.POST("/api/edits/pattern", { body: { slide, course, what, elements, overlay } }))),
    then: ({ selected }) => ({ select: selected.slice(0, 1) }),
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
