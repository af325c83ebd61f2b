/** The route along the top: all slides as stops on the zigzag path. */
import { Box, Flex, IconButton, Input, Text } from "@chakra-ui/react";
import {
  closestCenter, DndContext, PointerSensor, useSensor, useSensors, type DragEndEvent,
} from "@dnd-kit/core";
import { horizontalListSortingStrategy, SortableContext, useSortable } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { Plus } from "lucide-react";
import { memo, useEffect, useRef, useState, type KeyboardEvent, type ReactNode } from "react";
import { Still } from "../../player/render/Still";
import { addSlide, deleteSlide, duplicateSlide, moveSlide, renameSlide } from "../store/commands";
import { goToSlide, useCourse } from "../store/store";
import { SlideMenu } from "./SlideMenu";

const STEP = 108;
const THUMB = 68;
const HIGH = 24;
const LOW = 54;
/** So many stops beyond the visible ones are drawn as well. */
const AHEAD = 4;

export function RouteStrip(): ReactNode {
  const slides = useCourse((state) => state.course.slides);
  const current = useCourse((state) => state.place.slide);
  const strip = useRef<HTMLDivElement>(null);
  const [view, setView] = useState<[number, number]>([0, 14]);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));

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
    const place = slides.indexOf(current ?? "");
    if (!element || place < 0) return;
    const x = place * STEP;
    if (x < element.scrollLeft || x + STEP > element.scrollLeft + element.clientWidth) {
      element.scrollTo({ left: x - element.clientWidth / 2 + STEP / 2 });
    }
  }, [current, slides]);

  function drop({ active, over }: DragEndEvent): void {
    if (over) moveSlide(String(active.id), slides.indexOf(String(over.id)));
  }

  const points = slides
    .map((_, place) => `${place * STEP + STEP / 2},${place % 2 ? LOW + 19 : HIGH + 19}`).join(" ");
  return (
    <Flex h="116px" borderBottomWidth="1px" bg="paper" flex="none">
      <Box
        ref={strip} flex="1" minW="0" overflowX="auto" overflowY="hidden" position="relative"
        as="nav" aria-label="Route"
      >
        <Box position="relative" h="100%" w={`${slides.length * STEP}px`} mx="3">
          <svg
            width={slides.length * STEP} height="116" style={{ position: "absolute" }} aria-hidden
          >
            <polyline points={points} fill="none" stroke="#c9bda6" strokeWidth="3" strokeLinejoin="round" />
          </svg>
          <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
            <SortableContext items={[...slides]} strategy={horizontalListSortingStrategy}>
              {slides.map((id, place) => (place >= view[0] && place <= view[1] || id === current)
                && <Stop key={id} id={id} place={place} current={id === current} last={slides.length - 1} />)}
            </SortableContext>
          </DndContext>
        </Box>
      </Box>
      <Flex align="center" px="3" borderLeftWidth="1px">
        <IconButton
          size="sm" bg="spruce" color="onSpruce" borderRadius="card" aria-label="Add a slide"
          title="Add a slide" onClick={() => void addSlide()}
        >
          <Plus size={18} />
        </IconButton>
      </Flex>
    </Flex>
  );
}

interface StopProps { id: string; place: number; current: boolean; last: number }

const Stop = memo(function Stop({ id, place, current, last }: StopProps): ReactNode {
  const slide = useCourse((state) => state.slides[id]);
  const size = useCourse((state) => state.course.size);
  const media = useCourse((state) => state.media);
  const [renaming, setRenaming] = useState(false);
  const { setNodeRef, listeners, transform, transition, isDragging } = useSortable({ id });
  if (!slide) return null;
  const low = place % 2 === 1;

  function onKeyDown(event: KeyboardEvent): void {
    const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (step && event.altKey) return;
    if (step && event.shiftKey) moveSlide(id, Math.min(Math.max(place + step, 0), last));
    else if (step) focusStop(place + step);
    else if (event.key === "F2") setRenaming(true);
    else if (event.key === "Delete") deleteSlide(id);
    else if (event.key.toLowerCase() === "d" && (event.ctrlKey || event.metaKey)) void duplicateSlide(id);
    else return;
    event.preventDefault();
    event.stopPropagation();
  }

  function finish(title: string): void {
    setRenaming(false);
    renameSlide(id, title);
  }

  const label = (
    <Text
      fontSize="12px" fontWeight={current ? 700 : 500} color={current ? "ink" : "quiet"} truncate
      textAlign="center" px="1" title={slide.title} h="18px"
    >
      {slide.title || "Untitled"}
    </Text>
  );
  const name = renaming ? (
    <Input
      size="2xs" autoFocus defaultValue={slide.title} aria-label="Title of the slide" data-own-keys
      onBlur={(event) => finish(event.target.value)} maxLength={200}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === "Enter") finish(event.currentTarget.value);
        if (event.key === "Escape") setRenaming(false);
      }}
    />
  ) : label;
  return (
    <Box
      ref={setNodeRef} position="absolute" w={`${STEP}px`} px="2" data-stop={id}
      left={`${place * STEP}px`} top={`${low ? LOW : HIGH - 18}px`} opacity={isDragging ? 0.6 : 1}
      style={{ transform: CSS.Translate.toString(transform), transition }} zIndex={isDragging ? 5 : 1}
    >
      {!low && name}
      <SlideMenu id={id} onRename={() => setRenaming(true)}>
        <Box
          position="relative" mx="auto" w={`${THUMB + 8}px`} h="46px" p="2px" bg="sheet"
          borderWidth="2px" borderColor={current ? "marigold" : "edge"} borderRadius="8px"
        >
          <Box borderRadius="5px" overflow="hidden" h="38px" aria-hidden>
            <Still slide={slide} size={size} media={media} scale={THUMB / size.w} />
          </Box>
          <Box
            as="button" position="absolute" inset="-2px" borderRadius="8px" cursor="pointer"
            aria-label={`${place + 1} ${slide.title || "Untitled"}`} data-stop-button={place}
            aria-current={current ? "page" : undefined} {...listeners} onKeyDown={onKeyDown}
            onClick={() => goToSlide(id)} onDoubleClick={() => setRenaming(true)}
          />
        </Box>
      </SlideMenu>
      {low && name}
    </Box>
  );
});

function focusStop(place: number): void {
  document.querySelector<HTMLElement>(`[data-stop-button="${place}"]`)?.focus();
}
