/** What expressions give, and what is shown and open. The twin of `engine/expression.py`. */
import type { ABOUT_QUESTIONS, LIVE_VALUES, OPERATORS } from "../../api/tables";
import { GIVEN, LIMITS, OF_QUIZ } from "../../api/tables";
import type { Grader } from "../../api/types";
import type { Index } from "./program";
import { verdict } from "./grade";
import { isReady, isUnjudged, measure } from "./tally";
import { OVER_NUMBERS, OVER_VALUES } from "./operators";
import * as quiz from "./quizResults";
import * as results from "./results";
import { NO_ANSWER, type Answer, type State } from "./state";
import { number, toNumber, toYesNo, type Value } from "./values";
import { own } from "./own";
import { lengthOf } from "./pieces";

/** A leaf, or an operator and its arguments; the core has checked its shape. */
type Expression = Value | Node;
interface Node extends ReadonlyArray<Expression> { readonly 0: string }

type Operator = keyof typeof OPERATORS | typeof GIVEN;
type Evaluator = (index: Index, state: State, parts: readonly Expression[], depth: number) => Value;

/** Return the value of an expression; what a name that there is not would give is 0 or no. */
export function evaluate(index: Index, state: State, raw: unknown, depth = 0): Value {
  const node = raw as Expression;
  if (typeof node === "boolean" || typeof node === "string") return node;
  if (typeof node === "number") return number(node);
  return EVALUATORS.get(node[0])?.(index, state, node.slice(1), depth) ?? 0;
}

type LiveValue = (typeof LIVE_VALUES)[number];

const LIVE: Readonly<Record<Exclude<LiveValue, quiz.OfQuiz>, (index: Index, state: State) => Value>> = {
  points: (index, state) => number(results.points(index, state)),
  max_points: (index, { draws }) => number(index.ordered(draws).maxPoints),
  score: (index, state) => number(results.score(index, state) ?? 0),
  slides_seen: (_, state) => state.visited.length,
  slides: (index, { draws }) => index.ordered(draws).slides.length,
  slide_number: (index, { draws, slide }) => (index.ordered(draws).position.get(slide ?? "") ?? -1) + 1,
  slide_title: (index, state) => index.slides.get(state.slide ?? "")?.title ?? "",
  minutes: (_, state) => Math.floor(state.time / 60_000),
  seconds: (_, state) => Math.floor(state.time / 1_000),
  learner_name: (_, state) => state.learner,
  result: (_, state) => (state.success === "unknown" ? "open" : state.success),
  answered: (index, state) =>
    Object.entries(state.answers).filter(([name, { locked }]) => locked && index.questions.has(name)).length,
  questions: (index, { draws }) => index.ordered(draws).questions,
  question_number: (index, { draws, slide }) => index.ordered(draws).numbers(slide ?? "")[0],
  question_count: (index, { draws, slide }) => index.ordered(draws).numbers(slide ?? "")[1],
};

/** Return a value that the course itself keeps, or the score of a set or tag; names that there are not give 0. */
export function live(index: Index, state: State, name: string): Value {
  if (quiz.isOfQuiz(name)) return quiz.fact(index, state, name, index.quizFor(state.slide ?? ""));
  return own(LIVE, name)?.(index, state) ?? quiz.ofPart(index, state, name) ?? 0;
}

type AboutQuestion = (typeof ABOUT_QUESTIONS)[number];

const OF_QUESTION: Readonly<Record<AboutQuestion, (answer: Answer, grader: Grader | undefined, index: Index) => Value>> = {
  chosen: (answer, grader) => grader !== undefined && isReady(grader, answer.given),
  unjudged: (answer, grader) => grader !== undefined && isUnjudged(grader, answer.given, answer.judged),
  locked: (answer) => answer.locked,
  attempts: (answer) => answer.attempts,
  attempts_left: (answer, grader) => Math.max((grader?.attempts ?? answer.attempts) - answer.attempts, 0),
  right: (answer) => answer.result === "right",
  earned: (answer) => number(answer.points),
  row: (answer) => answer.row,
  outcome: (answer) => answer.result ?? "",
  told: (answer, grader, { say }) => (!grader || answer.result === null ? ""
    : verdict(grader, answer.result, answer.points, { ...answer, of: measure(grader, []).of }, answer.attempts, say)),
};

/** Whether a part was chosen or hit; of others what stands in it, or where it lies. */
function given(index: Index, state: State, question: string, part: string): Value {
  const form = index.questions.get(question)?.form;
  if (!form) return false;
  const found = (own(state.answers, question) ?? NO_ANSWER).given.filter(([name]) => name === part);
  return form === "choose" || form === "spots" ? found.length > 0 : found.at(-1)?.[1] ?? "";
}

function seenOf(index: Index, state: State, name: string): { of: number; seen: number } {
  const of = index.sets.get(name)?.of ?? [];
  return { of: of.length, seen: of.filter((element) => state.clicked.has(element)).length };
}

/** Operators that ask about one thing, by its name. */
const FACTS = {
  variable: (_, state, name) => own(state.variables, name) ?? 0,
  live: (index, state, name) => live(index, state, name),
  seen: (_, state, name) => state.visited.includes(name),
  clicked: (_, state, name) => state.clicked.has(name),
  shown: (index, state, name, depth) => isVisible(index, state, name, depth + 1),
  watched: (index, state, name) => watchedShare(index, state, name),
  dropped: (_, state, name) => own(state.dropped, name) ?? "",
  open: (_, state, name) => state.overlays.includes(name),
  seconds_on: (_, state, name) => (name === state.slide ? Math.floor((state.time - state.entered) / 1_000) : 0),
  gate: (index, state, name, depth) => gateIsOpen(index, state, name, depth + 1),
  all_seen: (index, state, name) => { const { of, seen } = seenOf(index, state, name); return seen === of; },
  seen_of: (index, state, name) => seenOf(index, state, name).seen,
  left_of: (index, state, name) => { const { of, seen } = seenOf(index, state, name); return of - seen; },
} as const satisfies Record<string, (index: Index, state: State, name: string, depth: number) => Value>;

/** `table` with each of its functions made an evaluator. */
function evaluators<K extends string, F>(table: Readonly<Record<K, F>>, make: (one: F) => Evaluator): Record<K, Evaluator> {
  return Object.fromEntries(Object.entries<F>(table).map(([name, one]) => [name, make(one)])) as Record<K, Evaluator>;
}

const quizEvaluators = Object.fromEntries(OF_QUIZ.map((operator): [string, Evaluator] => (
  [operator, (index, state, [name]) => quiz.fact(index, state, operator, index.quizzes.get(name as string))]))) as Record<quiz.OfQuiz, Evaluator>;

/** How each operator of the core is worked out: one that has no evaluator here does not compile. */
const BY_OPERATOR: Readonly<Record<Operator, Evaluator>> = {
  ...evaluators(FACTS, (fact): Evaluator => (index, state, [name], depth) => fact(index, state, name as string, depth)),
  ...evaluators(OF_QUESTION, (about): Evaluator => (index, state, [name]) =>
    about(own(state.answers, name as string) ?? NO_ANSWER, index.questions.get(name as string), index)),
  ...evaluators(OVER_VALUES, (over): Evaluator => (index, state, parts, depth) =>
    over(parts.map((part) => evaluate(index, state, part, depth)))),
  ...evaluators(OVER_NUMBERS, (over): Evaluator => (index, state, parts, depth) =>
    over(parts.map((part) => toNumber(evaluate(index, state, part, depth))))),
  ...quizEvaluators,
  set_score: (index, state, [name]) => quiz.ofSet(index, state, "set_score", name as string),
  set_right: (index, state, [name]) => quiz.ofSet(index, state, "set_right", name as string),
  in_band: (index, state, [name]) => quiz.inBand(index, state, name as string),
  [GIVEN]: (index, state, [question, part]) => given(index, state, question as string, part as string),
  and: (index, state, parts, depth) => parts.every((part) => toYesNo(evaluate(index, state, part, depth))),
  or: (index, state, parts, depth) => parts.some((part) => toYesNo(evaluate(index, state, part, depth))),
  if: (index, state, [condition, then, otherwise], depth) =>
    evaluate(index, state, toYesNo(evaluate(index, state, condition, depth)) ? then : otherwise, depth),
};
const EVALUATORS: ReadonlyMap<string, Evaluator> = new Map(Object.entries(BY_OPERATOR));

/** Whether `element` is shown, and the groups that it is in. */
export function isVisible(index: Index, state: State, element: string, depth = 0): boolean {
  if (depth > LIMITS.deepest) return false;
  for (let here: string | null = element; here !== null; here = index.groupOf(here)) {
    if (!isShown(index, state, here, depth)) return false;
  }
  return true;
}

/** A rule's word comes first, then the element's own condition and its cues. */
function isShown(index: Index, state: State, name: string, depth: number): boolean {
  const element = index.elements.get(name);
  if (!element) return false;
  const hidden = own(state.hidden, name);
  if (hidden !== undefined) return !hidden;
  if (element.spans.length) {
    const now = own(state.clocks, index.clockOf(name))?.at ?? 0;
    const { spans } = element;
    if (!spans.some(({ at, until }) => at <= now && (until === null || until === undefined || now < until))) return false;
  }
  return element.visible === true || toYesNo(evaluate(index, state, element.visible, depth));
}

/** Whether `element` can be used: no rule has disabled it or a group that it is in. */
export function isEnabled(index: Index, state: State, element: string): boolean {
  for (let here: string | null = element; here !== null; here = index.groupOf(here)) {
    if (own(state.disabled, here)) return false;
  }
  return toYesNo(evaluate(index, state, index.elements.get(element)?.enabled ?? false));
}

/** The share (0..1) of a video's or audio's distinct ms that was really played, of those that are to be played. */
function watchedShare(index: Index, state: State, element: string): number {
  const pieces = index.piecesOf(element);
  const length = lengthOf(pieces);
  if (!length) return 0;
  let played = 0;
  for (const [since, until] of own(state.watched, element) ?? []) {
    for (const piece of pieces) played += Math.max(Math.min(until, piece.until) - Math.max(since, piece.since), 0);
  }
  return number(Math.min(played / length, 1));
}

/** Whether the learner may leave `slide` forward, as far as its gate goes. */
export function gateIsOpen(index: Index, state: State, slide: string, depth = 0): boolean {
  const gate = index.slides.get(slide)?.gate;
  if (!gate || state.opened.has(slide)) return true;
  return depth <= LIMITS.deepest && toYesNo(evaluate(index, state, gate.condition, depth));
}
