import { Box } from "@chakra-ui/react";
import { memo, useCallback, useRef, useState, type PointerEvent, type ReactNode } from "react";
import type { Element, Slide } from "../../../api/types";
import { edit, select, useCourse } from "../../store/store";
import { Corners } from "./Corners";
import { around, coverOf, GRIPS, outermost, overlaps, withMembers, type Box as Rect, type Grip } from "./geometry";
import { isEditable } from "../text/editable";
import { SnapGuides } from "./SnapGuides";
import { useDrag, type How, type Placed } from "./useDrag";

/** A line is thin: it can be taken hold of this far beside it. */
const REACH = 10;
const ROOM = 36;
const FRONT = 1_000_000;

/** What lies over the slide while it is made: boxes to take hold of, frames, and grips. */
export function Handles(
  { slide, scale, reaches }: { slide: Slide; scale: number; reaches: (element: Element) => boolean },
): ReactNode {
  const selected = useCourse((state) => state.selection.selected);
  const editing = useCourse((state) => state.editing);
  const drag = useDrag(slide, scale);
  const [band, setBand] = useState<Rect | null>(null);
  const bandStart = useRef<{ at: [number, number]; before: readonly string[] } | null>(null);

  // The same function all along, so that moving one element does not draw the handles of all.
  const latest = useRef(drag.begin);
  latest.current = drag.begin;
  const press = useCallback((event: PointerEvent, element: Element): void => {
    const { selection, slides } = useCourse.getState();
    const elements = slides[selection.slide ?? ""]?.elements ?? [];
    const whole = selection.selected.includes(element.id) ? element.id : outermost(elements, element.id);
    const has = selection.selected.includes(whole);
    const several = event.shiftKey || event.ctrlKey || event.metaKey;
    const ids = has ? selection.selected : several ? [...selection.selected, whole] : [whole];
    if (!has) select(ids);
    // A click takes one of several out again; dragging moves them all.
    const out = (): void => select(selection.selected.filter((id) => id !== whole));
    latest.current(event, ids, { kind: "move" }, has && several ? out : undefined);
  }, []);

  const take = useCallback((event: PointerEvent, how: How): void => {
    latest.current(event, useCourse.getState().selection.selected, how);
  }, []);

  function pointAt(event: PointerEvent): [number, number] {
    const paper = event.currentTarget.getBoundingClientRect();
    return [(event.clientX - paper.left) / scale, (event.clientY - paper.top) / scale];
  }

  function startBand(event: PointerEvent): void {
    if (event.target !== event.currentTarget || event.button !== 0) return;
    edit(null);
    const before = event.shiftKey ? selected : [];
    if (!event.shiftKey) select([]);
    event.currentTarget.setPointerCapture(event.pointerId);
    bandStart.current = { at: pointAt(event), before };
  }

  function follow(event: PointerEvent): void {
    const start = bandStart.current;
    if (!start) {
      drag.follow(event);
      return;
    }
    const [x, y] = pointAt(event);
    const rect = {
      x: Math.min(x, start.at[0]), y: Math.min(y, start.at[1]),
      w: Math.abs(x - start.at[0]), h: Math.abs(y - start.at[1]),
    };
    setBand(rect);
    const caught = slide.elements.filter((e) => !e.locked && reaches(e) && e.kind !== "group" && overlaps(rect, coverOf(e)));
    select([...new Set([...start.before, ...caught.map((e) => outermost(slide.elements, e.id))])]);
  }

  function end(): void {
    if (bandStart.current) {
      bandStart.current = null;
      setBand(null);
    } else drag.end();
  }

  const isSelected = new Set(selected);
  const chosen = slide.elements.filter((e) => isSelected.has(e.id));
  const only = chosen.length === 1 && chosen[0]?.kind !== "group" ? chosen[0] : undefined;
  const place = (element: Element): Placed => drag.places.get(element.id) ?? element;
  const family = withMembers(slide.elements, selected);
  const members = slide.elements.filter((e) => family.has(e.id) && e.kind !== "group");
  const frame: Placed | null = only ? place(only)
    : members.length ? { ...around(members.map((e) => coverOf(place(e)))), turn: 0 } : null;
  const free = chosen.some((element) => !element.locked) && !editing;
  return (
    <Box
      position="absolute" inset="0" aria-hidden data-handles css={HANDLES}
      onPointerDown={startBand} onPointerMove={follow} onPointerUp={end} onPointerCancel={end}
      pointerEvents={editing ? "none" : "auto"}
    >
      {slide.elements.filter((e) => reaches(e) && e.kind !== "group").map((element) => (
        <Handle
          key={element.id} element={element} box={drag.places.get(element.id) ?? null} scale={scale}
          selected={isSelected.has(element.id)} press={press}
        />
      ))}
      {frame && !editing && (
        <Frame frame={frame} scale={scale} locked={!free}>
          {free && (
            <Grips turns={!!only} wide={frame.w * scale >= ROOM} high={frame.h * scale >= ROOM} take={take} />
          )}
        </Frame>
      )}
      {only && free && <Corners element={only} scale={scale} />}
      <SnapGuides guides={drag.guides} scale={scale} />
      {band && (
        <Box
          position="absolute" pointerEvents="none" zIndex={FRONT + 6} bg="marigold.soft" opacity={0.5}
          border="1px solid {colors.marigold}"
          style={{ left: band.x * scale, top: band.y * scale, width: band.w * scale, height: band.h * scale }}
        />
      )}
    </Box>
  );
}

interface GripsProps {
  turns: boolean;
  /** Whether there is room for grips in the middle of the sides: on something thin they would
   * leave no place to take hold of it by. */
  wide: boolean;
  high: boolean;
  take: (event: PointerEvent, how: How) => void;
}

/** They go along with the frame, and are not drawn anew while it is dragged. */
const Grips = memo(function Grips({ turns, wide, high, take }: GripsProps): ReactNode {
  return (
    <>
      {turns && (
        <Box
          data-grip="turn" position="absolute" left="calc(50% - 7px)" top="-34px" w="14px" h="14px" bg="white"
          border="2px solid {colors.marigold}" borderRadius="full" cursor="grab" pointerEvents="auto"
          onPointerDown={(event) => take(event, { kind: "turn" })}
        />
      )}
      {GRIPS.filter((grip) => (grip.dx !== 0 || high) && (grip.dy !== 0 || wide)).map((grip) => (
        <Box
          key={grip.name} data-grip={grip.name} position="absolute" w="11px" h="11px" bg="white"
          border="2px solid {colors.marigold}" borderRadius="3px" pointerEvents="auto"
          left={`calc(${(grip.dx + 1) * 50}% - 5.5px)`} top={`calc(${(grip.dy + 1) * 50}% - 5.5px)`}
          cursor={cursor(grip)} onPointerDown={(event) => take(event, { kind: "resize", grip })}
        />
      ))}
    </>
  );
});

function Frame(
  { frame, scale, locked, children }: { frame: Placed; scale: number; locked: boolean; children: ReactNode },
): ReactNode {
  return (
    <Box
      position="absolute" pointerEvents="none" zIndex={FRONT + 2} data-frame
      outline={locked ? "2px dashed {colors.quiet}" : "2px solid {colors.marigold}"}
      style={{ ...onScreen(frame, scale, 0), transform: frame.turn ? `rotate(${frame.turn}deg)` : undefined }}
    >
      {children}
    </Box>
  );
}

/** How handles look, said once for all of them: drawing 150 costs no more than their attributes. */
const HANDLES = {
  "& [data-handle]": { position: "absolute", borderRadius: "2px" },
  "& [data-unseen]": { outline: "1.5px dashed {colors.sky}", boxShadow: "inset 0 0 0 1.5px #ffffffb3" },
  "& [data-handle]:hover": { outline: "1.5px dashed {colors.marigold}" },
  "& [data-handle][data-selected]": { outline: "2px solid {colors.marigold}", boxShadow: "none" },
};

interface HandleProps {
  element: Element;
  /** Where it is while it is dragged. */
  box: Placed | null;
  scale: number;
  selected: boolean;
  press: (event: PointerEvent, element: Element) => void;
}

const Handle = memo(function Handle({ element, box, scale, selected, press }: HandleProps): ReactNode {
  const thin = element.kind === "shape" && (element.shape === "line" || element.shape === "arrow") ? REACH : 0;
  const { turn } = box ?? element;
  // What is locked lets the pointer through, so that one can work on what lies over it.
  const locked = element.locked && !selected;
  return (
    <div
      data-handle={element.id} data-selected={selected || undefined} data-unseen={isUnseen(element) || undefined}
      style={{
        ...onScreen(box ?? element, scale, thin), zIndex: element.z, cursor: element.locked ? "default" : "move",
        transform: turn ? `rotate(${turn}deg)` : undefined, pointerEvents: locked ? "none" : undefined,
      }}
      onPointerDown={(event) => press(event, element)}
      onDoubleClick={() => {
        const { selected: now } = useCourse.getState().selection;
        if (!now.includes(element.id)) select([element.id]);
        else if (isEditable(element) && !element.locked) edit(element.id);
      }}
    />
  );
});

/** Whether learners see nothing of an area; its author has to. */
function isUnseen({ kind, style }: Element): boolean {
  return kind === "area" && !style.fill && !(style.border_width && style.border_colour);
}

function onScreen(box: Rect, scale: number, thin: number): Record<string, number> {
  return {
    left: box.x * scale - thin, top: box.y * scale - thin,
    width: box.w * scale + 2 * thin, height: box.h * scale + 2 * thin,
  };
}

function cursor({ dx, dy }: Grip): string {
  if (!dx) return "ns-resize";
  if (!dy) return "ew-resize";
  return dx === dy ? "nwse-resize" : "nesw-resize";
}
