/** Wait for so many ms; ends at once, with the reason, when nobody waits any more. */
export function pause(ms: number, signal: AbortSignal): Promise<void> {
  return new Promise((done, fail) => {
    const timer = setTimeout(done, ms);
    signal.addEventListener("abort", () => { clearTimeout(timer); fail(signal.reason as Error); });
  });
}

/** So many ms after a letter the search begins. */
export const TYPING_MS = 120;
