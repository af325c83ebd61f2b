/** Which of several runs of one learner counts, as the course has it. */
import type { Program } from "../../api/types";

/** What an LMS holds of a learner: how it stands, in the words of SCORM 1.2, and the score where there is one. */
export interface Held { readonly status: string; readonly score: number | null }

type Counts = Program["completion"]["counts"];

const RANK: Readonly<Record<string, number>> = {
  "not attempted": 0, browsed: 1, incomplete: 2, failed: 3, completed: 4, passed: 5,
};
/** The statuses with which a run is over. */
export const DECIDED: ReadonlySet<string> = new Set(["passed", "failed", "completed"]);

/**
 * Return what the LMS is to hold. `before` is what it held when this visit began, `now` what the run has
 * come to; `retake` tells that an earlier run of the learner came before this one. Status and score are
 * always of runs that count: a pass is not overwritten by a worse run, unless the last one is to count.
 */
export function counting(counts: Counts, retake: boolean, before: Held, now: Held): Held {
  const decided = DECIDED.has(before.status);
  if (!decided) return { ...now, status: higher(before.status, now.status) };
  if (retake && counts === "first") return before;
  if (retake && counts === "last") return DECIDED.has(now.status) ? now : before;
  return { status: higher(before.status, now.status), score: counts === "best" ? best(before.score, now.score) : now.score };
}

/** The status that is further on: an LMS may have lost the progress, but not what was achieved. */
function higher(a: string, b: string): string {
  return (RANK[b] ?? 0) < (RANK[a] ?? 0) ? a : b;
}

function best(a: number | null, b: number | null): number | null {
  return a === null || b === null ? a ?? b : Math.max(a, b);
}
