import { Box } from "@chakra-ui/react";
import { memo, useState, type PointerEvent, type ReactNode } from "react";
import { changeCourse, useCourse } from "../../store/store";
import { useView } from "./view";
import { t } from "../../../words/editor";

const THICK = 18;
const STEPS = [10, 20, 50, 100, 200, 500];

type Axis = "across" | "down";

/** The grid over the slide, if it is on. */
export const Grid = memo(function Grid({ scale }: { scale: number }): ReactNode {
  const on = useView((view) => view.grid);
  const step = useCourse((state) => state.course.guides.grid) * scale;
  if (!on) return null;
  const line = "rgb(34 48 43 / 13%) 1px, transparent 1px";
  return (
    <Box
      position="absolute" inset="0" pointerEvents="none" zIndex="1000001"
      backgroundImage={`linear-gradient(to right, ${line}), linear-gradient(to bottom, ${line})`}
      backgroundSize={`${step}px ${step}px`}
    />
  );
});

/** Rulers along the slide, guides pulled out of them, and the grid. */
export const Rulers = memo(function Rulers({ scale }: { scale: number }): ReactNode {
  const on = useView((view) => view.rulers);
  const guides = useCourse((state) => state.course.guides);
  const size = useCourse((state) => state.course.size);
  const [live, setLive] = useState<{ axis: Axis; from: number | null; at: number } | null>(null);
  if (!on) return null;

  function placeOf(event: PointerEvent, axis: Axis): number {
    const paper = document.querySelector("[data-stage]")?.getBoundingClientRect();
    if (!paper) return 0;
    return Math.round((axis === "down" ? event.clientX - paper.left : event.clientY - paper.top) / scale);
  }

  const holders = (axis: Axis, from: number | null): object => ({
    onPointerDown: (event: PointerEvent) => {
      event.stopPropagation();
      event.currentTarget.setPointerCapture(event.pointerId);
      setLive({ axis, from, at: from === null ? placeOf(event, axis) : guides[axis][from] as number });
    },
    onPointerMove: (event: PointerEvent) => {
      if (live) setLive({ ...live, at: placeOf(event, axis) });
    },
    onPointerUp: () => {
      if (!live) return;
      const rest = guides[axis].filter((_, index) => index !== live.from);
      const inside = live.at >= 0 && live.at <= (axis === "down" ? size.w : size.h);
      changeCourse(inside ? t("setGuide") : t("removeGuide"), { guides: { ...guides, [axis]: inside ? [...rest, live.at] : rest } });
      setLive(null);
    },
  });

  const shown = (axis: Axis): [number, number | null][] => [
    ...guides[axis].map((at, index): [number, number | null] => [live?.axis === axis && live.from === index ? live.at : at, index]),
    ...(live?.axis === axis && live.from === null ? [[live.at, null] as [number, null]] : []),
  ];
  return (
    <Box aria-hidden>
      <Ruler axis="down" length={size.w} scale={scale} holders={holders("down", null)} />
      <Ruler axis="across" length={size.h} scale={scale} holders={holders("across", null)} />
      {(["down", "across"] as const).map((axis) => shown(axis).map(([at, place]) => (
        <Box
          key={`${axis}${place ?? "new"}`} position="absolute" zIndex="1000001" data-guide={axis}
          cursor={axis === "down" ? "ew-resize" : "ns-resize"} {...holders(axis, place)}
          style={axis === "down"
            ? { left: at * scale - 2, top: -THICK, width: 5, height: size.h * scale + THICK }
            : { top: at * scale - 2, left: -THICK, height: 5, width: size.w * scale + THICK }}
        >
          <Box
            position="absolute" bg="sky"
            style={axis === "down" ? { left: 2, top: 0, width: 1, height: "100%" } : { top: 2, left: 0, height: 1, width: "100%" }}
          />
        </Box>
      )))}
    </Box>
  );
});

/** Pulling on the upper ruler gives a level guide, on the left one an upright guide. */
function Ruler(
  { axis, length, scale, holders }: { axis: Axis; length: number; scale: number; holders: object },
): ReactNode {
  const step = STEPS.find((candidate) => candidate * scale >= 44) ?? 500;
  const marks = Array.from({ length: Math.floor(length / step) + 1 }, (_, n) => n * step);
  const upper = axis === "down";
  return (
    <Box
      position="absolute" bg="sheet" borderWidth="1px" overflow="hidden" fontSize="9.5px" color="quiet" userSelect="none"
      style={upper
        ? { left: 0, top: -THICK - 4, height: THICK, width: length * scale }
        : { top: 0, left: -THICK - 4, width: THICK, height: length * scale }}
      cursor={upper ? "ew-resize" : "ns-resize"} {...holders} data-ruler={axis}
    >
      {marks.map((at) => (
        <Box
          key={at} position="absolute" borderColor="edge"
          style={upper
            ? { left: at * scale, top: 0, height: "100%", borderLeftWidth: 1, paddingLeft: 2 }
            : { top: at * scale, left: 0, width: "100%", borderTopWidth: 1, paddingTop: 2, writingMode: "vertical-rl" }}
        >
          {at}
        </Box>
      ))}
    </Box>
  );
}
