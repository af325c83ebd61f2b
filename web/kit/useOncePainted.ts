import { useEffect, useMemo } from "react";

/** So soon (ms) it is done at the latest, also where nothing is painted. */
const LATEST_MS = 200;
/** What may come from elsewhere and build on what was put off. */
const BEFORE = ["pointerdown", "focusout", "beforeunload", "pagehide", "visibilitychange"] as const;

/**
 * Puts work off until what was typed has been painted: it is seen at once, however much follows from it. The newest work
 * takes the place of the one before. Nothing that the author does next comes before it: a press, a key with Ctrl or
 * Escape, leaving the field or the page does it first.
 */
export function useOncePainted(): (work: () => void) => void {
  const queue = useMemo(() => {
    let put: (() => void) | null = null;
    let timer = 0;
    function now(): void {
      const work = put;
      put = null;
      window.clearTimeout(timer);
      work?.();
    }
    function soon(work: () => void): void {
      const waiting = put !== null;
      put = work;
      if (waiting) return;
      timer = window.setTimeout(now, LATEST_MS);
      requestAnimationFrame(() => {
        // A task of its own comes after the painting that this frame ends with.
        const painted = new MessageChannel();
        painted.port1.onmessage = now;
        painted.port2.postMessage(null);
      });
    }
    const onKey = (event: KeyboardEvent): void => { if (event.ctrlKey || event.metaKey || event.key === "Escape" || event.key === "Tab") now(); };
    return { now, soon, onKey };
  }, []);
  useEffect(() => {
    const { now, onKey } = queue;
    for (const type of BEFORE) window.addEventListener(type, now, { capture: true });
    window.addEventListener("keydown", onKey, { capture: true });
    return () => {
      for (const type of BEFORE) window.removeEventListener(type, now, { capture: true });
      window.removeEventListener("keydown", onKey, { capture: true });
      now();
    };
  }, [queue]);
  return queue.soon;
}
