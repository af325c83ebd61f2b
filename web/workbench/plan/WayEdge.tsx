/** A way between two stops: the path itself, a fork with its condition, or a way back. */
import { EdgeLabelRenderer, type EdgeProps } from "@xyflow/react";
import { memo, type ReactNode } from "react";
import { useCourse } from "../store/store";

export interface WayData extends Record<string, unknown> {
  why: string;
  rule: boolean;
  back: boolean;
  /** There are few enough ways for all to say why. */
  few: boolean;
}

const BEND = 0.16;
const LABEL_AT = 0.5;

const BACK = { stroke: "#b4472f", strokeWidth: 2, strokeDasharray: "6 5", "data-way": "back" };
const RULE = { stroke: "#c9bda6", strokeWidth: 2, "data-way": "rule" };
const ONWARD = { stroke: "#c9bda6", strokeWidth: 4, "data-way": "onward" };

interface Point { x: number; y: number }

/** The point at share `t` of a quadratic curve. */
function along(from: Point, over: Point, to: Point, t: number): Point {
  const at = (a: number, b: number, c: number): number => (1 - t) ** 2 * a + 2 * t * (1 - t) * b + t ** 2 * c;
  return { x: at(from.x, over.x, to.x), y: at(from.y, over.y, to.y) };
}

export const WayEdge = memo(function WayEdge(
  { id, source, target, sourceX, sourceY, targetX, targetY, data }: EdgeProps,
): ReactNode {
  const { why, rule, back, few } = data as WayData;
  const marked = useCourse((state) => state.selection.slide === source || state.selection.slide === target);
  const [dx, dy] = [targetX - sourceX, targetY - sourceY];
  // What leaves the path bends away from it, so that it is not taken for the path.
  const bend = rule || back ? BEND : 0;
  const middle = { x: sourceX + dx / 2 - dy * bend, y: sourceY + dy / 2 + dx * bend };
  const path = bend ? `M${sourceX} ${sourceY} Q${middle.x} ${middle.y} ${targetX} ${targetY}` : `M${sourceX} ${sourceY} L${targetX} ${targetY}`;
  const label = along({ x: sourceX, y: sourceY }, middle, { x: targetX, y: targetY }, LABEL_AT);
  return (
    <>
      <path
        id={id} d={path} fill="none" {...(back ? BACK : rule ? RULE : ONWARD)}
        strokeLinecap="round" opacity={few || marked || !rule ? 1 : 0.25}
      />
      {why && (few || marked) && <WayLabel why={why} back={back} at={label} />}
    </>
  );
});

function WayLabel({ why, back, at }: { why: string; back: boolean; at: Point }): ReactNode {
  return (
    <EdgeLabelRenderer>
      <div
        title={why} data-why
        style={{
          position: "absolute", zIndex: 10, transform: `translate(-50%, -50%) translate(${at.x}px, ${at.y}px)`, maxWidth: 170,
          padding: "2px 8px", borderRadius: 10, width: "max-content", pointerEvents: "all", border: "1px solid #d8cdb9", background: "#fffefb", color: back ? "#b4472f" : "#5b665f",
          fontSize: 11, lineHeight: 1.25, textAlign: "center", overflow: "hidden", display: "-webkit-box", WebkitBoxOrient: "vertical",
          WebkitLineClamp: 4,
        }}
      >
        {why}
      </div>
    </EdgeLabelRenderer>
  );
}
