/** How much the slide must be scaled to fit its frame. */
import { useLayoutEffect, useState, type RefObject } from "react";

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
