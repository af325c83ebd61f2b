/** Shapes and areas: rectangles and ellipses as boxes, all else as SVG. */
import type { ReactNode } from "react";
import type { AreaElement, ShapeElement, Style } from "../../api/types";
import { arrowHead, calloutPath, corners, lineEnds, polygonPath } from "./figures";
import type { ValueWords } from "./RichTextView";
import { RichWords } from "./Words";

interface ShapeProps { element: ShapeElement; style: Style; alt: string; values: ValueWords }

/** A drawn figure with its words. */
export function ShapeBox({ element, style, alt, values }: ShapeProps): ReactNode {
  const { shape } = element;
  if (shape === "line" || shape === "arrow") return <Line element={element} style={style} alt={alt} />;
  const role = alt ? { role: "img", "aria-label": alt } : {};
  const words = element.text.blocks.length > 0;
  const inner = words && <RichWords text={element.text} style={style} values={values} />;
  if (shape === "rectangle" || shape === "ellipse") {
    return <div className={`zz-box zz-plain zz-${shape}`} {...role}>{inner}</div>;
  }
  return (
    <div className="zz-figure" {...role}>
      <Outline element={element} style={style} path={pathOf(element, style)} />
      {inner}
    </div>
  );
}

function pathOf(element: ShapeElement, style: Style): string {
  return element.shape === "callout" ? calloutPath(element, style.radius)
    : polygonPath(corners(element.points, element.w, element.h, element));
}

function Outline(
  { element, style, path }: { element: { w: number; h: number }; style: Style; path: string },
): ReactNode {
  return (
    <svg className="zz-outline" width={Math.max(element.w, 1)} height={Math.max(element.h, 1)} aria-hidden>
      <path d={path} strokeDasharray={dashes(style)} />
    </svg>
  );
}

function dashes({ border_style, border_width }: Style): string | undefined {
  if (border_style === "dashed") return `${border_width * 3} ${border_width * 2}`;
  return border_style === "dotted" ? `0 ${border_width * 2}` : undefined;
}

function Line({ element, style, alt }: { element: ShapeElement; style: Style; alt: string }): ReactNode {
  const { from, to } = lineEnds(element);
  const { head, end } = element.shape === "arrow" ? arrowHead(from, to, style.border_width)
    : { head: "", end: to };
  const role = alt ? { role: "img", "aria-label": alt } : { "aria-hidden": true };
  // A drawing without width or height is not drawn at all; a level line has none.
  return (
    <svg className="zz-line" width={Math.max(element.w, 1)} height={Math.max(element.h, 1)} {...role}>
      <line x1={from[0]} y1={from[1]} x2={end[0]} y2={end[1]} strokeDasharray={dashes(style)} />
      {head && <path d={head} />}
    </svg>
  );
}

/** A region to click on: only within its outline, whatever its box. */
export function AreaBox({ element, style }: { element: AreaElement; style: Style }): ReactNode {
  const { w, h, shape } = element;
  const hit = { className: "zz-region", strokeDasharray: dashes(style) };
  return (
    <svg className="zz-outline zz-area" width={Math.max(w, 1)} height={Math.max(h, 1)} aria-hidden>
      {shape === "rectangle" && <rect width={w} height={h} rx={style.radius} {...hit} />}
      {shape === "ellipse" && <ellipse cx={w / 2} cy={h / 2} rx={w / 2} ry={h / 2} {...hit} />}
      {shape === "polygon" && <path d={polygonPath(corners(element.points, w, h, element))} {...hit} />}
    </svg>
  );
}
