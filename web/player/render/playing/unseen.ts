/** What of a video or audio has not been played yet, and in which chapter a moment is. */
import type { Chapter } from "../../../api/types";
import { own } from "../../engine/own";
import { lengthOf } from "../../engine/pieces";
import type { Index } from "../../engine/program";
import type { State } from "../../engine/state";
import { clockWords } from "../clockWords";
import { shownOf, type Stretch } from "./pieces";

/** What is shorter (ms) is not told: nobody could tell it from its neighbours. */
const SHORTEST = 250;

/** The stretches (ms) that are missing until `share` of `duration` was played; none when enough was. */
export function unseen(watched: readonly Stretch[], duration: number, share = 1): Stretch[] {
  const played = watched.reduce((sum, [since, until]) => sum + Math.min(until, duration) - Math.min(since, duration), 0);
  if (!duration || played / duration >= share) return [];
  const found: Stretch[] = [];
  let at = 0;
  for (const [since, until] of watched) {
    if (since - at >= SHORTEST) found.push([at, since]);
    at = Math.max(at, until);
  }
  if (duration - at >= SHORTEST) found.push([at, duration]);
  return found;
}

/** What the gate of the slide that is shown still wants of an element, as learners see it; none where it asks for nothing. */
export function wantedOf(index: Index, state: State, element: string): Stretch[] {
  const { gate } = index.slides.get(state.slide ?? "") ?? {};
  const asked = gate?.watched.find((one) => one.element === element);
  if (!asked || state.opened.has(state.slide ?? "")) return [];
  const pieces = index.piecesOf(element);
  return unseen(shownOf(pieces, own(state.watched, element) ?? []), lengthOf(pieces), asked.share);
}

/** A stretch in words: whole seconds that hold all of it. */
export function stretchWords({ say }: Index, [since, until]: Stretch): string {
  return say("stretch", { from: clockWords(Math.floor(since / 1000)), until: clockWords(Math.ceil(until / 1000)) });
}

/** The place in `chapters` of the one that is played at `ms`; -1 before the first. */
export function chapterAt(chapters: readonly Chapter[], ms: number): number {
  return chapters.findLastIndex(({ since }) => since <= ms);
}

/** When a chapter ends (ms). */
export function endOf(chapters: readonly Chapter[], place: number, duration: number): number {
  return chapters[place + 1]?.since ?? duration;
}
