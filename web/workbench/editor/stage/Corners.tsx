import { useRef, useState, type PointerEvent, type ReactNode } from "react";
import type { Element } from "../../../api/types";
import { changeElements } from "../../store/store";
import { t } from "../../../words/editor";

interface Point { x: number; y: number }

/** The corners of a polygon and the place a callout points at, to be dragged. */
export function Corners({ element, scale }: { element: Element; scale: number }): ReactNode {
  const points = pointsOf(element);
  const [live, setLive] = useState<Point[] | null>(null);
  const held = useRef<number | null>(null);
  if (!points) return null;
  const shown = live ?? points;

  function follow(event: PointerEvent<SVGElement>): void {
    const index = held.current;
    if (index === null) return;
    const paper = event.currentTarget.ownerSVGElement?.getBoundingClientRect();
    if (!paper) return;
    const x = clamp((event.clientX - paper.left) / scale / Math.max(element.w, 1));
    const y = clamp((event.clientY - paper.top) / scale / Math.max(element.h, 1));
    setLive(shown.map((point, n) => (n === index ? flipped({ x, y }, element) : point)));
  }

  function end(): void {
    if (held.current !== null && live) {
      changeElements(t("moveCorner"), [element.id], (e) => withPoints(e, live));
    }
    held.current = null;
    setLive(null);
  }

  return (
    <svg
      style={{
        position: "absolute", left: element.x * scale, top: element.y * scale, overflow: "visible",
        width: Math.max(element.w * scale, 1), height: Math.max(element.h * scale, 1), zIndex: 1_000_004, pointerEvents: "none",
        transform: element.turn ? `rotate(${element.turn}deg)` : undefined,
      }}
    >
      {shown.map((point, index) => {
        const { x, y } = flipped(point, element);
        return (
          <circle
            key={index} data-corner={index} cx={x * element.w * scale} cy={y * element.h * scale} r="6"
            fill="#ffffff" stroke="#b4472f" strokeWidth="2" style={{ pointerEvents: "all", cursor: "crosshair" }}
            onPointerDown={(event) => {
              event.stopPropagation();
              event.currentTarget.setPointerCapture(event.pointerId);
              held.current = index;
            }}
            onPointerMove={follow} onPointerUp={end} onPointerCancel={end}
          />
        );
      })}
    </svg>
  );
}

function pointsOf(element: Element): Point[] | null {
  if (element.kind === "shape" && element.shape === "callout") return [element.tail];
  if (element.kind === "shape" && element.shape === "polygon") return element.points;
  if (element.kind === "area" && element.shape === "polygon") return element.points;
  return element.kind === "picture" && element.mask === "polygon" ? element.points : null;
}

function withPoints(element: Element, points: Point[]): Element {
  if (element.kind === "shape" && element.shape === "callout") return { ...element, tail: points[0] ?? element.tail };
  return "points" in element ? { ...element, points } : element;
}

function flipped({ x, y }: Point, { flip_x, flip_y }: Element): Point {
  return { x: flip_x ? 1 - x : x, y: flip_y ? 1 - y : y };
}

function clamp(share: number): number {
  return Math.round(Math.min(Math.max(share, -9), 10) * 1000) / 1000;
}
