/** Whether typed words or numbers are accepted. The twin of `grading/accepted.py`, which says why. */
import type { Accepts } from "../../api/types";
import { length } from "./values";

const SPACE = /[ \t\n\r\f\v\u00a0\u2000-\u200a\u202f\u205f\u3000]+/g;
const NUMBER = /^[+-]?([0-9]{1,16}([.,][0-9]{0,20})?|[.,][0-9]{1,20})(e[+-]?[0-9]{1,2})?$/;

/** Return whether the text `given` is one of those that count as right. */
export function accepted(accepts: Accepts, given: string): boolean {
  if (accepts.ranges.length) {
    const number = numberIn(given, accepts.units);
    if (number !== null && accepts.ranges.some(({ low, high }) => low <= number && number <= high)) return true;
  }
  const plainGiven = plainer(accepts, given);
  if (!plainGiven) return false;
  return accepts.words.some((words) => {
    const wanted = plainer(accepts, words);
    if (plainGiven === wanted) return true;
    const slips = accepts.typos ? slipsAllowed(length(wanted)) : 0;
    return slips > 0 && distance([...plainGiven], [...wanted], slips) <= slips;
  });
}

/** Return the number that `text` says, with one of `units` or none behind it; null where it says none. */
export function numberIn(text: string, units: readonly string[]): number | null {
  let tight = text.replace(SPACE, "").toLowerCase();
  const suffixes = units.map((unit) => unit.replace(SPACE, "").toLowerCase()).sort((a, b) => length(b) - length(a));
  const unit = suffixes.find((suffix) => suffix && tight.endsWith(suffix));
  if (unit) tight = tight.slice(0, -unit.length);
  tight = tight.replaceAll("\u2212", "-");
  return NUMBER.test(tight) ? Number(tight.replace(",", ".")) : null;
}

function plainer(accepts: Accepts, text: string): string {
  let words = text.normalize("NFC");
  if (accepts.any_accents) words = words.normalize("NFD").replace(/\p{Mn}/gu, "").normalize("NFC");
  if (accepts.any_case) words = words.toLowerCase();
  if (accepts.any_punctuation) words = words.replace(/\p{P}/gu, "");
  return words.replace(SPACE, accepts.any_spaces ? "" : " ").replace(/^ +| +$/g, "");
}

function slipsAllowed(letters: number): number {
  return letters < 4 ? 0 : letters < 8 ? 1 : 2;
}

/** Slips from `a` to `b`, at most `most` + 1 (optimal string alignment). */
function distance(a: readonly string[], b: readonly string[], most: number): number {
  if (Math.abs(a.length - b.length) > most) return most + 1;
  let before: number[] = [];
  let last = Array.from({ length: b.length + 1 }, (_, n) => n);
  a.forEach((x, i) => {
    const now = [i + 1];
    b.forEach((y, j) => {
      let best = Math.min((last[j + 1] ?? 0) + 1, (now[j] ?? 0) + 1, (last[j] ?? 0) + Number(x !== y));
      if (i > 0 && j > 0 && x === b[j - 1] && a[i - 1] === y) best = Math.min(best, (before[j - 1] ?? 0) + 1);
      now.push(best);
    });
    before = last;
    last = now;
  });
  return Math.min(last.at(-1) ?? 0, most + 1);
}
