/** Names that can be told apart. The twin of `free_name` in `editing/names.py`; a test holds them together. */

const NUMBERED = /^(.*\S)\s+([0-9]{1,6})$/s;

/** Return `wanted` if it is free, else with the next number: “Card 2” after “Card”, “Card 3” after “Card 2”. */
export function freeName(wanted: string, taken: readonly string[]): string {
  const names = new Set(taken);
  if (!names.has(wanted)) return wanted;
  const [, stem = wanted, last = "1"] = NUMBERED.exec(wanted) ?? [];
  let number = Number(last);
  while (names.has(`${stem} ${number}`) || number === 1) number += 1;
  return [...`${stem} ${number}`].slice(0, 200).join("");
}
