/** Answering and submitting. The twin of `engine/questions.py`, which says why. */
import { LIMITS } from "../../api/tables";
import type { Grader } from "../../api/types";
import { judge } from "./grade";
import { atHand } from "./atHand";
import type { Index } from "./program";
import { isUnjudged, same, wantedIn, type Given } from "./tally";
import { fnv1a, shuffled } from "./random";
import { without, type Run } from "./run";
import { NO_ANSWER, NOT_BEGUN, type Answer, type State } from "./state";
import { clipped, number, toText, type Value } from "./values";
import { own } from "./own";

/** Choose a part of a question, or take it back where several can be chosen. */
export function choose(run: Run, question: string, part: string): void {
  const grader = run.index.questions.get(question);
  const found = answerTo(run, question);
  if (!grader || grader.form !== "choose" || found.locked || isOver(run, question) || !grader.parts.some(({ id }) => id === part)) return;
  if (grader.at_most === 1) {
    give(run, grader, [[part, ""]]);
    return;
  }
  const chosen = new Set(found.given.map(([one]) => one));
  if (!chosen.delete(part)) chosen.add(part);
  if (isNone(grader.at_most) || chosen.size <= grader.at_most) {
    give(run, grader, grader.parts.filter(({ id }) => chosen.has(id)).map(({ id }) => [id, ""] as const));
  }
}

/** Put a value into a part of a question, as far as the question takes it. */
export function answer(run: Run, question: string, part: string, value: Value): void {
  const grader = run.index.questions.get(question);
  if (!grader || answerTo(run, question).locked || isOver(run, question) || !isWithinReach(run, grader, part)) return;
  const { given } = answerTo(run, question);
  const full = toText(value);
  const most = grader.form === "free" || grader.form === "texts" ? grader.at_most : null;
  const text = typeof most === "number" ? Array.from(full).slice(0, most).join("") : clipped(full);
  const fresh = changed(run, grader, given, part, text);
  if (grader.returns === "at_once" && grader.form === "pairs" && text && !belongs(grader, part, text)) {
    run.effects.push({ effect: "announce", text: run.index.say("goes_back") });
    if (grader.drops_count) {
      const found = answerTo(run, question);
      put(run, question, { ...found, slips: Math.min(found.slips + 1, LIMITS.most_slips) });
    }
  }
  if (fresh && !same(fresh, given)) give(run, grader, fresh);
}

function changed(run: Run, grader: Grader, given: Given, part: string, text: string): Given | null {
  switch (grader.form) {
    case "texts":
    case "free":
    case "scale": return written(grader, given, part, text);
    case "pairs": return placed(grader, given, part, text);
    case "order": return moved(orderOf(grader, run.state), part, text);
    case "spots": return marked(grader, given, part, text);
    default: return null;
  }
}

/** Judge the answer of a question, if it is open and there is enough of it that was not judged yet. */
export function submit(run: Run, question: string): void {
  const grader = run.index.questions.get(question);
  const found = answerTo(run, question);
  if (!grader || found.locked || isOver(run, question)) return;
  if (isUnjudged(grader, found.given, found.judged)) judged(run, grader, found, true);
  else run.raised("answered_nothing", question);
}

/** Judge what this slide judges when it is left; tells whether there was anything. */
export function judgeOnLeaving(run: Run): boolean {
  let any = false;
  for (const grader of run.index.onLeaving.get(run.state.slide ?? "") ?? []) {
    const found = answerTo(run, grader.id);
    if (found.locked || !isUnjudged(grader, found.given, found.judged)) continue;
    judged(run, grader, found, true);
    any = true;
  }
  return any;
}

/** The questions of this slide whose time is running. */
export function timed({ index, state }: { index: Index; state: State }): readonly Grader[] {
  if (state.paused) return [];
  return (index.timed.get(state.slide ?? "") ?? [])
    .filter((grader) => hasLimit(grader, state) && !(own(state.answers, grader.id) ?? NO_ANSWER).locked);
}

/** Whether the learner has not done away with the limit. */
export function hasLimit(grader: Grader, state: State): boolean {
  return state.more_time > 0 || !grader.extendable;
}

/** The ms that are left for a question with a time limit. */
export function timeLeft(grader: Grader, state: State): number {
  const limit = Math.floor((grader.time_limit ?? 0) * 1_000 * (grader.extendable ? state.more_time : 1));
  return Math.max(limit - (own(state.answers, grader.id) ?? NO_ANSWER).used, 0);
}

/** Count `ms` of time for the questions on the slide that have a time limit. */
export function useTime(run: Run, ms: number): void {
  if (!ms) return;
  for (const { id } of timed(run)) put(run, id, { ...answerTo(run, id), used: answerTo(run, id).used + ms });
}

/** Where the time is up, judge what there is, and lock it. */
export function expire(run: Run): void {
  for (const grader of timed(run)) {
    if (!timeLeft(grader, run.state)) judged(run, grader, answerTo(run, grader.id), false);
  }
}

/** Clear a question, or only its answer while it is open. */
export function reset(run: Run, question: string, answerOnly = false): void {
  if (isOver(run, question)) return;
  if (!answerOnly) run.update({ answers: without(run.state.answers, (name) => name === question) });
  else if (question in run.state.answers && !answerTo(run, question).locked) {
    put(run, question, { ...answerTo(run, question), given: [], slips: 0 });
  }
}

/** Judge what was answered and not judged yet, and lock all of these questions; no answer has its cost. */
export function conclude(run: Run, those: readonly Grader[]): void {
  for (const grader of those) {
    const found = answerTo(run, grader.id);
    if (found.locked) continue;
    if (isUnjudged(grader, found.given, found.judged)) judged(run, grader, found, false);
    else if (found.attempts || grader.purpose !== "scored") put(run, grader.id, { ...found, locked: true });
    else put(run, grader.id, { ...found, locked: true, points: number(-grader.unanswered) });
  }
}

/** The order in which the parts stand: as put, or as they are first seen. */
export function orderOf(grader: Grader, state: State): readonly string[] {
  const parts = grader.parts.map(({ id }) => id);
  const given = own(state.answers, grader.id)?.given ?? [];
  if (grader.form === "order" && given.length) return given.map(([part]) => part);
  if (!grader.shuffle && grader.form !== "order") return parts;
  const seed = (state.seed ^ fnv1a(grader.id)) >>> 0;
  const mixed = shuffled(parts.filter((part) => !grader.pinned.includes(part)), seed);
  const order = parts.map((part) => (grader.pinned.includes(part) ? part : mixed.shift() ?? part));
  return grader.form === "order" && order.every((part, index) => part === parts[index])
    ? [...order.slice(1), ...order.slice(0, 1)] : order;
}

function judged(run: Run, grader: Grader, found: Answer, inTime: boolean): void {
  const attempts = found.attempts + 1;
  const verdict = judge(grader, found.given, attempts, found.slips);
  const { result, row } = verdict;
  const points = number(verdict.points);
  const usedUp = !isNone(grader.attempts) && attempts >= grader.attempts;
  const locked = result === "right" || result === "neutral" || usedUp || !inTime;
  // After wrong drops that counted the next attempt begins anew.
  const anew = !locked && found.slips > 0;
  const given = anew ? [] : !locked && grader.returns === "judged"
    ? found.given.filter(([part, target]) => belongs(grader, part, target)) : found.given;
  const slips = anew ? 0 : found.slips;
  put(run, grader.id, { ...found, given, judged: given, slips, attempts, result, points, locked, since: run.state.time, row, right: verdict.tally.right, wrong: verdict.tally.wrong });
  run.effects.push({
    effect: "answered", question: grader.id, attempt: attempts, given: found.given, result, points,
    latency: run.state.time - Math.max(found.since, run.state.entered),
  });
  run.raised("judged", grader.id);
  run.raised(
    !inTime ? "time_up" : result === "right" ? "answered_right" : result === "neutral" ? "answered"
      : locked ? "answered_last" : result === "partly" ? "answered_partly" : "answered_wrong",
    grader.id,
  );
}

function written(grader: Grader, given: Given, part: string, text: string): Given | null {
  if (!grader.parts.some(({ id }) => id === part)) return null;
  const texts = new Map([...given, [part, text] as const]);
  return grader.parts.flatMap(({ id }) => (texts.get(id) ? [[id, texts.get(id) ?? ""] as const] : []));
}

function placed(grader: Grader, given: Given, part: string, target: string): Given | null {
  const item = grader.parts.find(({ id }) => id === part);
  if (!item) return null;
  const others = given.filter(([name]) => name !== part);
  if (!target) return others;
  if (target.startsWith("-")) return given.filter(([name, on]) => name !== part || on !== target.slice(1));
  const found = grader.targets.find(({ id }) => id === target);
  if (!found || given.some(([name, on]) => name === part && on === target)) return null;
  if (found.only.length && !found.only.includes(part)) return null;
  if (grader.returns === "at_once" && !belongs(grader, part, target)) return item.endless ? given : others;
  let kept: Given = item.endless ? given : others;
  const there = kept.filter(([, on]) => on === target);
  if (!isNone(found.takes) && there.length >= found.takes) {
    if (found.takes > 1) return null;
    kept = kept.filter(([, on]) => on !== target);
  }
  return [...kept, [part, target]];
}

function belongs({ parts }: Grader, part: string, target: string): boolean {
  return parts.some(({ id, right }) => id === part && right.includes(target));
}

function moved(order: readonly string[], part: string, position: string): Given | null {
  if (!order.includes(part) || !/^[0-9]{1,3}$/.test(position)) return null;
  const rest = order.filter((other) => other !== part);
  rest.splice(Math.min(Number(position), rest.length), 0, part);
  return rest.map((other) => [other, ""] as const);
}

function marked(grader: Grader, given: Given, part: string, where: string): Given | null {
  if (where.startsWith("-")) {
    // What was spent, or found at once, stays.
    if (grader.clicks_spent || (grader.found_at_once && wantedIn(grader).has(part))) return null;
    return given.filter(([name, at]) => name !== part || at !== where.slice(1));
  }
  if (!where || (part !== grader.id && given.some(([name]) => name === part))) return null;
  const known = part === grader.id || grader.parts.some(({ id }) => id === part);
  return known && given.length < (isNone(grader.at_most) ? LIMITS.most_marks : grader.at_most) ? [...given, [part, where]] : null;
}

function isWithinReach(run: Run, grader: Grader, part: string): boolean {
  const found = grader.parts.find(({ id }) => id === part);
  if (!found?.element) return run.state.slide === grader.slide;
  return [found.element, ...found.also].some((element) => atHand(run, element, false));
}

function give(run: Run, grader: Grader, given: Given): void {
  put(run, grader.id, { ...answerTo(run, grader.id), given });
  if (grader.at_once && isWhole(grader, given)) submit(run, grader.id);
}

function isWhole(grader: Grader, given: Given): boolean {
  const wanted = wantedIn(grader);
  switch (grader.form) {
    case "choose": return given.length >= (grader.at_most || wanted.size);
    case "spots": {
      const places = new Set(given.map(([part]) => part));
      if (grader.found_at_once && [...wanted].every((part) => places.has(part))) return true;
      return given.length >= (grader.at_most || (grader.found_at_once ? LIMITS.most_marks : wanted.size));
    }
    case "pairs": return new Set(given.map(([part]) => part)).size >= wanted.size;
    default: return given.length >= grader.parts.length;
  }
}

function isNone<T>(value: T | null | undefined): value is null | undefined {
  return value === null || value === undefined;
}

/** Whether the quiz that asks this is finished. */
function isOver({ index, state }: Run, question: string): boolean {
  const quiz = index.quizOf.get(index.questions.get(question)?.slide ?? "");
  return quiz !== undefined && (own(state.taking, quiz.id) ?? NOT_BEGUN).finished;
}

function answerTo(run: Run, question: string): Answer {
  return own(run.state.answers, question) ?? NO_ANSWER;
}

function put(run: Run, question: string, found: Answer): void {
  run.update({ answers: { ...run.state.answers, [question]: found } });
}
