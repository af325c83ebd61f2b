/** What a run tells a cmi5 LMS: statements, without who says them, when, and in which session. The twin of `tracking/cmi5.py`. */
import type { Effect } from "../../api/events";
import type { Grader } from "../../api/types";
import { goneThrough } from "../engine/completion";
import type { Index } from "../engine/program";
import * as results from "../engine/results";
import type { State } from "../engine/state";
import { interactionDefinition, record2004 } from "./records2004";
import { interval } from "./scorm2004";
import type { Answered } from "./scormVersion";

export const VERB = "http://adlnet.gov/expapi/verbs/";
const CMI5 = "https://w3id.org/xapi/cmi5/context/categories/cmi5";
const MOVE_ON = "https://w3id.org/xapi/cmi5/context/categories/moveon";

type Fields = Record<string, unknown>;

export interface Said {
  verb: { id: string; display: Record<string, string> };
  object: Fields;
  result?: Fields;
  context: { contextActivities: Record<string, Fields[]> } & Fields;
}

/** Return what has come of an event: the answers, then what is said once in a registration and was not told before. */
export function statements(
  index: Index, state: State, effects: readonly Effect[], told: readonly string[], activity: string, duration: number,
): Said[] {
  const found = effects.flatMap((effect) => (effect.effect === "answered" ? answered(index, effect, activity) : []));
  if (goneThrough(index, state) && !told.includes("completed")) {
    found.push(once("completed", activity, { completion: true, duration: interval(duration) }));
  }
  const judged = index.program.completion.passing || state.marked !== "";
  if (judged && state.success !== "unknown" && !told.includes("passed") && !told.includes(state.success)) {
    const reached = results.score(index, state);
    const score = reached === null ? {} : { score: { scaled: rounded(reached / 100), raw: reached, min: 0, max: 100 } };
    found.push(once(state.success, activity, { success: state.success === "passed", ...score, duration: interval(duration) }));
  }
  return found;
}

/** A statement that cmi5 defines: *initialized*, *terminated*. */
export function defined(verb: string, activity: string, result?: Fields): Said {
  return {
    verb: verbOf(verb), object: { objectType: "Activity", id: activity }, ...(result ? { result } : {}),
    context: { contextActivities: { category: [{ id: CMI5 }] } },
  };
}

function once(verb: string, activity: string, result: Fields): Said {
  const said = defined(verb, activity, result);
  said.context.contextActivities.category?.push({ id: MOVE_ON });
  return said;
}

function answered(index: Index, effect: Answered, activity: string): Said[] {
  const grader = index.questions.get(effect.question);
  if (!grader) return [];
  const { response } = record2004(grader, effect.given);
  return [{
    verb: verbOf("answered"),
    object: {
      objectType: "Activity", id: `${activity}/questions/${grader.record}`, definition: interactionDefinition(grader, index.program.language),
    },
    result: {
      duration: interval(effect.latency), ...(response ? { response } : {}), ...(effect.result === "neutral" ? {} : { success: effect.result === "right" }),
      ...(grader.purpose === "scored" && grader.points ? { score: scoreOf(grader, effect.points) } : {}),
    },
    context: { contextActivities: { parent: [{ id: activity }] } },
  }];
}

function scoreOf({ points: most }: Grader, points: number): Fields {
  return { scaled: rounded(Math.max(-1, Math.min(points / most, 1))), raw: points, max: Math.max(most, points) };
}

const rounded = (share: number): number => Math.floor(share * 10_000 + 0.5) / 10_000;

const verbOf = (name: string): Said["verb"] => ({ id: VERB + name, display: { en: name } });
