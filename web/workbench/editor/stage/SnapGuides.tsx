import type { ReactNode } from "react";
import type { SnapGuide } from "./snap";

const COLOUR = "#b4472f";

/** Snap guides: the lines and gaps that something snaps to while it is dragged, with their distances. */
export function SnapGuides({ guides, scale }: { guides: readonly SnapGuide[]; scale: number }): ReactNode {
  if (!guides.length) return null;
  return (
    <svg style={{ position: "absolute", inset: 0, width: "100%", height: "100%", overflow: "visible", zIndex: 1_000_005, pointerEvents: "none" }} data-guides={guides.length}>
      {guides.map((guide, index) => <Line key={index} guide={guide} scale={scale} />)}
    </svg>
  );
}

function Line({ guide: { axis, at, from, to, gap }, scale }: { guide: SnapGuide; scale: number }): ReactNode {
  const [a, b, c] = [at * scale, from * scale, to * scale];
  const ends = axis === "x" ? { x1: a, x2: a, y1: b, y2: c } : { y1: a, y2: a, x1: b, x2: c };
  const middle = axis === "x" ? { x: a, y: (b + c) / 2 } : { x: (b + c) / 2, y: a };
  return (
    <g>
      <line {...ends} stroke={COLOUR} strokeWidth="1" strokeDasharray={gap ? "3 3" : undefined} />
      {gap !== undefined && (
        <g transform={`translate(${middle.x} ${middle.y})`}>
          <rect x="-15" y="-9" width="30" height="18" rx="4" fill={COLOUR} />
          <text textAnchor="middle" dominantBaseline="central" fontSize="11" fontWeight="700" fill="#fff">{gap}</text>
        </g>
      )}
    </g>
  );
}
