/** Small pictures wait until the page has come to rest once, so that one can work sooner. */
import { useEffect, useState } from "react";

/** No longer (ms) do they wait, however busy the page is. */
const LONGEST = 600;
let rested = false;

export function useRested(): boolean {
  const [is, setIs] = useState(rested);
  useEffect(() => {
    if (is) return undefined;
    const handle = window.requestIdleCallback(() => {
      rested = true;
      setIs(true);
    }, { timeout: LONGEST });
    return () => window.cancelIdleCallback(handle);
  }, [is]);
  return is;
}
