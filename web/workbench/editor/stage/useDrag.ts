import { useCallback, useRef, useState, type PointerEvent } from "react";
import type { Element, Slide } from "../../../api/types";
import { changeElements, hold, useCourse } from "../../store/store";
import {
  around, boxOf, carried, coverOf, movedBy, resizedBy, resizedTurned, withMembers, type Box, type Grip,
} from "./geometry";
import { snapEdges, snapMove, targetsOf, type SnapGuide, type Targets } from "./snap";
import { useView } from "./view";
import { t } from "../../../words/editor";

/** Fewer pixels on the screen than this are a click and no drag. */
const SLACK = 3;
/** So near, in pixels on the screen, things hold on to each other. */
const REACH = 6;
const TURN_STEP = 15;

export interface Placed extends Box { turn: number }
type Places = ReadonlyMap<string, Placed>;

export type How = { kind: "move" } | { kind: "resize"; grip: Grip } | { kind: "turn" };

interface Drag {
  how: How;
  start: [number, number];
  before: Map<string, Placed>;
  frame: Box;
  targets: Targets;
  moved: boolean;
  after: Places;
  click: (() => void) | undefined;
}

export interface Dragging {
  places: Places;
  guides: readonly SnapGuide[];
  /** `click` is done instead when it turns out to be a click. */
  begin: (event: PointerEvent, ids: readonly string[], how: How, click?: () => void) => void;
  follow: (event: PointerEvent) => void;
  end: () => void;
}

const NONE: Places = new Map();

/** Taking hold of elements: moving, resizing and turning them under the pointer. */
export function useDrag(slide: Slide, scale: number): Dragging {
  const drag = useRef<Drag | null>(null);
  const [places, setPlaces] = useState<Places>(NONE);
  const [guides, setGuides] = useState<readonly SnapGuide[]>([]);

  const begin = useCallback((event: PointerEvent, ids: readonly string[], how: How, click?: () => void): void => {
    if (event.button !== 0) return;
    event.stopPropagation();
    const family = withMembers(slide.elements, ids);
    const moving = slide.elements.filter((e) => family.has(e.id) && !e.locked && e.kind !== "group");
    if (!moving.length) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    hold(true);
    const before = new Map(moving.map((e) => [e.id, { ...boxOf(e), turn: e.turn }]));
    drag.current = {
      how, start: [event.clientX, event.clientY], before, frame: around(moving.map(coverOf)),
      targets: restTargets(slide.elements, family), moved: false, after: NONE, click,
    };
  }, [slide]);

  const follow = (event: PointerEvent): void => {
    const now = drag.current;
    if (!now) return;
    const px = event.clientX - now.start[0];
    const py = event.clientY - now.start[1];
    if (!now.moved && Math.hypot(px, py) < SLACK) return;
    now.moved = true;
    const snaps = useView.getState().snapping && !event.altKey;
    const { after, guides: held } = dragged(now, px / scale, py / scale, {
      reach: snaps ? REACH / scale : 0, constrained: event.shiftKey,
      pointer: () => pointerOnSlide(event, scale),
    });
    now.after = after;
    setPlaces(after);
    setGuides(held);
    draw(after);
  };

  const end = (): void => {
    const now = drag.current;
    drag.current = null;
    hold(false);
    if (now && !now.moved) now.click?.();
    if (now?.moved && now.after.size) {
      const label = { move: t("move2"), resize: t("resize"), turn: t("rotate") }[now.how.kind];
      changeElements(label, [...now.after.keys()], (element) => ({ ...element, ...now.after.get(element.id) }));
    }
    setPlaces(NONE);
    setGuides([]);
  };

  return { places, guides, begin, follow, end };
}

function restTargets(elements: readonly Element[], moving: ReadonlySet<string>): Targets {
  const { size, guides } = useCourse.getState().course;
  const rest = elements.filter((e) => !moving.has(e.id) && !e.hidden_while_editing && e.kind !== "group");
  return targetsOf(rest.map(coverOf), size, guides, useView.getState().grid ? guides.grid : null);
}

interface Manner { reach: number; constrained: boolean; pointer: () => [number, number] | null }

function dragged(
  { how, before, frame, targets }: Drag, dx: number, dy: number, { reach, constrained, pointer }: Manner,
): { after: Places; guides: readonly SnapGuide[] } {
  if (how.kind === "turn") return { after: turned(before, pointer(), constrained), guides: [] };
  if (how.kind === "move") {
    const straight = constrained ? (Math.abs(dx) < Math.abs(dy) ? [0, dy] : [dx, 0]) : [dx, dy];
    const moved = { ...frame, x: frame.x + (straight[0] as number), y: frame.y + (straight[1] as number) };
    const snapped = reach ? snapMove(moved, targets, reach) : { dx: 0, dy: 0, guides: [] };
    const by: [number, number] = [moved.x + snapped.dx - frame.x, moved.y + snapped.dy - frame.y];
    return {
      after: new Map([...before].map(([id, box]) => [id, { ...box, ...movedBy(box, by[0], by[1]) }])),
      guides: snapped.guides,
    };
  }
  return resized(how.grip, before, frame, targets, dx, dy, reach, constrained);
}

function resized(
  grip: Grip, before: ReadonlyMap<string, Placed>, frame: Box, targets: Targets, dx: number, dy: number,
  reach: number, keep: boolean,
): { after: Places; guides: readonly SnapGuide[] } {
  const [only] = before.size === 1 ? [...before] : [];
  if (only && only[1].turn) {
    const [id, box] = only;
    return { after: new Map([[id, { ...box, ...resizedTurned(box, box.turn, grip, dx, dy, keep) }]]), guides: [] };
  }
  const rough = resizedBy(frame, grip, dx, dy, keep);
  const snapped = reach && !keep ? snapEdges(rough, grip, targets, reach) : { dx: 0, dy: 0, guides: [] };
  const next = resizedBy(frame, grip, dx + snapped.dx, dy + snapped.dy, keep);
  if (only) return { after: new Map([[only[0], { ...only[1], ...next }]]), guides: snapped.guides };
  return {
    after: new Map([...before].map(([id, box]) => [id, { ...box, ...carried(box, frame, next) }])),
    guides: snapped.guides,
  };
}

/** The element's top points to the pointer; in steps while constrained. */
function turned(before: ReadonlyMap<string, Placed>, pointer: [number, number] | null, constrained: boolean): Places {
  return new Map([...before].map(([id, box]) => {
    if (!pointer) return [id, box];
    const angle = Math.atan2(pointer[0] - box.x - box.w / 2, box.y + box.h / 2 - pointer[1]) * (180 / Math.PI);
    const step = constrained ? TURN_STEP : 1;
    return [id, { ...box, turn: (Math.round(angle / step) * step + 360) % 360 }];
  }));
}

/** Where the pointer is on the slide. */
function pointerOnSlide(event: PointerEvent, scale: number): [number, number] | null {
  const paper = document.querySelector("[data-stage]")?.getBoundingClientRect();
  return paper ? [(event.clientX - paper.left) / scale, (event.clientY - paper.top) / scale] : null;
}

/** Move the drawn elements under the pointer at once, without drawing the whole slide anew. */
function draw(places: Places): void {
  for (const [id, { x, y, w, h, turn }] of places) {
    const drawn = document.querySelector<HTMLElement>(`[data-stage] [data-element="${id}"]`);
    if (!drawn) continue;
    drawn.style.left = `${x}px`;
    drawn.style.top = `${y}px`;
    drawn.style.width = `${w}px`;
    drawn.style.height = `${h}px`;
    drawn.style.transform = turn ? `rotate(${turn}deg)` : "";
  }
}
