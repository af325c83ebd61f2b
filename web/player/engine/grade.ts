/** Judging a response. The twin of `grading/grade.py`, which says why. */
import type { Grader } from "../../api/types";
import { isComplete, measure, type Given, type Tally } from "./tally";
import type { Result } from "./state";
import type { Say } from "./words";

export interface Judgement { result: Result; points: number; row: number; tally: Tally }

/** Return the result and the points of an answer at attempt number `attempt` (from 1), after so many wrong drops. */
export function judge(grader: Grader, given: Given, attempt: number, slips = 0): Judgement {
  const row = rowTaken(grader, given);
  const counted = measure(grader, given);
  const tally = { ...counted, wrong: counted.wrong + slips };
  if (grader.purpose === "survey" || !isJudged(grader)) return { result: "neutral", points: 0, row, tally };
  const result = isComplete(tally) ? "right" : tally.right && tally.of > 1 ? "partly" : "wrong";
  let earned = grader.rows[row - 1]?.points ?? points(grader, tally, given);
  if (earned > 0) earned *= attemptShare(grader, attempt);
  return { result, points: Math.max(grader.floor, Math.min(earned, grader.points)), row, tally };
}

/** The share (0..1) of the points that an answer gives at its attempt (from 1). */
function attemptShare({ attempt_points: set, attempt_loss: loss, points: full }: Grader, attempt: number): number {
  const most = attempt > 1 ? set[Math.min(attempt - 2, set.length - 1)] : undefined;
  if (most !== undefined) return full ? Math.min(most / full, 1) : 0;
  return Math.max(0, 1 - loss * (attempt - 1));
}

/** The number (from 1) of the first row of the answer table that holds; 0 for none. */
function rowTaken({ rows, parts, form }: Grader, given: Given): number {
  if (!rows.length) return 0;
  const inside = new Map(given);
  const plain = form === "choose" || form === "spots";
  const signs = parts.map(({ id }) => (inside.has(id) && (plain || inside.get(id)) ? "y" : "n"));
  const count = signs.filter((sign) => sign === "y").length;
  return rows.findIndex(({ asks, within, at_least }) => (
    count >= at_least && signs.every((sign, index) => [".", sign, undefined].includes(asks[index]))
    && within.every(([part, value, same]) => ((inside.get(part) ?? "") === value) === same)
  )) + 1;
}

/** Whether a question counts towards the points that can be reached; an open answer has none until it is marked. */
export function givesPoints(grader: Grader): boolean {
  return grader.purpose === "scored" && grader.points > 0 && isJudged(grader);
}

/** What a question adds to the points that can be reached. */
export function mostOf(grader: Grader): number {
  return givesPoints(grader) ? grader.most ?? grader.points : 0;
}

/** Return whether anything can be right in it. */
export function isJudged({ form, parts }: Grader): boolean {
  return form !== "free" && form !== "scale"
    && parts.some(({ right, accepts }) => right.length > 0 || Boolean(accepts) || form === "order");
}

function points(grader: Grader, tally: Tally, given: Given): number {
  if (grader.partial === "per_answer") {
    const counted = grader.form === "choose" || grader.form === "spots" ? new Set(given.map(([part]) => part)) : tally.parts;
    return grader.parts.reduce((sum, part) => (counted.has(part.id) ? sum + part.points : sum), 0);
  }
  if (isComplete(tally)) return grader.points;
  let share = 0;
  if (tally.of && grader.partial === "right_parts") share = tally.right / Math.max(tally.of, tally.right + tally.wrong);
  else if (tally.of && grader.partial === "right_minus_wrong") share = (tally.right - tally.wrong) / tally.of;
  return grader.points * share - (share <= 0 ? grader.penalty : 0);
}

/** How it was judged, in words: `3 of 4 right, 1 wrong: 2 of 4 points`. */
export function verdict(
  grader: Grader, result: Result | null, earned: number, tally: Counted, attempt: number, say: Say,
): string {
  if (result === null || result === "neutral") return say("not_judged");
  const counts = counted(result, tally, say);
  if (grader.purpose !== "scored") return counts;
  if (earned < 0) return say(earned === -1 ? "taken_away_one" : "taken_away", { words: counts, points: hundredths(-earned) });
  const words = say(grader.points === 1 ? "earned_of_one" : "earned", {
    words: counts, points: hundredths(earned), full: hundredths(grader.points),
  });
  const share = attemptShare(grader, attempt);
  if (share === 1 || tally.right === 0) return words;
  return say("attempt_gives", { words, attempt, percent: hundredths(share * 100) });
}

type Counted = Pick<Tally, "right" | "wrong" | "of">;

/** How much was right and wrong, in words. */
function counted(result: Result, { right, wrong, of }: Counted, say: Say): string {
  if (of === 1 && right + wrong <= 1) return say(result === "right" ? "right" : "not_right");
  return say(wrong ? "right_and_wrong" : "right_of", { right, of, wrong });
}

function hundredths(value: number): string {
  const text = (Math.floor(value * 100 + 0.5) / 100).toFixed(2).replace(/\.?0+$/, "");
  return text === "-0" ? "0" : text;
}
