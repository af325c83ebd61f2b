/** Words that get smaller until they fit their box: all that wait for it at once, since each look at a page lays it out anew. */

const SMALLEST = 0.3;
const STEPS = 7;

/** The boxes that wait, each with the size (px) that its words have where they fit. */
const waiting = new Map<HTMLElement, number>();

/** Make the words of `box` smaller until they fit, before the page is painted. */
export function fitSoon(box: HTMLElement, size: number): void {
  if (!waiting.size) queueMicrotask(fitAll);
  waiting.set(box, size);
}

interface Searched { box: HTMLElement; size: number; low: number; high: number }

function fitAll(): void {
  const all = [...waiting].map(([box, size]): Searched => ({ box, size, low: SMALLEST, high: 1 }));
  waiting.clear();
  // All are written before any is read: the page is laid out once per step and not once per box.
  const scale = (share: (one: Searched) => number, some: readonly Searched[]): void => {
    for (const one of some) one.box.style.fontSize = `${one.size * share(one)}px`;
  };
  const middle = ({ low, high }: Searched): number => (low + high) / 2;
  scale(() => 1, all);
  const small = all.filter(({ box }) => !fits(box));
  for (let step = 0; step < STEPS && small.length; step++) {
    scale(middle, small);
    const fitting = small.map(({ box }) => fits(box));
    small.forEach((one, n) => { one[fitting[n] ? "low" : "high"] = middle(one); });
  }
  scale(({ low }) => low, small);
}

/** Whether the words in a box stay within it, or within its inner margin. */
export function fits(box: HTMLElement, within: "box" | "margin" = "margin"): boolean {
  const words = box.firstElementChild;
  if (!(words instanceof HTMLElement)) return true;
  const { paddingTop, paddingBottom } = getComputedStyle(box);
  const margin = within === "margin" ? parseFloat(paddingTop) + parseFloat(paddingBottom) : 0;
  return words.offsetHeight <= box.clientHeight - margin + 1 && words.scrollWidth <= words.clientWidth + 1;
}
