/** Places to click, in words: what was found, and what is left. */
import type { Grader } from "../../../api/types";
import { wantedIn, type Given } from "../../engine/tally";

/** Whether a part is one of the places to be found. */
export const isRight = (grader: Grader, part: string): boolean => wantedIn(grader).has(part);

/** How many were found, where that shows at once, and how many clicks are left; else nothing. */
export function standing(grader: Grader, given: Given): string {
  const wanted = wantedIn(grader);
  const of = Math.min(grader.needed || wanted.size, wanted.size);
  const found = new Set(given.flatMap(([part]) => (wanted.has(part) ? [part] : []))).size;
  return [
    ...(grader.found_at_once ? [`${Math.min(found, of)} of ${of} found`] : []),
    ...(typeof grader.at_most === "number" ? [left(grader.at_most - given.length)] : []),
  ].join(" · ");
}

const left = (count: number): string => (count === 0 ? "No clicks left" : count === 1 ? "1 click left" : `${count} clicks left`);
