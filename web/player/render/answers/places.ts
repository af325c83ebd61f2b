/** Places to click, in words: what was found, and what is left. */
import type { Grader } from "../../../api/types";
import type { Say } from "../../engine/words";
import { wantedIn, type Given } from "../../engine/tally";

/** Whether a part is one of the places to be found. */
export const isRight = (grader: Grader, part: string): boolean => wantedIn(grader).has(part);

/** How many were found, where that shows at once, and how many clicks are left; else nothing. */
export function standing(grader: Grader, given: Given, say: Say): string {
  const wanted = wantedIn(grader);
  const of = Math.min(grader.needed || wanted.size, wanted.size);
  const found = new Set(given.flatMap(([part]) => (wanted.has(part) ? [part] : []))).size;
  return [
    ...(grader.found_at_once ? [say("found_of", { found: Math.min(found, of), of })] : []),
    ...(typeof grader.at_most === "number" ? [left(grader.at_most - given.length, say)] : []),
  ].join(" · ");
}

const left = (count: number, say: Say): string => (
  say(count === 0 ? "no_clicks_left" : count === 1 ? "one_click_left" : "clicks_left", { count })
);
