/** What operators over values give. The twin of `engine/operators.py`. */
import { clipped, length, number, toNumber, toText, toYesNo, type Value } from "./values";

/** Operators that take their arguments as they are. */
export const OVER_VALUES = {
  "not": ([value]) => !toYesNo(value as Value),
  "=": ([left, right]) => same(left as Value, right as Value),
  "!=": ([left, right]) => !same(left as Value, right as Value),
  "join": (values) => clipped(values.map(toText).join("")),
  "length": ([value]) => length(toText(value as Value)),
  "is_filled": ([value]) => bare(toText(value as Value)) !== "",
  "is_mail": ([value]) => isMail(toText(value as Value)),
  "lower": ([value]) => toText(value as Value).replace(/[A-Z]/g, (letter) => letter.toLowerCase()),
} as const satisfies Record<string, (values: Value[]) => Value>;

/** A text without the spaces around it. */
function bare(text: string): string {
  return text.replace(/^[ \t\r\n\u00a0]+|[ \t\r\n\u00a0]+$/g, "");
}

const MAIL = /^[^ \t\r\n\u00a0@<>()[\]\\,;:"]{1,64}@[^ \t\r\n\u00a0@<>()[\]\\,;:".]{1,63}(\.[^ \t\r\n\u00a0@<>()[\]\\,;:".]{1,63})+$/u;

/** Whether a text has the form of a mail address: a name, `@`, a domain with a dot. */
export function isMail(text: string): boolean {
  return MAIL.test(bare(text));
}

/** Operators that take every argument as a number. */
export const OVER_NUMBERS = {
  "+": (numbers) => numbers.reduce((total, value) => number(total + value)),
  "*": (numbers) => numbers.reduce((total, value) => number(total * value)),
  "-": ([a = 0, b]) => number(b === undefined ? -a : a - b),
  "/": ([a = 0, b = 0]) => (b ? number(a / b) : 0),
  "%": ([a = 0, b = 0]) => (b ? number(a - b * Math.floor(a / b)) : 0),
  "<": ([a = 0, b = 0]) => a < b,
  "<=": ([a = 0, b = 0]) => a <= b,
  ">": ([a = 0, b = 0]) => a > b,
  ">=": ([a = 0, b = 0]) => a >= b,
  "min": (numbers) => Math.min(...numbers),
  "max": (numbers) => Math.max(...numbers),
  "abs": ([a = 0]) => Math.abs(a),
  "round": ([a = 0]) => number(Math.floor(a + 0.5)),
  "floor": ([a = 0]) => number(Math.floor(a)),
} as const satisfies Record<string, (numbers: number[]) => Value>;

function same(left: Value, right: Value): boolean {
  if (typeof left === "string" || typeof right === "string") return toText(left) === toText(right);
  return toNumber(left) === toNumber(right);
}
