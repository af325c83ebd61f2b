/** What a run tells a SCORM 1.2 LMS. The twin of `zigzag_core/tracking/scorm12.py`. */
import type { Grader } from "../../api/types";
import type { Index } from "../engine/program";
import { objectives, objectivesOf } from "../engine/objectives";
import * as results from "../engine/results";
import type { State } from "../engine/state";
import { decimal, record } from "./records12";
import { counting } from "./runs";
import { numberIn, type Answered, type Before, type Call, type ScormVersion } from "./scormVersion";

const RESULTS = { right: "correct", wrong: "wrong", neutral: "neutral" } as const;

function lessonStatus(index: Index, state: State): string {
  if (!index.program.completion.passing && !state.marked) return state.completed ? "completed" : "incomplete";
  if (state.completed && state.success === "passed") return "passed";
  return state.success === "failed" ? "failed" : "incomplete";
}

/** Return the calls that tell status and score of a state, and where the learner is. */
export function statusCalls(index: Index, state: State): Call[] {
  const calls: Call[] = [["cmi.core.lesson_status", lessonStatus(index, state)]];
  const reached = results.score(index, state);
  if (reached !== null && results.attempted(index, state)) {
    calls.push(
      ["cmi.core.score.min", "0"], ["cmi.core.score.max", "100"],
      ["cmi.core.score.raw", decimal(reached)],
    );
  }
  calls.push(["cmi.core.lesson_location", state.slide ?? ""], ...objectiveCalls(index, state));
  return calls;
}

/** How each quiz and each dialogue stands. */
function objectiveCalls(index: Index, state: State): Call[] {
  return objectives(index, state).flatMap(({ record, status, score }, number): Call[] => {
    const at = `cmi.objectives.${number}.`;
    return [
      [`${at}id`, record],
      ...(score === null ? [] : [[`${at}score.min`, "0"], [`${at}score.max`, "100"], [`${at}score.raw`, decimal(score)]] as Call[]),
      [`${at}status`, status],
    ];
  });
}

/** One list of calls per interaction from `number` on; `clock` is the time of day as `HH:MM:SS`. */
export function interactionCalls(
  index: Index, effect: Answered, number: number, clock: string,
): Call[][] {
  const grader = index.questions.get(effect.question);
  if (!grader) return [];
  const answer = record(grader, effect.given);
  const of = objectivesOf(index, grader.id);
  const weight = decimal(grader.purpose === "scored" ? grader.points : 0);
  return [answer.response, ...(answer.more ?? [])].map((response, position) => {
    const at = `cmi.interactions.${number + position}.`;
    const patterns = position ? [] : answer.patterns;
    return [
      [`${at}id`, position ? `${grader.record}.${position + 1}` : grader.record],
      ...of.map((name, n): Call => [`${at}objectives.${n}.id`, name]),
      [`${at}type`, answer.type], [`${at}time`, clock],
      ...patterns.map((pattern, n): Call => [`${at}correct_responses.${n}.pattern`, pattern]),
      [`${at}weighting`, position ? "0" : weight], [`${at}student_response`, response],
      [`${at}result`, resultOf(grader, effect)], [`${at}latency`, timespan(effect.latency)],
    ];
  });
}

function resultOf(grader: Grader, effect: Answered): string {
  return effect.result === "partly" ? shareOf(grader, effect) ?? "neutral" : RESULTS[effect.result];
}

/** What is partly right is told as the share of its points, null where there are none. */
export function shareOf({ purpose, points: most }: Grader, { points }: Answered): string | null {
  if (purpose !== "scored" || !most) return null;
  return decimal(Math.floor(Math.max(points / most, 0) * 100 + 0.5) / 100);
}

/** Return a CMITimespan `HHHH:MM:SS.SS`; above 9999:59:59.99 it stays there. */
export function timespan(milliseconds: number): string {
  const hundredths = Math.min(Math.floor(Math.max(Math.trunc(milliseconds), 0) / 10), 3_599_999_999);
  const seconds = Math.floor(hundredths / 100);
  const pad = (value: number, width: number): string => String(value).padStart(width, "0");
  const hours = pad(Math.floor(seconds / 3600), 4);
  return `${hours}:${pad(Math.floor(seconds / 60) % 60, 2)}:${pad(seconds % 60, 2)}.${pad(hundredths % 100, 2)}`;
}

/** What is told of a run: of status and score those that count. */
function told(index: Index, state: State, before: Before): Call[] {
  const calls = statusCalls(index, state);
  const said = new Map(calls);
  const score = said.get("cmi.core.score.raw");
  const now = { status: said.get("cmi.core.lesson_status") ?? "", score: score === undefined ? null : Number(score) };
  const kept = counting(index.program.completion.counts, state.retake, before, now);
  return calls.map(([element, value]): Call => {
    if (element === "cmi.core.lesson_status") return [element, kept.status];
    return element === "cmi.core.score.raw" && kept.score !== null ? [element, decimal(kept.score)] : [element, value];
  });
}

function clock(now: Date): string {
  return [now.getHours(), now.getMinutes(), now.getSeconds()].map((part) => String(part).padStart(2, "0")).join(":");
}

/** Source: ADL, SCORM 1.2 Run-Time Environment (2001), 3.3 (the API, its errors) and 3.4 (the data model). */
export const SCORM12: ScormVersion = {
  object: "API",
  methods: {
    initialize: "LMSInitialize", terminate: "LMSFinish", get: "LMSGetValue", set: "LMSSetValue", commit: "LMSCommit", lastError: "LMSGetLastError",
  },
  elements: {
    mode: "cmi.core.lesson_mode", learner: "cmi.core.student_id", name: "cmi.core.student_name", exit: "cmi.core.exit", status: "cmi.core.lesson_status",
  },
  forGood: new Set(["201", "202", "203", "401", "402", "403", "404", "405"]),
  isOpen: "101",
  sureLength: 4_096,
  endsOnLeaving: false,
  leaving: [],
  before: (get) => ({
    status: get("cmi.core.lesson_status") || "not attempted", score: numberIn(get("cmi.core.score.raw")), completed: false, objectives: [],
  }),
  passMark: (get) => numberIn(get("cmi.student_data.mastery_score")),
  told,
  interactionCalls: (index, effect, number, now) => interactionCalls(index, effect, number, clock(now)),
  sessionTime: (milliseconds) => ["cmi.core.session_time", timespan(milliseconds)],
};
