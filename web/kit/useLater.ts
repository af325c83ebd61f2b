import { useCallback, useEffect, useRef, useState } from "react";
import { flushSync } from "react-dom";

/**
 * `value` once it has stayed the same for `ms`, till then the one before, or `first` at the beginning; and what
 * takes it over at once.
 */
export function useLater<T>(value: T, ms: number, first = value): [later: T, catchUp: () => void] {
  const [later, setLater] = useState(first);
  const latest = useRef(value);
  latest.current = value;
  useEffect(() => {
    if (later === value) return undefined;
    const timer = window.setTimeout(() => setLater(value), ms);
    return () => window.clearTimeout(timer);
  }, [value, later, ms]);
  const catchUp = useCallback(() => {
    // What is still to be drawn comes first: only then is `value` the newest.
    flushSync(() => undefined);
    flushSync(() => setLater(latest.current));
  }, []);
  return [later, catchUp];
}
