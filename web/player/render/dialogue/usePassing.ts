/** Time that passes while something runs. */
import { useEffect, useRef } from "react";

/** Tell `pass` every so often (`stepMs`) how many ms have gone by; time in which it is not `running` does not count. */
export function usePassing(running: boolean, stepMs: number, pass: (ms: number) => void): void {
  const told = useRef(pass);
  told.current = pass;
  useEffect(() => {
    if (!running) return undefined;
    let last = performance.now();
    const timer = window.setInterval(() => {
      const now = performance.now();
      told.current(now - last);
      last = now;
    }, stepMs);
    return () => window.clearInterval(timer);
  }, [running, stepMs]);
}
