import { memo, useState, type PointerEvent, type ReactNode } from "react";
import type { Element, Slide } from "../../api/types";
import { useCourse } from "../store/store";
import type { Pairing } from "./pairing";
import { changeQuestion, elementsOf } from "./parts";
import { t } from "../../words/judges";

const FRONT = 1_000_007;
const COLOUR = "#1e5b4b";
type Point = readonly [x: number, y: number];

/** On the slide: what belongs where, as lines; a line pulled from a thing to a target says so. */
export const PairLines = memo(function PairLines({ slide, scale }: { slide: Slide; scale: number }): ReactNode {
  const selected = useCourse((state) => state.selection.selected);
  const [pulled, setPulled] = useState<Point | null>(null);
  const question = slide.questions.find((other): other is Pairing => (
    (other.kind === "matching" || other.kind === "drag_to_target") && selected.some((id) => elementsOf(other).includes(id))
  ));
  if (!question) return null;
  const byId = new Map(slide.elements.map((element) => [element.id, element]));
  const boxOf = (part: { element: string } | undefined): Element | undefined => (part ? byId.get(part.element) : undefined);
  const lines = question.items.flatMap((item) => item.to.flatMap((name) => {
    const from = boxOf(item);
    const to = boxOf(question.targets.find(({ id }) => id === name));
    return from && to ? [{ key: `${item.id}-${name}`, from: edge(from, to), to: edge(to, from), strong: selected.includes(item.element) || selected.includes(to.id) }] : [];
  }));
  const item = selected.length === 1 ? question.items.find(({ element }) => element === selected[0]) : undefined;
  const box = boxOf(item);
  const grip: Point | null = box ? [box.x + box.w / 2, box.y + box.h + 24 / scale] : null;

  function pointAt(event: PointerEvent<SVGElement>): Point {
    const frame = (event.currentTarget.ownerSVGElement ?? event.currentTarget).getBoundingClientRect();
    return [(event.clientX - frame.left) / scale, (event.clientY - frame.top) / scale];
  }
  function drop(): void {
    if (!pulled || !item || !question) return;
    const target = [...question.targets].reverse().find((other) => contains(boxOf(other), pulled));
    setPulled(null);
    if (!target) return;
    const to = item.to.includes(target.id) ? item.to.filter((id) => id !== target.id) : [...item.to, target.id];
    changeQuestion(question, { items: question.items.map((other) => (other.id === item.id ? { ...other, to } : other)) }, t("correctTargets"));
  }
  const at = ([x, y]: Point): string => `${x * scale},${y * scale}`;
  return (
    <svg
      aria-hidden data-pairs={lines.length}
      style={{ position: "absolute", inset: 0, width: "100%", height: "100%", overflow: "visible", zIndex: FRONT, pointerEvents: "none", touchAction: "none" }}
    >
      {lines.map(({ key, from, to, strong }) => (
        <g key={key} opacity={strong ? 1 : 0.45}>
          <polyline points={`${at(from)} ${at(to)}`} stroke={COLOUR} strokeWidth="2" strokeDasharray="6 4" fill="none" />
          <circle cx={to[0] * scale} cy={to[1] * scale} r="4" fill={COLOUR} />
        </g>
      ))}
      {pulled && box && <polyline points={`${at([box.x + box.w / 2, box.y + box.h / 2])} ${at(pulled)}`} stroke="#e8a33d" strokeWidth="3" fill="none" />}
      {grip && (
        <g
          data-pull style={{ pointerEvents: "all", cursor: "crosshair" }}
          onPointerDown={(event) => { event.stopPropagation(); event.currentTarget.setPointerCapture(event.pointerId); setPulled(pointAt(event)); }}
          onPointerMove={(event) => { if (pulled) setPulled(pointAt(event)); }} onPointerUp={drop} onPointerCancel={() => setPulled(null)}
        >
          <title>{t("dragToItsTarget")}</title>
          <circle cx={(pulled ?? grip)[0] * scale} cy={(pulled ?? grip)[1] * scale} r="13" fill="#fff" stroke={COLOUR} strokeWidth="2" />
          <path d={`M${(pulled ?? grip)[0] * scale - 5} ${(pulled ?? grip)[1] * scale} h10 m-4 -4 l4 4 l-4 4`} stroke={COLOUR} strokeWidth="2" fill="none" />
        </g>
      )}
    </svg>
  );
});

/** Where the line between the middles of two boxes leaves the first. */
function edge(box: Element, other: Element): Point {
  const middle: Point = [box.x + box.w / 2, box.y + box.h / 2];
  const [dx, dy] = [other.x + other.w / 2 - middle[0], other.y + other.h / 2 - middle[1]];
  const share = Math.min(dx ? box.w / 2 / Math.abs(dx) : Infinity, dy ? box.h / 2 / Math.abs(dy) : Infinity, 1);
  return [middle[0] + dx * share, middle[1] + dy * share];
}

function contains(box: Element | undefined, [x, y]: Point): boolean {
  return box !== undefined && x >= box.x && x <= box.x + box.w && y >= box.y && y <= box.y + box.h;
}
