/** When the cards follow the slide. */
import { startTransition, useCallback, useEffect, useMemo, useRef, useState } from "react";
import { flushSync } from "react-dom";
import type { Slide } from "../../../api/types";
import { useAsLooked } from "../../looks/useAsLooked";
import { useCourse } from "../../store/store";

/** What the cards are about: a slide, and what of it is selected. */
export interface Subject {
  readonly slide: Slide | undefined;
  readonly selected: readonly string[];
}

/** So long (ms) the cards wait for a pause in what is done on the slide. */
const PAUSE_MS = 250;

/**
 * What the cards show, and what brings them up to date. What one does on the slide is seen first: the cards follow
 * what is selected as soon as that is drawn, and what is typed or moved in the next pause. While something is
 * dragged they wait. Whatever is pointed at, or gets or loses the focus in them, is up to date: what they do begins
 * from the slide as it is.
 */
export function useUnhurried(): [shown: Subject, catchUp: () => void] {
  const slide = useAsLooked(useCourse((state) => (state.selection.slide ? state.slides[state.selection.slide] : undefined)));
  const selected = useCourse((state) => state.selection.selected);
  const holding = useCourse((state) => state.holding);
  const now = useMemo(() => ({ slide, selected }), [slide, selected]);
  const [shown, setShown] = useState<Subject>(now);
  const latest = useRef(now);
  latest.current = now;
  useEffect(() => {
    if (holding || shown === now) return undefined;
    const follow = (): void => startTransition(() => setShown(now));
    if (shown.selected !== now.selected || shown.slide?.id !== now.slide?.id) {
      follow();
      return undefined;
    }
    const timer = window.setTimeout(follow, PAUSE_MS);
    return () => window.clearTimeout(timer);
  }, [now, shown, holding]);
  const catchUp = useCallback(() => {
    // What is still to be drawn comes first: only then is `now` the newest.
    flushSync(() => undefined);
    flushSync(() => setShown(latest.current));
  }, []);
  return [mayWait(shown, now) ? shown : now, catchUp];
}

/** Whether the cards can be about `shown` for a moment: nothing of it has gone, and nobody is at work in them. */
function mayWait(shown: Subject, now: Subject): boolean {
  const [before, after] = [shown.slide, now.slide];
  if (!before || !after) return false;
  if (before.id !== after.id) return before.id in useCourse.getState().slides;
  const whole = before.elements.length === after.elements.length && before.questions.length === after.questions.length
    && before.overlays.length === after.overlays.length;
  return whole && (shown.selected !== now.selected || !document.activeElement?.closest("[data-pane=cards]"));
}
