/** What lies over the slide while it is made: boxes to take hold of, frames, and grips. */
import { Box } from "@chakra-ui/react";
import { memo, useCallback, useRef, useState, type PointerEvent, type ReactNode } from "react";
import type { Element, Slide } from "../../api/types";
import { changeElements, edit, hold, select, useCourse } from "../store/store";
import { boxOf, GRIPS, movedBy, resizedBy, type Box as Rect, type Grip } from "./geometry";

/** Fewer pixels on the screen than this are a click and no drag. */
const SLACK = 3;
/** A line is thin: it can be taken hold of this far beside it. */
const REACH = 10;

interface Drag {
  ids: readonly string[];
  start: [number, number];
  boxes: Map<string, Rect>;
  grip: Grip | null;
  moved: boolean;
}

export function Handles({ slide, scale }: { slide: Slide; scale: number }): ReactNode {
  const selected = useCourse((state) => state.place.selected);
  const editing = useCourse((state) => state.editing);
  const drag = useRef<Drag | null>(null);
  const [live, setLive] = useState<ReadonlyMap<string, Rect>>(new Map());

  function begin(event: PointerEvent, ids: readonly string[], grip: Grip | null): void {
    if (event.button !== 0) return;
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    const boxes = new Map(
      slide.elements.filter((e) => ids.includes(e.id)).map((e) => [e.id, boxOf(e)]),
    );
    hold(true);
    drag.current = { ids, start: [event.clientX, event.clientY], boxes, grip, moved: false };
  }

  function follow(event: PointerEvent): void {
    const now = drag.current;
    if (!now) return;
    const px = event.clientX - now.start[0];
    const py = event.clientY - now.start[1];
    if (!now.moved && Math.hypot(px, py) < SLACK) return;
    now.moved = true;
    const dx = px / scale;
    const dy = py / scale;
    const straight = event.shiftKey && !now.grip;
    const boxes = new Map([...now.boxes].map(([id, box]) => [id, now.grip
      ? resizedBy(box, now.grip, dx, dy, event.shiftKey)
      : movedBy(box, straight && Math.abs(dx) < Math.abs(dy) ? 0 : dx,
        straight && Math.abs(dx) >= Math.abs(dy) ? 0 : dy)]));
    setLive(boxes);
    draw(boxes);
  }

  function end(): void {
    const now = drag.current;
    drag.current = null;
    hold(false);
    if (now?.moved && live.size) {
      changeElements(now.grip ? "Resize" : "Move", now.ids, (element) => {
        const box = live.get(element.id);
        return box ? { ...element, ...box } : element;
      });
    }
    setLive(new Map());
  }

  // The same function all along, so that moving one element does not draw the handles of all.
  const latest = useRef(begin);
  latest.current = begin;
  const press = useCallback((event: PointerEvent, element: Element): void => {
    const before = useCourse.getState().place.selected;
    const has = before.includes(element.id);
    if (event.shiftKey) {
      select(has ? before.filter((id) => id !== element.id) : [...before, element.id]);
      return;
    }
    const ids = has ? before : [element.id];
    if (!has) select(ids);
    latest.current(event, ids, null);
  }, []);

  const only = selected.length === 1 && !editing
    ? slide.elements.find((e) => e.id === selected[0]) : undefined;
  return (
    <Box
      position="absolute" inset="0" aria-hidden
      onPointerDown={(event) => {
        if (event.target === event.currentTarget) { select([]); edit(null); }
      }}
      onPointerMove={follow} onPointerUp={end} onPointerCancel={end} pointerEvents={editing ? "none" : "auto"}
    >
      {slide.elements.map((element) => (
        <Handle
          key={element.id} element={element} box={live.get(element.id) ?? null} scale={scale}
          selected={selected.includes(element.id)} press={press}
        />
      ))}
      {only && GRIPS.map((grip) => (
        <Box
          key={grip.name} data-grip={grip.name} position="absolute" w="11px" h="11px" bg="white"
          border="2px solid {colors.marigold}" borderRadius="3px" zIndex="1000002"
          style={gripPlace(live.get(only.id) ?? boxOf(only), grip, scale)}
          cursor={cursor(grip)} onPointerDown={(event) => begin(event, [only.id], grip)}
        />
      ))}
    </Box>
  );
}

interface HandleProps {
  element: Element;
  /** Where it is while it is dragged. */
  box: Rect | null;
  scale: number;
  selected: boolean;
  press: (event: PointerEvent, element: Element) => void;
}

const Handle = memo(function Handle({ element, box, scale, selected, press }: HandleProps): ReactNode {
  const thin = element.kind === "shape" && element.shape === "line" ? REACH : 0;
  return (
    <Box
      position="absolute" data-handle={element.id} cursor="move" borderRadius="2px"
      style={{ ...onScreen(box ?? boxOf(element), scale, thin), zIndex: element.z }}
      outline={selected ? "2px solid {colors.marigold}" : undefined}
      _hover={selected ? {} : { outline: "1.5px dashed {colors.marigold}" }}
      onPointerDown={(event) => press(event, element)}
      onDoubleClick={() => {
        if (element.kind === "text" || element.kind === "button") edit(element.id);
      }}
    />
  );
});

/** Move the drawn elements under the pointer at once, without drawing the whole slide anew. */
function draw(boxes: ReadonlyMap<string, Rect>): void {
  for (const [id, box] of boxes) {
    const drawn = document.querySelector<HTMLElement>(`[data-stage] [data-element="${id}"]`);
    if (!drawn) continue;
    drawn.style.left = `${box.x}px`;
    drawn.style.top = `${box.y}px`;
    drawn.style.width = `${box.w}px`;
    drawn.style.height = `${box.h}px`;
  }
}

function onScreen(box: Rect, scale: number, thin: number): Record<string, number> {
  return {
    left: box.x * scale - thin, top: box.y * scale - thin,
    width: box.w * scale + 2 * thin, height: box.h * scale + 2 * thin,
  };
}

function gripPlace(box: Rect, { dx, dy }: Grip, scale: number): Record<string, number> {
  return {
    left: (box.x + (box.w * (dx + 1)) / 2) * scale - 5.5,
    top: (box.y + (box.h * (dy + 1)) / 2) * scale - 5.5,
  };
}

function cursor({ dx, dy }: Grip): string {
  if (!dx) return "ns-resize";
  if (!dy) return "ew-resize";
  return dx === dy ? "nwse-resize" : "nesw-resize";
}
