/** The running order: all that is on the slide, in the order in which it is read and reached. */
import { Box, Flex, Heading, Input, Text, Textarea } from "@chakra-ui/react";
import {
  closestCenter, DndContext, PointerSensor, useSensor, useSensors, type DragEndEvent,
} from "@dnd-kit/core";
import { SortableContext, useSortable, verticalListSortingStrategy } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import {
  AppWindow, ChevronDown, ChevronRight, Circle, EyeOff, Film, Gauge, Group, Heading1, Image, Lock, MessageSquare, Minus,
  MousePointerClick, MoveRight, Square, SquareDashedMousePointer, Table, TextCursorInput, Triangle, Type, Volume2,
  type LucideIcon,
} from "lucide-react";
import { memo, useMemo, useState, type KeyboardEvent, type ReactNode } from "react";
import type { Element, Slide } from "../../../api/types";
import { answersOf, roleIn } from "../../judges/parts";
import { renameElement, reorderElement } from "../../store/commands";
import { changeElements, select, useCourse } from "../../store/store";
import { Overlays } from "./Overlays";
import { RowMenu } from "./RowMenu";
import { isDecoration, needsAlternative, says, withWords, writtenWords } from "./rowText";

export function RunningOrder(): ReactNode {
  const slide = useCourse((state) => (state.place.slide ? state.slides[state.place.slide] : undefined));
  const [read, rest] = useMemo(() => readAndRest(slide), [slide]);
  // Only this much of the selection matters here, or each would draw all rows anew.
  const inRest = useCourse((state) => rest.some(({ id }) => state.place.selected.includes(id)));
  const [folded, setFolded] = useState(true);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  if (!slide) return null;

  function drop({ active, over }: DragEndEvent): void {
    if (!over || !slide || active.id === over.id) return;
    reorderElement(String(active.id), slide.elements.findIndex((e) => e.id === over.id));
  }

  const closed = folded && !inRest;
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
      <Heading as="h2" fontSize="14px" fontFamily="body" fontWeight="700" px="3.5" pt="3" pb="2">
        Running order
      </Heading>
      {!slide.elements.length && (
        <Text px="3.5" color="quiet">
          Nothing on this slide yet. Press / to add the first element; it will stand here in the
          order in which it is read out.
        </Text>
      )}
      <SortableContext items={read.map((e) => e.id)} strategy={verticalListSortingStrategy}>
        <Box as="ol" listStyleType="none">
          {read.map((element, place) => (
            <Row key={element.id} {...{ slide, element }} number={place + 1} depth={depthOf(slide, element)} />
          ))}
        </Box>
      </SortableContext>
      {rest.length > 0 && (
        <>
          <Flex
            as="button" px="3.5" py="2" gap="2" color="quiet" align="center" w="100%"
            onClick={() => setFolded(!folded)} aria-expanded={!closed}
          >
            {closed ? <ChevronRight size={16} /> : <ChevronDown size={16} />}
            Decoration, not read ({rest.length})
          </Flex>
          {!closed && (
            <SortableContext items={rest.map((e) => e.id)} strategy={verticalListSortingStrategy}>
              <Box as="ul" listStyleType="none">
                {rest.map((element) => <Row key={element.id} {...{ slide, element }} number={null} depth={0} />)}
              </Box>
            </SortableContext>
          )}
        </>
      )}
      <Overlays slide={slide} />
    </DndContext>
  );
}

/** How deep in groups an element stands. */
export function depthOf(slide: Slide, element: Element): number {
  const groups = new Map(slide.elements.map((other) => [other.id, other.group]));
  let depth = 0;
  for (let group = element.group; group && depth < 9; group = groups.get(group)) depth += 1;
  return depth;
}

/** What is read out, in order, and what is not: the decoration. */
function readAndRest(slide: Slide | undefined): [Element[], Element[]] {
  const here = slide?.elements.filter((element) => !element.overlay) ?? [];
  // What answers a question is never decoration, even while there are no words for it.
  const operated = new Set(slide?.questions.flatMap(answersOf));
  const isRead = (element: Element): boolean => operated.has(element.id) || !isDecoration(element, slide);
  return [here.filter(isRead), here.filter((element) => !isRead(element))];
}

/** In the list the arrows go from row to row, with Shift selecting them; on the slide they move things. */
function goToRow(event: KeyboardEvent, id: string, step: number): void {
  const rows = [...event.currentTarget.closest("[data-pane]")?.querySelectorAll<HTMLElement>("[data-row]") ?? []];
  const next = rows[rows.findIndex((row) => row.dataset.row === id) + step];
  next?.focus();
  if (next?.dataset.row && event.shiftKey) {
    select([...new Set([...useCourse.getState().place.selected, id, next.dataset.row])]);
  }
}

interface RowProps { slide: Slide; element: Element; number: number | null; depth: number }

export const Row = memo(function Row({ slide, element, number, depth }: RowProps): ReactNode {
  const selected = useCourse((state) => state.place.selected.includes(element.id));
  const [typing, setTyping] = useState<"name" | "words" | null>(null);
  const { setNodeRef, listeners, transform, transition, isDragging } = useSortable({ id: element.id });
  const Icon = iconOf(element);

  function onKeyDown(event: KeyboardEvent): void {
    const step = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    const command = event.ctrlKey || event.metaKey;
    if (step && event.altKey) {
      reorderElement(element.id, slide.elements.indexOf(element) + step);
    } else if (step && !command) {
      goToRow(event, element.id, step);
    } else if (event.key === "F2") setTyping("name");
    else if (event.key === "Enter" && event.shiftKey) setTyping("words");
    else if (event.key === " " && command) choose(event);
    else return;
    event.preventDefault();
    event.stopPropagation();
  }

  function choose(event: { shiftKey: boolean; ctrlKey: boolean; metaKey: boolean }): void {
    const before = useCourse.getState().place.selected;
    const several = event.shiftKey || event.ctrlKey || event.metaKey;
    if (!several) select([element.id]);
    else select(selected ? before.filter((id) => id !== element.id) : [...before, element.id]);
  }

  return (
    <Box
      as="li" ref={setNodeRef} opacity={isDragging || element.hidden_while_editing ? 0.6 : 1}
      style={{ transform: CSS.Translate.toString(transform), transition }} pl={`${depth * 16}px`}
      bg={selected ? "marigold.soft" : undefined} borderLeftWidth="3px"
      borderLeftColor={selected ? "marigold" : "transparent"}
    >
      {typing ? (
        <TypedRow element={element} what={typing} onDone={() => setTyping(null)} />
      ) : (
        <RowMenu element={element} onType={setTyping}>
          <Flex
            as="button" w="100%" px="3" py="1.5" gap="2.5" textAlign="left" align="flex-start"
            onClick={choose} onDoubleClick={(event) => setTyping(inWords(event.target) ? "words" : "name")}
            onKeyDown={onKeyDown} {...listeners}
            aria-pressed={selected} data-row={element.id} _hover={{ bg: selected ? undefined : "table" }}
          >
            <Box pt="2px" color="quiet" flex="none"><Icon size={15} aria-hidden /></Box>
            <RowWords slide={slide} element={element} />
            {element.locked && <Lock size={13} aria-label="locked" />}
            {element.hidden_while_editing && <EyeOff size={13} aria-label="hidden while editing" />}
            {number && <Text color="quiet" fontSize="12px">{number}</Text>}
          </Flex>
        </RowMenu>
      )}
    </Box>
  );
});

/** The name, what is read out, what it is in a question, and that something is missing. */
function RowWords({ slide, element }: { slide: Slide; element: Element }): ReactNode {
  const part = partOf(slide, element);
  const words = says(element);
  const missing = needsAlternative(slide, element) || (part && element.kind === "shape" && !words);
  return (
    <Box flex="1" minW="0">
      <Text fontWeight="600" truncate>{element.name}</Text>
      {words && <Text color="quiet" fontSize="12.5px" lineClamp={2} data-words>{words}</Text>}
      {part && <Text color="spruce" fontSize="12px">{part}</Text>}
      {missing && <Text color="brick" fontSize="12px" data-words>no text alternative</Text>}
    </Box>
  );
}

function inWords(target: EventTarget): boolean {
  return target instanceof globalThis.Element && target.closest("[data-words]") !== null;
}

/** A row being typed into: the name, or what it says: its words or its text alternative. */
function TypedRow(
  { element, what, onDone }: { element: Element; what: "name" | "words"; onDone: () => void },
): ReactNode {
  const before = what === "name" ? element.name : writtenWords(element);
  function finish(text: string): void {
    onDone();
    if (text === before) return;
    if (what === "name") renameElement(element.id, text);
    else changeElements("Edit words", [element.id], (e) => withWords(e, text));
  }
  const common = {
    autoFocus: true, defaultValue: before, m: "1", w: "calc(100% - 8px)", size: "xs" as const, bg: "sheet",
    "aria-label": what === "name" ? "Name" : `What ${element.name} says`,
  };
  const onKeyDown = (event: KeyboardEvent<HTMLInputElement | HTMLTextAreaElement>): void => {
    event.stopPropagation();
    if (event.key === "Enter" && !event.shiftKey) {
      event.preventDefault();
      finish(event.currentTarget.value);
    }
    if (event.key === "Escape") onDone();
  };
  return what === "name"
    ? <Input {...common} maxLength={200} onBlur={(event) => finish(event.target.value)} onKeyDown={onKeyDown} />
    : <Textarea {...common} rows={3} onBlur={(event) => finish(event.target.value)} onKeyDown={onKeyDown} />;
}

function iconOf(element: Element): LucideIcon {
  switch (element.kind) {
    case "text": return element.level === "body" ? Type : Heading1;
    case "picture": return Image;
    case "video": return Film;
    case "audio": return Volume2;
    case "button": return MousePointerClick;
    case "area": return SquareDashedMousePointer;
    case "input": return TextCursorInput;
    case "meter": return Gauge;
    case "group": return Group;
    case "table": return Table;
    case "embed": return AppWindow;
    case "shape":
      return { rectangle: Square, ellipse: Circle, line: Minus, arrow: MoveRight, callout: MessageSquare, polygon: Triangle }[element.shape];
  }
}

/** The part that an element plays in a question. */
function partOf(slide: Slide, element: Element): string {
  return slide.questions.map((question) => roleIn(question, element.id)).find(Boolean) ?? "";
}
