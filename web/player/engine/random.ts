/** The engines' generator: Mulberry32 (Tommy Ettinger, public domain, 2017). */

/** Return the next state and a draw in 0..2^32-1. */
export function step32(before: number): [state: number, draw: number] {
  const state = (before + 0x6d2b79f5) >>> 0;
  let t = Math.imul(state ^ (state >>> 15), state | 1);
  t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
  return [state, (t ^ (t >>> 14)) >>> 0];
}

/** Return the 32-bit FNV-1a hash of `text` in UTF-8. */
export function fnv1a(text: string): number {
  let value = 0x811c9dc5;
  for (const byte of new TextEncoder().encode(text)) value = Math.imul(value ^ byte, 0x01000193);
  return value >>> 0;
}

/** Return `items` in an order drawn from `seed` (Fisher-Yates, from the end). */
export function shuffled<T>(items: readonly T[], seed: number): T[] {
  const result = [...items];
  let state = seed >>> 0;
  for (let last = result.length - 1; last > 0; last--) {
    let draw: number;
    [state, draw] = step32(state);
    const other = draw % (last + 1);
    [result[last], result[other]] = [result[other] as T, result[last] as T];
  }
  return result;
}
