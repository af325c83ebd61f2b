/** On which side of its control a tip stands. */
export type Side = "bottom" | "left";

/** The attributes of a control that has a tip; `TipLayer` shows it. */
export function tipped(words: string, side: Side = "bottom"): Record<string, string> {
  return { "data-tip": words, "data-tip-side": side };
}
