/** What expressions give, and what is shown and open. The twin of `engine/expression.py`. */
import { ABOUT_QUESTIONS, LIMITS } from "../../api/tables";
import type { Index } from "./program";
import { told } from "./grade";
import { isReady, measure } from "./tally";
import { apply } from "./operators";
import * as results from "./results";
import { NO_ANSWER, type State } from "./state";
import { number, toYesNo, type Value } from "./values";
import { own } from "./own";

/** A leaf, or an operator and its arguments; the core has checked its shape. */
export type Expression = Value | Node;
interface Node extends ReadonlyArray<Expression> { readonly 0: string }

const OF_QUESTION = new Set<string>(ABOUT_QUESTIONS);

export function evaluate(index: Index, state: State, raw: unknown, depth = 0): Value {
  const node = raw as Expression;
  if (typeof node === "boolean" || typeof node === "string") return node;
  if (typeof node === "number") return number(node);
  const operator = node[0];
  const parts = node.slice(1);
  const name = parts[0] as string;
  switch (operator) {
    case "variable": return own(state.variables, name) ?? 0;
    case "live": return live(index, state, name);
    case "given": return given(index, state, name, parts[1] as string);
    case "seen": return state.visited.includes(name);
    case "clicked": return state.clicked.has(name);
    case "and": return parts.every((part) => toYesNo(evaluate(index, state, part, depth)));
    case "or": return parts.some((part) => toYesNo(evaluate(index, state, part, depth)));
    case "if": {
      const holds = toYesNo(evaluate(index, state, parts[0], depth));
      return evaluate(index, state, holds ? parts[1] : parts[2], depth);
    }
  }
  if (FACTS.has(operator)) return fact(index, state, operator, name, depth);
  if (OF_QUESTION.has(operator)) return ofQuestion(index, state, operator, name);
  return apply(operator, parts.map((part) => evaluate(index, state, part, depth)));
}

export function live(index: Index, state: State, name: string): Value {
  switch (name) {
    case "points": return number(results.points(index, state));
    case "max_points": return number(index.maxPoints);
    case "score": return number(results.score(index, state) ?? 0);
    case "slides_seen": return state.visited.length;
    case "slides": return index.order.length;
    case "slide_title": return index.slides.get(state.slide ?? "")?.title ?? "";
    case "minutes": return Math.floor(state.time / 60_000);
    case "seconds": return Math.floor(state.time / 1_000);
    case "learner_name": return state.learner;
    case "result": return state.success === "unknown" ? "open" : state.success;
    case "answered":
      return Object.entries(state.answers).filter(([name, { locked }]) => locked && index.questions.has(name)).length;
    case "questions": return index.questions.size;
    case "slide_number": return (index.position.get(state.slide ?? "") ?? -1) + 1;
  }
  return 0;
}

function ofQuestion(index: Index, state: State, operator: string, question: string): Value {
  const answer = own(state.answers, question) ?? NO_ANSWER;
  switch (operator) {
    case "chosen": {
      const grader = index.questions.get(question);
      return grader !== undefined && isReady(grader, answer.given);
    }
    case "row": return answer.row;
    case "outcome": return answer.result ?? "";
    case "told": {
      const grader = index.questions.get(question);
      return !grader || answer.result === null ? "" : told(grader, answer.result, answer.points, { ...answer, of: measure(grader, []).of });
    }
    case "locked": return answer.locked;
    case "attempts": return answer.attempts;
    case "right": return answer.result === "right";
    case "earned": return number(answer.points);
  }
  const allowed = index.questions.get(question)?.attempts;
  return allowed === null || allowed === undefined ? 0 : Math.max(allowed - answer.attempts, 0);
}

/** Whether a part was chosen or hit; of others what stands in it, or where it lies. */
function given(index: Index, state: State, question: string, part: string): Value {
  const form = index.questions.get(question)?.form;
  if (!form) return false;
  const found = (own(state.answers, question) ?? NO_ANSWER).given.filter(([name]) => name === part);
  return form === "choose" || form === "spots" ? found.length > 0 : found.at(-1)?.[1] ?? "";
}

const FACTS = new Set([
  "shown", "watched", "dropped", "open", "all_seen", "seen_of", "left_of", "seconds_on", "gate",
]);

function fact(index: Index, state: State, operator: string, name: string, depth: number): Value {
  switch (operator) {
    case "shown": return isVisible(index, state, name, depth + 1);
    case "watched": return watchedShare(index, state, name);
    case "dropped": return own(state.dropped, name) ?? "";
    case "open": return state.overlays.includes(name);
    case "seconds_on": return name === state.slide ? Math.floor((state.time - state.entered) / 1_000) : 0;
    case "gate": return gateIsOpen(index, state, name, depth + 1);
  }
  const of = index.sets.get(name)?.of ?? [];
  const seen = of.filter((element) => state.clicked.has(element)).length;
  if (operator === "all_seen") return seen === of.length;
  return operator === "seen_of" ? seen : of.length - seen;
}

/** So far does one thing's visibility follow another's; what would go further is hidden. */

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

/** The share (0..1) of a film's or sound's distinct ms that was really played. */
export function watchedShare(index: Index, state: State, element: string): number {
  const draw = index.elements.get(element)?.draw;
  const media = draw && "media" in draw && draw.media ? index.program.media[draw.media] : undefined;
  if (!media?.duration) return 0;
  const played = (own(state.watched, element) ?? []).reduce((sum, [since, until]) => sum + until - since, 0);
  return number(Math.min(played / media.duration, 1));
}

/** Whether the learner may leave `slide` forward, as far as its gate goes. */
export function gateIsOpen(index: Index, state: State, slide: string, depth = 0): boolean {
  const gate = index.slides.get(slide)?.gate;
  if (!gate || state.opened.has(slide)) return true;
  return depth <= LIMITS.deepest && toYesNo(evaluate(index, state, gate.condition, depth));
}
