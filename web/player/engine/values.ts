/** Values of the engine. The twin of `engine/values.py`, which says why. */
import { LIMITS } from "../../api/tables";
import type { InputElement, Variable } from "../../api/types";

export type Value = boolean | number | string;

const NUMBER = /^[ \t\n\r\f\v]*(-?[0-9]{1,12})(?:[.,]([0-9]{1,12}))?[ \t\n\r\f\v]*$/;

/** Return the number of the engine next to `value`: a multiple of a millionth, within its bounds. */
export function number(value: number): number {
  if (Number.isNaN(value)) return 0;
  if (value >= LIMITS.largest_number) return LIMITS.largest_number;
  if (value <= -LIMITS.largest_number) return -LIMITS.largest_number;
  return Math.floor(value * 1e6 + 0.5) / 1e6;
}

/** Return a value as a number; a text that says none is 0. */
export function toNumber(value: Value): number {
  if (typeof value === "boolean") return value ? 1 : 0;
  if (typeof value === "string") {
    const match = NUMBER.exec(value);
    return match ? number(Number(`${match[1]}.${match[2] ?? "0"}`)) : 0;
  }
  return number(value);
}

/** Return a value as a text, numbers as the course writes them. */
export function toText(value: Value): string {
  if (typeof value === "boolean") return value ? "yes" : "no";
  if (typeof value === "string") return value;
  const scaled = Math.round(Math.abs(number(value)) * 1e6);
  const whole = Math.floor(scaled / 1e6);
  const rest = scaled % 1e6;
  const sign = value < 0 && scaled ? "-" : "";
  const decimals = rest ? `.${String(rest).padStart(6, "0")}`.replace(/0+$/, "") : "";
  return `${sign}${whole}${decimals}`;
}

/** Return a value as yes or no; 0, no and the empty text are no. */
export function toYesNo(value: Value): boolean {
  return typeof value === "string" ? value !== "" : Boolean(value);
}

const DATE = /^[0-9]{4}-(0[1-9]|1[0-2])-(0[1-9]|[12][0-9]|3[01])$/;

/** Return what a variable begins with for the `learner`: a name, empty where it is not known. */
export function firstValue(variable: Variable, learner: string): Value {
  if (variable.type === "text" && variable.from_lms && learner) return clipped(learner);
  return fitted(variable, variable.default);
}

/** Return `value` as the variable can hold it: of its type, within its bounds. */
export function fitted(variable: Variable, value: Value): Value {
  if (variable.type === "number") {
    const scale = 10 ** variable.decimals;
    const rounded = number(Math.floor(toNumber(value) * scale + 0.5) / scale);
    return Math.min(Math.max(rounded, variable.min), variable.max);
  }
  return variable.type === "text" ? clipped(toText(value)) : toYesNo(value);
}

/** Return `value` as the input `field` lets it in: within its bounds, one of its options. */
export function admitted(field: InputElement, value: Value): Value {
  switch (field.input) {
    case "number": return value === "" ? "" : within(field, value);
    case "slider": return within(field, value);
    case "checkbox": return toYesNo(value);
    case "choice": return field.options.find((option) => option === value) ?? "";
    case "scale": return pointOf(field, value);
    case "date": return DATE.test(toText(value)) ? toText(value) : "";
    case "text": case "long": case "name": case "mail": return toText(value);
  }
}

function within({ low, high }: InputElement, value: Value): number {
  return Math.min(Math.max(toNumber(value), number(low)), number(high));
}

/** A point of a scale, 0 for having no opinion, or nothing. */
function pointOf({ low, high }: InputElement, value: Value): string {
  const [first, last] = [Math.trunc(low), Math.trunc(high)];
  const points = Array.from({ length: Math.max(last - first + 1, 0) }, (_, n) => String(first + n));
  return typeof value === "string" && (points.includes(value) || value === "0") ? value : "";
}

/** Return the first 250 code points of `text`. */
export function clipped(text: string): string {
  return text.length <= LIMITS.longest_text ? text : Array.from(text).slice(0, LIMITS.longest_text).join("");
}

/** Return how many code points `text` has. */
export function length(text: string): number {
  let count = 0;
  for (const _ of text) count += 1;
  return count;
}
