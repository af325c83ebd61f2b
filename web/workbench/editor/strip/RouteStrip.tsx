import { Box, Flex, IconButton, Input, Text } from "@chakra-ui/react";
import { closestCenter, DndContext, type DragEndEvent } from "@dnd-kit/core";
import { horizontalListSortingStrategy, SortableContext, useSortable } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { ChevronUp, Plus } from "lucide-react";
import { memo, useEffect, useMemo, useRef, useState, type KeyboardEvent, type ReactNode } from "react";
import { columnsOf } from "./columns";
import { addSlide, deleteSlides, duplicateSlide, moveSlide, renameSlide } from "../../store/slides";
import { goToSlide, useCourse } from "../../store/store";
import { SlidePicture } from "../../shell/SlidePicture";
import { useRested } from "../../shell/useRested";
import { useCheck, type Way } from "../../shell/useCheck";
import { Tool } from "../../../kit/Tool";
import { useLater } from "../../../kit/useLater";
import { useDragSensors } from "../../../kit/useDragSensors";
import { toggleView } from "../stage/view";
import { SlideMenu } from "./SlideMenu";
import { t } from "../../../words/editor";

const STEP = 108;
const THUMB = 68;
const HIGH = 24;
const LOW = 54;
const MIDDLE = 20;
/** So many stops beyond the visible ones are drawn as well. */
const AHEAD = 4;
/** A picture follows its slide in the next pause (ms). */
const PAUSE_MS = 250;

/** The route along the top: all slides as stops on the zigzag path. */
export function RouteStrip(): ReactNode {
  const slides = useCourse((state) => state.course.slides);
  const current = useCourse((state) => state.selection.slide);
  const check = useCheck();
  const { places, count } = useMemo(() => stopsOf(slides, check?.route.ways ?? []), [slides, check]);
  const lost = useMemo(() => new Set([...check?.route.unreached ?? [], ...check?.route.dead_ends ?? []]), [check]);
  const strip = useRef<HTMLDivElement>(null);
  const [view, setView] = useState<[number, number]>([0, 14]);
  const sensors = useDragSensors();

  useEffect(() => {
    const element = strip.current;
    if (!element) return;
    const look = (): void => {
      const first = Math.floor(element.scrollLeft / STEP) - AHEAD;
      setView([first, first + Math.ceil(element.clientWidth / STEP) + 2 * AHEAD]);
    };
    look();
    element.addEventListener("scroll", look, { passive: true });
    window.addEventListener("resize", look);
    return () => {
      element.removeEventListener("scroll", look);
      window.removeEventListener("resize", look);
    };
  }, []);

  useEffect(() => {
    const element = strip.current;
    const place = places.get(current ?? "");
    if (!element || !place) return;
    const { x } = place;
    if (x < element.scrollLeft || x + STEP > element.scrollLeft + element.clientWidth) {
      element.scrollTo({ left: x - element.clientWidth / 2 + STEP / 2 });
    }
  }, [current, places]);

  function drop({ active, over }: DragEndEvent): void {
    if (over) moveSlide(String(active.id), slides.indexOf(String(over.id)));
  }

  const visible = ({ x }: Place): boolean => x >= view[0] * STEP && x <= view[1] * STEP;
  return (
    <Flex h="116px" borderBottomWidth="1px" bg="paper" flex="none" data-pane="strip">
      <Box
        ref={strip} flex="1" minW="0" overflowX="auto" overflowY="hidden" position="relative"
        as="nav" aria-label={t("route")}
      >
        <Box position="relative" h="100%" w={`${count * STEP}px`} mx="3">
          <svg width={count * STEP} height="116" style={{ position: "absolute" }} aria-hidden>
            {shownWays(check?.route.ways, slides, places).map(([from, to, rule], n) => (visible(from) || visible(to)) && (
              <line
                key={n} x1={from.x + STEP / 2} y1={from.y + MIDDLE} x2={to.x + STEP / 2} y2={to.y + MIDDLE}
                stroke="#c9bda6" strokeWidth={rule ? 1.5 : 3} strokeDasharray={rule ? "4 4" : undefined}
              />
            ))}
          </svg>
          <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
            <SortableContext items={[...slides]} strategy={horizontalListSortingStrategy}>
              {slides.map((id, number) => {
                const at = places.get(id);
                return at && (visible(at) || id === current) && (
                  <Stop key={id} {...{ id, number }} x={at.x} y={at.y} paired={at.paired} current={id === current} last={slides.length - 1} lost={lost.has(id)} />
                );
              })}
            </SortableContext>
          </DndContext>
        </Box>
      </Box>
      <Flex direction="column" align="center" justify="center" gap="1.5" px="3" borderLeftWidth="1px">
        <IconButton
          size="sm" bg="spruce" color="onSpruce" borderRadius="card" aria-label={t("addASlide")}
          title={t("addASlide")} onClick={() => void addSlide()}
        >
          <Plus size={18} />
        </IconButton>
        <Tool label={t("hideTheRoute")} aria-expanded onClick={() => toggleView("strip")}><ChevronUp size={16} /></Tool>
      </Flex>
    </Flex>
  );
}

interface Place { x: number; y: number; paired: boolean }

/** Where the stops stand: the arms of a fork above each other, all else up and down in turn. */
function stopsOf(order: readonly string[], ways: readonly Way[]): { places: Map<string, Place>; count: number } {
  const columns = columnsOf(order, ways, 2);
  const filled = new Map<number, number>();
  for (const { column } of columns.values()) filled.set(column, (filled.get(column) ?? 0) + 1);
  const places = new Map([...columns].map(([id, { column, stack }]): [string, Place] => {
    const paired = (filled.get(column) ?? 0) > 1;
    const high = paired ? stack === 0 : column % 2 === 0;
    return [id, { x: column * STEP, y: high ? (paired ? 18 : HIGH) : LOW + (paired ? 2 : 0), paired }];
  }));
  return { places, count: Math.max(0, ...filled.keys()) + 1 };
}

/** The ways to draw: all onward ones, and of the others those to a stop not far ahead. */
function shownWays(
  ways: readonly Way[] | undefined, order: readonly string[], places: ReadonlyMap<string, Place>,
): [Place, Place, boolean][] {
  const known: readonly Pick<Way, "source" | "target" | "kind">[] = ways
    ?? order.slice(1).map((target, n) => ({ source: order[n] as string, target, kind: "onward" }));
  return known.flatMap(({ source, target, kind }): [Place, Place, boolean][] => {
    const [from, to] = [places.get(source), places.get(target)];
    if (!from || !to || (kind === "rule" && (to.x <= from.x || to.x - from.x > 2 * STEP))) return [];
    return [[from, to, kind === "rule"]];
  });
}

interface StopProps {
  id: string;
  number: number;
  x: number;
  y: number;
  paired: boolean;
  current: boolean;
  last: number;
  /** Nothing leads to it, or it leads nowhere. */
  lost: boolean;
}

const Stop = memo(function Stop({ id, number, x, y, paired, current, last, lost }: StopProps): ReactNode {
  const slide = useCourse((state) => state.slides[id]);
  const [renaming, setRenaming] = useState(false);
  const rested = useRested();
  const { setNodeRef, listeners, transform, transition, isDragging } = useSortable({ id });
  // What is done on the slide is seen there first.
  const drawn = useLater(slide, PAUSE_MS);
  if (!slide || !drawn) return null;
  const low = y >= LOW;

  function onKeyDown(event: KeyboardEvent): void {
    const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (step && event.altKey) return;
    if (step && event.shiftKey) moveSlide(id, Math.min(Math.max(number + step, 0), last));
    else if (step) focusStop(number + step);
    else if (event.key === "F2") setRenaming(true);
    else if (event.key === "Delete") deleteSlides([id]);
    else if (event.key.toLowerCase() === "d" && (event.ctrlKey || event.metaKey)) void duplicateSlide(id);
    else return;
    event.preventDefault();
    event.stopPropagation();
  }

  return (
    <Box
      ref={setNodeRef} position="absolute" w={`${STEP}px`} px="2" data-stop={id}
      left={`${x}px`} top={`${low ? y : y - 18}px`} opacity={isDragging ? 0.6 : 1}
      style={{ transform: CSS.Translate.toString(transform), transition }} zIndex={isDragging ? 5 : 1}
      display="flex" flexDirection={low ? "column-reverse" : "column"}
    >
      {renaming
        ? <TitleField id={id} title={slide.title} onDone={() => setRenaming(false)} />
        : <StopTitle title={slide.title} current={current} />}
      <SlideMenu id={id} onRename={() => setRenaming(true)}>
        <Box
          position="relative" mx="auto" w={`${THUMB + 8}px`} h={paired ? "38px" : "46px"} p="2px" bg="sheet"
          borderWidth="2px" borderRadius="8px" {...outlineOf(current, lost)}
        >
          <Box borderRadius="5px" overflow="hidden" h={paired ? "30px" : "38px"} aria-hidden>{rested && <SlidePicture slide={drawn} w={THUMB} />}</Box>
          <Box
            as="button" position="absolute" inset="-2px" borderRadius="8px" cursor="pointer"
            aria-label={`${number + 1} ${slide.title || t("untitled")}`} data-stop-button={number}
            aria-current={current ? "page" : undefined} {...listeners} onKeyDown={onKeyDown}
            onClick={() => goToSlide(id)} onDoubleClick={() => setRenaming(true)}
          />
        </Box>
      </SlideMenu>
    </Box>
  );
});

/** The outline of a stop: the current one, one that the way does not lead through, or any. */
function outlineOf(current: boolean, lost: boolean): { borderColor: string; borderStyle: string; title?: string } {
  const title = lost ? { title: t("nothingLeadsHereOrIt") } : {};
  if (current) return { borderColor: "marigold", borderStyle: "solid", ...title };
  return { borderColor: lost ? "brick" : "edge", borderStyle: lost ? "dashed" : "solid", ...title };
}

function StopTitle({ title, current }: { title: string; current: boolean }): ReactNode {
  return (
    <Text
      fontSize="12px" fontWeight={current ? 700 : 500} color={current ? "ink" : "quiet"} truncate
      textAlign="center" px="1" title={title} h="18px"
    >
      {title || t("untitled")}
    </Text>
  );
}

function TitleField({ id, title, onDone }: { id: string; title: string; onDone: () => void }): ReactNode {
  const finish = (typed: string): void => {
    onDone();
    renameSlide(id, typed);
  };
  return (
    <Input
      size="2xs" h="18px" minH="18px" autoFocus defaultValue={title} aria-label={t("titleOfTheSlide")} data-own-keys
      onBlur={(event) => finish(event.target.value)} maxLength={200}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === "Enter") finish(event.currentTarget.value);
        if (event.key === "Escape") onDone();
      }}
    />
  );
}

function focusStop(index: number): void {
  document.querySelector<HTMLElement>(`[data-stop-button="${index}"]`)?.focus();
}
