/** Why a slide cannot be gone to yet, in a word or two. */
import { gateIsOpen } from "../engine/engine";
import type { Index } from "../engine/program";
import { admitted } from "../engine/quizWays";
import type { State } from "../engine/state";

/** Why the menu, or the overview of a quiz, does not lead to `slide`. */
export function whyClosed(index: Index, state: State, slide: string): string {
  if (admitted(index, state, slide) !== slide) return index.say("not_again");
  if (state.slide && !gateIsOpen(index, state, state.slide)) return index.say("opens_when_done");
  return index.say(index.program.navigation.order === "seen" ? "opens_once_seen" : "opens_later");
}
