import { useEffect, useState } from "react";

/** `value` once it has stayed the same for `ms`; till then the one before, or `first` at the beginning. */
export function useLater<T>(value: T, ms: number, first = value): T {
  const [later, setLater] = useState(first);
  useEffect(() => {
    if (later === value) return undefined;
    const timer = window.setTimeout(() => setLater(value), ms);
    return () => window.clearTimeout(timer);
  }, [value, later, ms]);
  return later;
}
