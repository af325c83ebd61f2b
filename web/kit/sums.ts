/** Numbers as people type them into a field: with a comma or a point, or as a small sum. */

/** Return what a text such as `120`, `1,5` or `(1280 - 40) / 3` comes to; null where it is no number. */
export function sum(text: string): number | null {
  const parts = text.replaceAll(",", ".").replaceAll("−", "-").replaceAll("×", "*").replaceAll("÷", "/").match(/\d+\.?\d*|\.\d+|[-+*/()]|\S/g) ?? [];
  if (!parts.length || parts.length > 60) return null;
  let at = 0;
  const product = (): number => {
    let value = signed();
    while (parts[at] === "*" || parts[at] === "/") value = parts[at++] === "*" ? value * signed() : value / signed();
    return value;
  };
  const total = (): number => {
    let value = product();
    while (parts[at] === "+" || parts[at] === "-") value = parts[at++] === "+" ? value + product() : value - product();
    return value;
  };
  const signed = (): number => {
    const part = parts[at++];
    if (part === "-") return -signed();
    if (part === "+") return signed();
    if (part !== "(") return part === undefined || !/^[\d.]/.test(part) ? NaN : Number(part);
    const value = total();
    return parts[at++] === ")" ? value : NaN;
  };
  const value = total();
  return at === parts.length && Number.isFinite(value) ? value : null;
}
