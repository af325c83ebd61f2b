import { useEffect, useState } from "react";
import { released } from "../store/store";

/** No longer (ms) do they wait, however busy the page is. */
const LONGEST = 600;
let rested = false;

/** Small pictures wait until the page has come to rest once and nothing is dragged, so that one can work sooner. */
export function useRested(): boolean {
  const [is, setIs] = useState(rested);
  useEffect(() => {
    if (is) return undefined;
    let here = true;
    const handle = window.requestIdleCallback(() => {
      void released().then(() => {
        rested = true;
        if (here) setIs(true);
      });
    }, { timeout: LONGEST });
    return () => {
      here = false;
      window.cancelIdleCallback(handle);
    };
  }, [is]);
  return is;
}
