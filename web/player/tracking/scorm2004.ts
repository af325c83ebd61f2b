/** What a run tells a SCORM 2004 LMS. The twin of `zigzag_core/tracking/scorm2004.py`. */
import { goneThrough, measure } from "../engine/completion";
import { objectives, objectivesOf, type Objective } from "../engine/objectives";
import type { Index } from "../engine/program";
import * as results from "../engine/results";
import type { State } from "../engine/state";
import { cut, decimal } from "./records12";
import { record2004, SHORT } from "./records2004";
import { counting } from "./runs";
import { shareOf } from "./scorm12";
import { numberIn, type Answered, type Before, type Call, type Get, type ScormVersion } from "./scormVersion";

const RESULTS = { right: "correct", wrong: "incorrect", neutral: "neutral", partly: "neutral" } as const;

/** By the word for both in SCORM 1.2: completion, and success. */
const OF_OBJECTIVE: Readonly<Record<string, readonly [string, string]>> = {
  passed: ["completed", "passed"], failed: ["completed", "failed"], completed: ["completed", "unknown"],
  incomplete: ["incomplete", "unknown"], "not attempted": ["not attempted", "unknown"],
};
/** No number of answers or objectives is higher, whatever an LMS says. */
const MOST = 10_000;

/** Return the calls that tell where the learner stands; `held` are the objectives that the LMS has already. */
export function statusCalls(index: Index, state: State, held: readonly string[] = []): Call[] {
  const judged = index.program.completion.passing || state.marked !== "";
  const calls: Call[] = [
    ["cmi.completion_status", goneThrough(index, state) ? "completed" : "incomplete"],
    ["cmi.success_status", judged ? state.success : "unknown"],
    ["cmi.progress_measure", decimal(measure(index, state))],
  ];
  const reached = results.score(index, state);
  if (reached !== null && results.attempted(index, state)) calls.push(...score("cmi.", reached));
  return [...calls, ["cmi.location", state.slide ?? ""], ...objectiveCalls(objectives(index, state), held)];
}

function score(at: string, percent: number): Call[] {
  return [
    [`${at}score.scaled`, (percent / 100).toFixed(4).replace(/\.?0+$/, "")],
    [`${at}score.min`, "0"], [`${at}score.max`, "100"], [`${at}score.raw`, decimal(percent)],
  ];
}

function objectiveCalls(stand: readonly Objective[], held: readonly string[]): Call[] {
  const names = [...held, ...stand.flatMap(({ record }) => (held.includes(record) ? [] : [record]))];
  return stand.flatMap(({ record, status, score: reached }): Call[] => {
    const at = `cmi.objectives.${names.indexOf(record)}.`;
    const [completed, success] = OF_OBJECTIVE[status] ?? ["unknown", "unknown"];
    return [
      ...(held.includes(record) ? [] : [[`${at}id`, record] as const]), ...(reached === null ? [] : score(at, reached)),
      [`${at}completion_status`, completed], [`${at}success_status`, success],
    ];
  });
}

/** One list of calls for the interaction `number`; `moment` is when, as `YYYY-MM-DDThh:mm:ss.ssZ`. */
export function interactionCalls(index: Index, effect: Answered, number: number, moment: string): Call[][] {
  const grader = index.questions.get(effect.question);
  if (!grader) return [];
  const answer = record2004(grader, effect.given);
  const at = `cmi.interactions.${number}.`;
  const share = effect.result === "partly" ? shareOf(grader, effect) : null;
  return [[
    [`${at}id`, grader.record], [`${at}type`, answer.type],
    ...objectivesOf(index, grader.id).map((name, n): Call => [`${at}objectives.${n}.id`, name]),
    [`${at}timestamp`, moment],
    ...answer.patterns.map((pattern, n): Call => [`${at}correct_responses.${n}.pattern`, pattern]),
    [`${at}weighting`, decimal(grader.purpose === "scored" ? grader.points : 0)],
    ...(answer.response ? [[`${at}learner_response`, answer.response] as const] : []),
    [`${at}result`, share ?? RESULTS[effect.result]], [`${at}latency`, interval(effect.latency)],
    ...(grader.prompt ? [[`${at}description`, cut(grader.prompt, SHORT)] as const] : []),
  ]];
}

/** Return a timeinterval(second,10,2): `PT1H2M3.45S`. */
export function interval(milliseconds: number): string {
  const hundredths = Math.floor(Math.max(Math.trunc(milliseconds), 0) / 10);
  const seconds = Math.floor(hundredths / 100);
  const [hours, minutes, second] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60];
  const fraction = hundredths % 100 ? `.${String(hundredths % 100).padStart(2, "0")}`.replace(/0+$/, "") : "";
  return `PT${hours ? `${hours}H` : ""}${minutes ? `${minutes}M` : ""}${second}${fraction}S`;
}

/** What is told of a run: completion once reached stays; of success and score those that count. */
function told(index: Index, state: State, before: Before): Call[] {
  const calls = statusCalls(index, state, before.objectives);
  const said = new Map(calls);
  const completed = before.completed || said.get("cmi.completion_status") === "completed";
  const now = { status: inOne(completed, said.get("cmi.success_status") ?? ""), score: numberIn(said.get("cmi.score.raw") ?? "") };
  const kept = counting(index.program.completion.counts, state.retake, before, now);
  const changed = new Map<string, string>([
    ["cmi.completion_status", completed ? "completed" : "incomplete"],
    ["cmi.success_status", kept.status === "passed" || kept.status === "failed" ? kept.status : "unknown"],
    ...(completed ? [["cmi.progress_measure", "1"] as const] : []), ...(kept.score === null ? [] : score("cmi.", kept.score)),
  ]);
  return calls.map(([element, value]): Call => [element, changed.get(element) ?? value]);
}

/** Completion and success in one word, as SCORM 1.2 has them. */
function inOne(completed: boolean, success: string): string {
  if (success === "passed" || success === "failed") return success;
  return completed ? "completed" : "incomplete";
}

function before(get: Get): Before {
  const completion = get("cmi.completion_status");
  const status = inOne(completion === "completed", get("cmi.success_status"));
  const count = Math.min(Number.parseInt(get("cmi.objectives._count"), 10) || 0, MOST);
  return {
    status: status === "incomplete" && completion !== "incomplete" ? "not attempted" : status,
    score: scaled(get("cmi.score.scaled")), completed: completion === "completed",
    objectives: Array.from({ length: count }, (_, number) => get(`cmi.objectives.${number}.id`)),
  };
}

/** A share (-1..1) in per cent. */
function scaled(text: string): number | null {
  const share = numberIn(text);
  return share === null ? null : Math.round(share * 10_000) / 100;
}

/** The moment with hundredths of a second, as the standard has it at most. */
function momentOf(now: Date): string {
  return now.toISOString().replace(/(\.\d\d)\dZ$/, "$1Z");
}

/** Source: ADL, SCORM 2004 4th Edition Run-Time Environment (2009), 3 (the API, its errors) and 4 (the data model). */
export const SCORM2004: ScormVersion = {
  object: "API_1484_11",
  methods: { initialize: "Initialize", terminate: "Terminate", get: "GetValue", set: "SetValue", commit: "Commit", lastError: "GetLastError" },
  elements: { mode: "cmi.mode", learner: "cmi.learner_id", name: "cmi.learner_name", exit: "cmi.exit", status: "cmi.completion_status" },
  forGood: new Set(["201", "351", "401", "402", "404", "405", "406", "407", "408"]),
  isOpen: "103",
  // The 3rd edition asks for no more.
  sureLength: 4_000,
  endsOnLeaving: true,
  leaving: [["adl.nav.request", "suspendAll"]],
  before,
  passMark: (get) => scaled(get("cmi.scaled_passing_score")),
  told,
  interactionCalls: (index, effect, number, now) => interactionCalls(index, effect, number, momentOf(now)),
  sessionTime: (milliseconds) => ["cmi.session_time", interval(milliseconds)],
};
