/** The running order: all that is on the slide, in the order in which it is read and reached. */
import { Box, Flex, Heading, Input, Text } from "@chakra-ui/react";
import {
  closestCenter, DndContext, PointerSensor, useSensor, useSensors, type DragEndEvent,
} from "@dnd-kit/core";
import { SortableContext, useSortable, verticalListSortingStrategy } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import {
  ChevronDown, ChevronRight, Circle, Heading1, Image, Minus, MousePointerClick, Square, Type,
  type LucideIcon,
} from "lucide-react";
import { useState, type KeyboardEvent, type ReactNode } from "react";
import type { Element, Question, Slide } from "../../api/types";
import { renameElement, reorderElement } from "../store/commands";
import { select, useCourse } from "../store/store";
import { isDecoration, says } from "./says";

export function RunningOrder(): ReactNode {
  const slide = useCourse((state) => (state.place.slide ? state.slides[state.place.slide] : undefined));
  const [folded, setFolded] = useState(true);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  if (!slide) return null;
  const read = slide.elements.filter((element) => !isDecoration(element));
  const rest = slide.elements.filter(isDecoration);

  function drop({ active, over }: DragEndEvent): void {
    if (!over || !slide || active.id === over.id) return;
    reorderElement(String(active.id), slide.elements.findIndex((e) => e.id === over.id));
  }

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
          {read.map((element, place) => <Row key={element.id} {...{ slide, element }} number={place + 1} />)}
        </Box>
      </SortableContext>
      {rest.length > 0 && (
        <>
          <Flex
            as="button" px="3.5" py="2" gap="2" color="quiet" align="center" w="100%"
            onClick={() => setFolded(!folded)} aria-expanded={!folded}
          >
            {folded ? <ChevronRight size={16} /> : <ChevronDown size={16} />}
            Decoration, not read ({rest.length})
          </Flex>
          {!folded && (
            <SortableContext items={rest.map((e) => e.id)} strategy={verticalListSortingStrategy}>
              <Box as="ul" listStyleType="none">
                {rest.map((element) => <Row key={element.id} {...{ slide, element }} number={null} />)}
              </Box>
            </SortableContext>
          )}
        </>
      )}
    </DndContext>
  );
}

function Row(
  { slide, element, number }: { slide: Slide; element: Element; number: number | null },
): ReactNode {
  const selected = useCourse((state) => state.place.selected.includes(element.id));
  const [renaming, setRenaming] = useState(false);
  const { setNodeRef, listeners, transform, transition, isDragging } = useSortable({ id: element.id });
  const Icon = iconOf(element);
  const part = partOf(slide, element);
  const words = says(element);
  const missing = element.kind === "picture" && !element.alt && !element.decoration;

  function onKeyDown(event: KeyboardEvent): void {
    const step = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    if (step && event.altKey) {
      reorderElement(element.id, slide.elements.indexOf(element) + step);
    } else if (step && !useCourse.getState().place.selected.length) {
      const row = event.currentTarget.closest("li");
      const next = step > 0 ? row?.nextElementSibling : row?.previousElementSibling;
      next?.querySelector<HTMLElement>("button")?.focus();
    } else if (event.key === "F2") setRenaming(true);
    else return;
    event.preventDefault();
    event.stopPropagation();
  }

  function finish(name: string): void {
    setRenaming(false);
    renameElement(element.id, name);
  }

  return (
    <Box
      as="li" ref={setNodeRef} opacity={isDragging ? 0.6 : 1}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      bg={selected ? "marigold.soft" : undefined} borderLeftWidth="3px"
      borderLeftColor={selected ? "marigold" : "transparent"}
    >
      {renaming ? (
        <Input
          size="xs" autoFocus defaultValue={element.name} aria-label="Name" m="1" w="calc(100% - 8px)"
          onBlur={(event) => finish(event.target.value)} maxLength={200}
          onKeyDown={(event) => {
            event.stopPropagation();
            if (event.key === "Enter") finish(event.currentTarget.value);
            if (event.key === "Escape") setRenaming(false);
          }}
        />
      ) : (
        <Flex
          as="button" w="100%" px="3" py="1.5" gap="2.5" textAlign="left" align="flex-start"
          onClick={(event) => select(event.shiftKey
            ? [...useCourse.getState().place.selected, element.id] : [element.id])}
          onDoubleClick={() => setRenaming(true)} onKeyDown={onKeyDown} {...listeners}
          aria-pressed={selected} data-row={element.id} _hover={{ bg: selected ? undefined : "table" }}
        >
          <Box pt="2px" color="quiet" flex="none"><Icon size={15} aria-hidden /></Box>
          <Box flex="1" minW="0">
            <Text fontWeight="600" truncate>{element.name}</Text>
            {words && <Text color="quiet" fontSize="12.5px" lineClamp={2}>{words}</Text>}
            {part && <Text color="spruce" fontSize="12px">{part}</Text>}
            {missing && <Text color="brick" fontSize="12px">no text alternative</Text>}
          </Box>
          {number && <Text color="quiet" fontSize="12px">{number}</Text>}
        </Flex>
      )}
    </Box>
  );
}

function iconOf(element: Element): LucideIcon {
  switch (element.kind) {
    case "text": return element.level === "body" ? Type : Heading1;
    case "picture": return Image;
    case "button": return MousePointerClick;
    case "shape": return { rectangle: Square, ellipse: Circle, line: Minus }[element.shape];
  }
}

/** The part that an element plays in a question. */
function partOf(slide: Slide, element: Element): string {
  for (const question of slide.questions) {
    if (question.prompt === element.id) return `asks: ${question.name}`;
    if (question.submit === element.id) return `submits: ${question.name}`;
    const choice = question.choices.find((other) => other.element === element.id);
    if (choice) return answerWords(question, choice.right);
  }
  return "";
}

function answerWords(question: Question, right: boolean): string {
  if (question.purpose === "survey") return "answer";
  return right ? "answer, right" : "answer, wrong";
}

