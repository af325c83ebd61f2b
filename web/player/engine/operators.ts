/** What operators over values give. The twin of `engine/operators.py`. */
import { clipped, length, number, toNumber, toText, toYesNo, type Value } from "./values";

export function apply(operator: string, values: Value[]): Value {
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
