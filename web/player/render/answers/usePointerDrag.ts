/** Following the pointer: how far a thing was taken, a tap, and where it was let go. */
import { useRef, useState, type MouseEvent, type PointerEvent } from "react";

const FAR = 4;
const NOWHERE = -1e6;

interface Handlers {
  onPointerDown: (event: PointerEvent<HTMLElement>) => void;
  onPointerMove: (event: PointerEvent<HTMLElement>) => void;
  onPointerUp: (event: PointerEvent<HTMLElement>) => void;
  onPointerCancel: () => void;
  onClickCapture: (event: MouseEvent<HTMLElement>) => void;
}

/** `drop` and `move` get the place in the window; `offset` is in px of the slide while something is dragged, from `lift` on. */
export function usePointerDrag(
  scale: number, enabled: boolean, tap: () => void, drop: (x: number, y: number) => void,
  lift: () => void = () => {}, move: (x: number, y: number) => void = () => {},
): { offset: readonly [number, number] | null; handlers: Partial<Handlers> } {
  const begun = useRef<{ x: number; y: number; moved: boolean } | null>(null);
  const [offset, setOffset] = useState<readonly [number, number] | null>(null);
  if (!enabled) return { offset: null, handlers: {} };
  const end = (): void => {
    begun.current = null;
    setOffset(null);
  };
  return {
    offset,
    handlers: {
      onPointerDown(event) {
        if (event.button !== 0) return;
        begun.current = { x: event.clientX, y: event.clientY, moved: false };
        event.currentTarget.setPointerCapture(event.pointerId);
      },
      onPointerMove(event) {
        const from = begun.current;
        if (!from) return;
        const [dx, dy] = [event.clientX - from.x, event.clientY - from.y];
        if (!from.moved && Math.hypot(dx, dy) < FAR) return;
        if (!from.moved) lift();
        from.moved = true;
        setOffset([dx / scale, dy / scale]);
        move(event.clientX, event.clientY);
      },
      onPointerUp(event) {
        const from = begun.current;
        if (!from) return;
        end();
        if (from.moved) drop(event.clientX, event.clientY);
        else tap();
      },
      onPointerCancel() {
        end();
        move(NOWHERE, NOWHERE);
      },
      onClickCapture(event) { event.stopPropagation(); },
    },
  };
}

/**
 * The uppermost of some things at a place of the window, by the attribute that names them; else the nearest
 * one that is no farther than `reach` (px of the window).
 */
export function thingAt(x: number, y: number, attribute: string, names: readonly string[], reach: number): string | null {
  let found: string | null = null;
  let least = reach;
  for (const name of [...names].reverse()) {
    const box = document.querySelector(`[${attribute}="${name}"]`)?.getBoundingClientRect();
    if (!box) continue;
    const far = Math.hypot(Math.max(box.left - x, 0, x - box.right), Math.max(box.top - y, 0, y - box.bottom));
    if (far === 0) return name;
    if (far <= least) [found, least] = [name, far];
  }
  return found;
}
