import { useEffect, useRef, useState, type ComponentType } from "react";
import { sayError } from "./toaster";
import { t } from "../words/kit";

/**
 * A component whose code is fetched once it is `wanted`; null till then. What cannot be fetched is said, and `onFailed`
 * gives up what it was wanted for: the page stays as it is, and the next time it is asked for anew.
 */
export function useFetched<P>(
  fetch: () => Promise<{ default: ComponentType<P> }>, wanted: boolean, onFailed: () => void,
): ComponentType<P> | null {
  const [part, setPart] = useState<ComponentType<P> | null>(null);
  const failed = useRef(onFailed);
  failed.current = onFailed;
  useEffect(() => {
    if (!wanted || part) return undefined;
    let here = true;
    fetch().then(
      (found) => { if (here) setPart(() => found.default); },
      () => {
        if (!here) return;
        sayError(new Error(t("thisPartCouldNotBe")));
        failed.current();
      },
    );
    return () => { here = false; };
  }, [fetch, wanted, part]);
  return part;
}
