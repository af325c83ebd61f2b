/** How long to wait before what failed is tried again. */

const RETRY_MS: readonly number[] = [1_000, 2_000, 4_000, 8_000, 15_000, 30_000];

/** The ms after so many failures: longer each time, half a minute at most. */
export const retryAfter = (failures: number): number => RETRY_MS[Math.min(failures, RETRY_MS.length - 1)] as number;
