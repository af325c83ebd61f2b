/** Which of several runs of one learner an LMS is to hold. */
import { expect, test } from "vitest";
import { counting, type Held } from "../player/tracking/runs";

const at = (status: string, score: number | null = null): Held => ({ status, score });

test.each([
  // Before anything is decided, the run itself is told.
  ["best", false, at("not attempted"), at("incomplete", 20), at("incomplete", 20)],
  ["first", true, at("incomplete", 50), at("incomplete", 20), at("incomplete", 20)],
  // The best: each of status and score as good as it ever was.
  ["best", true, at("passed", 90), at("failed", 40), at("passed", 90)],
  ["best", true, at("failed", 40), at("incomplete", 10), at("failed", 40)],
  ["best", true, at("failed", 40), at("passed", 95), at("passed", 95)],
  ["best", true, at("completed", null), at("completed", 30), at("completed", 30)],
  // The first stays, whatever comes; its own run goes on.
  ["first", true, at("failed", 40), at("passed", 95), at("failed", 40)],
  ["first", false, at("passed", 80), at("passed", 95), at("passed", 95)],
  // The last takes its place when it has come to a result.
  ["last", true, at("passed", 90), at("incomplete", 10), at("passed", 90)],
  ["last", true, at("passed", 90), at("failed", 40), at("failed", 40)],
  ["last", false, at("passed", 80), at("passed", 95), at("passed", 95)],
] as const)("%s counts, retake %s: %o then %o", (counts, retake, before, now, kept) => {
  expect(counting(counts, retake, before, now)).toEqual(kept);
});
