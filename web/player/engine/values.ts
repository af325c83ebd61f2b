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
    case "number":
    case "slider": return Math.min(Math.max(toNumber(value), number(field.low)), number(field.high));
    case "checkbox": return toYesNo(value);
    case "choice": return typeof value === "string" && field.options.includes(value) ? value : "";
    case "scale": {
      const steps = Array.from({ length: Math.max(Math.trunc(field.high) - Math.trunc(field.low) + 1, 0) }, (_, n) => String(Math.trunc(field.low) + n));
      return typeof value === "string" && (steps.includes(value) || value === "0") ? value : "";
    }
    case "text":
    case "long": return toText(value);
  }
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
