import { useRef, useState, type KeyboardEvent, type MouseEvent, type PointerEvent } from "react";
import type { Element } from "../../api/types";
import { isVisible } from "../engine/engine";
import { useActing } from "./acting";
import { own } from "../engine/own";
import { thingAt } from "./answers/usePointerDrag";

const FAR = 4;

interface Dragging {
  /** How far it is from where it lay, while it is dragged. */
  offset: readonly [number, number] | null;
  handlers: {
    onPointerDown?: (event: PointerEvent<HTMLElement>) => void;
    onPointerMove?: (event: PointerEvent<HTMLElement>) => void;
    onPointerUp?: (event: PointerEvent<HTMLElement>) => void;
    onPointerCancel?: () => void;
    onClickCapture?: (event: MouseEvent<HTMLElement>) => void;
    onKeyDown?: (event: KeyboardEvent<HTMLElement>) => void;
  };
}

/** Dragging an element: by pointer, or picked up and put down by key or click. */
export function useDragging(element: Element): Dragging {
  const { index, state, scale, dispatch, picked, pick, aim } = useActing();
  const begun = useRef<{ x: number; y: number; moved: boolean } | null>(null);
  /** The click that ends a drag is none. */
  const dragged = useRef(false);
  const [offset, setOffset] = useState<readonly [number, number] | null>(null);
  const { drag, id } = element;
  if (!drag) return { offset: null, handlers: {} };
  const end = (): void => {
    begun.current = null;
    setOffset(null);
    aim(null);
  };
  const under = (event: PointerEvent<HTMLElement>): string | null => {
    const open = drag.targets.filter((target) => target !== id && isVisible(index, state, target));
    return thingAt(event.clientX, event.clientY, "data-element", open, drag.reach * scale);
  };
  const away = (event: PointerEvent<HTMLElement>): readonly [number, number] => {
    const from = begun.current ?? { x: event.clientX, y: event.clientY };
    return [(event.clientX - from.x) / scale, (event.clientY - from.y) / scale];
  };
  return {
    offset,
    handlers: {
      onPointerDown(event) {
        if (event.button !== 0) return;
        dragged.current = false;
        begun.current = { x: event.clientX, y: event.clientY, moved: false };
        event.currentTarget.setPointerCapture(event.pointerId);
      },
      onPointerMove(event) {
        if (!begun.current) return;
        const [dx, dy] = away(event);
        if (!begun.current.moved && Math.hypot(dx, dy) * scale < FAR) return;
        begun.current.moved = true;
        dragged.current = true;
        setOffset([dx, dy]);
        aim(under(event));
      },
      onPointerUp(event) {
        if (!begun.current) return;
        if (!begun.current.moved) {
          end();
          pick(picked === id ? null : id);
          return;
        }
        const [dx, dy] = away(event);
        const [x, y] = own(state.offsets, id) ?? [0, 0];
        const on = under(event);
        end();
        pick(null);
        dispatch({ event: "dropped", target: id, on, x: x + dx, y: y + dy });
      },
      onPointerCancel: end,
      onClickCapture(event) {
        if (dragged.current) event.stopPropagation();
        dragged.current = false;
      },
      onKeyDown(event) {
        if (event.key === "Enter" || event.key === " ") {
          event.preventDefault();
          event.stopPropagation();
          pick(picked === id ? null : id);
        } else if (event.key === "Escape" && picked === id) {
          event.stopPropagation();
          pick(null);
        }
      },
    },
  };
}
