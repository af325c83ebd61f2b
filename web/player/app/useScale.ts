import { useLayoutEffect, useRef, useState, type RefObject } from "react";

/** How much the slide must be scaled to fit its frame, and how much larger the learner wants it. */
export function useScale(frame: RefObject<HTMLElement | null>, size: { w: number; h: number }): number {
  const [scale, setScale] = useState(0);
  useLayoutEffect(() => {
    const element = frame.current;
    if (!element) return;
    const fit = (): void => {
      setScale(Math.min(element.clientWidth / size.w, element.clientHeight / size.h));
    };
    fit();
    const observer = new ResizeObserver(fit);
    observer.observe(element);
    return () => observer.disconnect();
  }, [frame, size.w, size.h]);
  return scale;
}

/** Times the size that fits. */
const SIZES = [1, 1.5, 2, 3, 4] as const;
const KEPT = "zigzag:size";

export interface Size {
  times: number;
  larger: (() => void) | null;
  smaller: (() => void) | null;
}

/** What fits a phone, or a window that is zoomed, may be too small to read (WCAG 1.4.4, 1.4.10). */
export function useSize(): Size {
  const [index, setIndex] = useState(keptIndex);
  const to = (next: number): (() => void) | null => {
    if (!(next in SIZES)) return null;
    return () => {
      setIndex(next);
      try {
        localStorage.setItem(KEPT, String(next));
      } catch {
        // A browser that keeps nothing begins with the whole slide the next time.
      }
    };
  };
  return { times: SIZES[index] ?? 1, larger: to(index + 1), smaller: to(index - 1) };
}

function keptIndex(): number {
  try {
    const kept = Number(localStorage.getItem(KEPT));
    return kept in SIZES ? kept : 0;
  } catch {
    return 0;
  }
}

/** Keep the middle of the view in the middle while its content grows; begin a slide at its corner. */
export function useMiddle(view: RefObject<HTMLElement | null>, times: number, slide: string | null): void {
  const before = useRef({ times, slide });
  useLayoutEffect(() => {
    const element = view.current;
    const was = before.current;
    before.current = { times, slide };
    if (!element) return;
    if (was.slide !== slide) {
      element.scrollTo(0, 0);
      return;
    }
    const grown = times / was.times;
    const middle = (from: number, room: number): number => (from + room / 2) * grown - room / 2;
    element.scrollTo(
      middle(element.scrollLeft, element.clientWidth), middle(element.scrollTop, element.clientHeight),
    );
  }, [view, times, slide]);
}
