/** What expressions give. The twin of `zigzag_core/logic/expression.py`. */
import type { Index } from "./program";
import * as results from "./results";
import { NO_ANSWER, type State } from "./state";
import { clipped, length, number, toNumber, toText, toYesNo, type Value } from "./values";

/** A leaf, or an operator and its arguments; the core has checked its shape. */
export type Expression = Value | Node;
interface Node extends ReadonlyArray<Expression> { readonly 0: string }

const OF_QUESTION = new Set(["chosen", "locked", "attempts", "attempts_left", "right", "earned"]);

export function evaluate(index: Index, state: State, raw: unknown): Value {
  const node = raw as Expression;
  if (typeof node === "boolean" || typeof node === "string") return node;
  if (typeof node === "number") return number(node);
  const operator = node[0];
  const parts = node.slice(1);
  const name = parts[0] as string;
  switch (operator) {
    case "variable": return state.variables[name] ?? 0;
    case "live": return live(index, state, name);
    case "seen": return state.visited.includes(name);
    case "clicked": return state.clicked.has(name);
    case "and": return parts.every((part) => toYesNo(evaluate(index, state, part)));
    case "or": return parts.some((part) => toYesNo(evaluate(index, state, part)));
    case "if": {
      const holds = toYesNo(evaluate(index, state, parts[0]));
      return evaluate(index, state, holds ? parts[1] : parts[2]);
    }
  }
  if (OF_QUESTION.has(operator)) return ofQuestion(index, state, operator, name);
  return apply(operator, parts.map((part) => evaluate(index, state, part)));
}

function apply(operator: string, values: Value[]): Value {
  const first = values[0] as Value;
  const second = values[1] as Value;
  switch (operator) {
    case "not": return !toYesNo(first);
    case "=": return same(first, second);
    case "!=": return !same(first, second);
    case "join": return clipped(values.map(toText).join(""));
    case "length": return length(toText(first));
    case "lower": return toText(first).replace(/[A-Z]/g, (letter) => letter.toLowerCase());
  }
  const numbers = values.map(toNumber);
  const a = numbers[0] as number;
  const b = numbers[1] as number;
  switch (operator) {
    case "+": return numbers.reduce((total, value) => number(total + value));
    case "*": return numbers.reduce((total, value) => number(total * value));
    case "-": return number(numbers.length === 2 ? a - b : -a);
    case "/": return b ? number(a / b) : 0;
    case "%": return b ? number(a - b * Math.floor(a / b)) : 0;
    case "<": return a < b;
    case "<=": return a <= b;
    case ">": return a > b;
    case ">=": return a >= b;
    case "min": return Math.min(...numbers);
    case "max": return Math.max(...numbers);
    case "abs": return Math.abs(a);
    case "round": return number(Math.floor(a + 0.5));
    case "floor": return number(Math.floor(a));
  }
  return 0;
}

function same(left: Value, right: Value): boolean {
  if (typeof left === "string" || typeof right === "string") return toText(left) === toText(right);
  return toNumber(left) === toNumber(right);
}

export function live(index: Index, state: State, name: string): Value {
  switch (name) {
    case "points": return number(results.points(index, state));
    case "max_points": return number(index.maxPoints);
    case "score": return number(results.score(index, state) ?? 0);
    case "slides_seen": return state.visited.length;
    case "slides": return index.order.length;
    case "slide_number": return (index.position.get(state.slide ?? "") ?? -1) + 1;
  }
  return 0;
}

function ofQuestion(index: Index, state: State, operator: string, question: string): Value {
  const answer = state.answers[question] ?? NO_ANSWER;
  switch (operator) {
    case "chosen": return answer.chosen.length > 0;
    case "locked": return answer.locked;
    case "attempts": return answer.attempts;
    case "right": return answer.result === "right";
    case "earned": return number(answer.points);
  }
  const allowed = index.questions.get(question)?.attempts;
  return allowed === null || allowed === undefined ? 0 : Math.max(allowed - answer.attempts, 0);
}
