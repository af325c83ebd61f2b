import { memo, useRef, useState, type PointerEvent, type ReactNode } from "react";
import type { Slide } from "../../api/types";
import { path as wholePath } from "../../player/render/motion";
import { changeMove, pathOf, useMoving, type Point } from "./moves";
import { t } from "../../words/timing";

const FRONT = 1_000_008;

/** The path of a move on the slide: its points can be dragged, more set in, or all of it drawn anew. */
export const MovePath = memo(function MovePath({ slide, scale }: { slide: Slide; scale: number }): ReactNode {
  const shown = useMoving();
  const element = slide.elements.find(({ id }) => id === shown.element);
  const move = element?.moves.find(({ id }) => id === shown.move);
  const [live, setLive] = useState<Point[] | null>(null);
  const [line, setLine] = useState<Point[] | null>(null);
  const held = useRef<number | null>(null);
  if (!element || !move) return null;
  const { id } = move;
  const points = live ?? move.path;
  const start: Point = { x: element.x + element.w / 2, y: element.y + element.h / 2 };
  const onScreen = ({ x, y }: Point): string => `${(start.x + x) * scale},${(start.y + y) * scale}`;
  const drawn = wholePath({ ...move, path: points }).map(([x, y]) => onScreen({ x, y })).join(" ");

  function pointAt(event: PointerEvent<SVGElement>): Point {
    const box = (event.currentTarget.ownerSVGElement ?? event.currentTarget).getBoundingClientRect();
    return { x: (event.clientX - box.left) / scale, y: (event.clientY - box.top) / scale };
  }
  function drag(event: PointerEvent<SVGElement>): void {
    const index = held.current;
    if (index === null) return;
    const at = pointAt(event);
    const next = { x: Math.round(at.x - start.x), y: Math.round(at.y - start.y) };
    setLive(points.map((point, n) => (n === index ? next : point)));
  }
  function drop(): void {
    if (held.current !== null && live && element) changeMove(element.id, id, { path: live }, t("changePath"));
    held.current = null;
    setLive(null);
  }
  function finish(): void {
    if (line && line.length > 2 && element) {
      changeMove(element.id, id, { path: pathOf(line), curved: true }, t("drawPath"));
      useMoving.setState({ drawing: false });
    }
    setLine(null);
  }
  function insert(index: number): void {
    const from = points[index - 1] ?? { x: 0, y: 0 };
    const to = points[index] as Point;
    const middle = { x: Math.round((from.x + to.x) / 2), y: Math.round((from.y + to.y) / 2) };
    if (element) changeMove(element.id, id, { path: [...points.slice(0, index), middle, ...points.slice(index)] }, t("addPoint"));
  }
  function remove(index: number): void {
    if (points.length > 1 && element) changeMove(element.id, id, { path: points.filter((_, n) => n !== index) }, t("removePoint"));
  }

  return (
    <svg
      aria-hidden data-path style={{
        position: "absolute", inset: 0, width: "100%", height: "100%", overflow: "visible", zIndex: FRONT,
        pointerEvents: shown.drawing ? "all" : "none", cursor: shown.drawing ? "crosshair" : undefined, touchAction: "none",
      }}
      onPointerDown={(event) => {
        if (!shown.drawing) return;
        event.stopPropagation();
        event.currentTarget.setPointerCapture(event.pointerId);
        setLine([pointAt(event)]);
      }}
      onPointerMove={(event) => { if (line) setLine([...line, pointAt(event)]); }}
      onPointerUp={finish} onPointerCancel={() => setLine(null)}
    >
      <polyline points={drawn} fill="none" stroke="#2f6f9f" strokeWidth="2.5" strokeDasharray="7 5" />
      {line && <polyline points={line.map(({ x, y }) => `${x * scale},${y * scale}`).join(" ")} fill="none" stroke="#b4472f" strokeWidth="2.5" />}
      <circle cx={start.x * scale} cy={start.y * scale} r="5" fill="#2f6f9f" />
      {!shown.drawing && points.map((point, index) => {
        const from = points[index - 1] ?? { x: 0, y: 0 };
        const middle = { x: (from.x + point.x) / 2, y: (from.y + point.y) / 2 };
        const at = (p: Point): { cx: number; cy: number } => ({ cx: (start.x + p.x) * scale, cy: (start.y + p.y) * scale });
        return (
          <g key={index} style={{ pointerEvents: "all" }}>
            <circle {...at(middle)} r="4.5" fill="#ffffff" stroke="#2f6f9f" strokeDasharray="2 2" style={{ cursor: "copy" }}
              onPointerDown={(event) => { event.stopPropagation(); insert(index); }}
            />
            <circle
              {...at(point)} r="7" fill="#ffffff" stroke="#2f6f9f" strokeWidth="2.5" data-waypoint={index} style={{ cursor: "move" }}
              onPointerDown={(event) => {
                event.stopPropagation();
                event.currentTarget.setPointerCapture(event.pointerId);
                held.current = index;
              }}
              onPointerMove={drag} onPointerUp={drop} onPointerCancel={drop} onDoubleClick={() => remove(index)}
            />
          </g>
        );
      })}
    </svg>
  );
});
