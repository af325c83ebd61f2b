import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { closestCenter, DndContext, PointerSensor, useSensor, useSensors, type DragEndEvent } from "@dnd-kit/core";
import { SortableContext, verticalListSortingStrategy } from "@dnd-kit/sortable";
import { ChevronDown, ChevronRight } from "lucide-react";
import { useMemo, useState, type ReactNode } from "react";
import type { Element, Slide } from "../../../api/types";
import { answersOf } from "../../judges/parts";
import { reorderElement } from "../../store/commands";
import { useCourse } from "../../store/store";
import { Overlays } from "./Overlays";
import { depthOf, Row } from "./Row";
import { isDecoration } from "./rowText";
import { t } from "../../../words/editor";

/** The running order: all that is on the slide, in the order in which it is read and reached. */
export function RunningOrder(): ReactNode {
  const slide = useCourse((state) => (state.selection.slide ? state.slides[state.selection.slide] : undefined));
  const [read, rest] = useMemo(() => readAndRest(slide), [slide]);
  // Only this much of the selection matters here, or each would draw all rows anew.
  const inRest = useCourse((state) => rest.some(({ id }) => state.selection.selected.includes(id)));
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
        {t("runningOrder")}
      </Heading>
      {!slide.elements.length && (
        <Text px="3.5" color="quiet">
          {t("nothingOnThisSlideYet")}
        </Text>
      )}
      <SortableContext items={read.map((e) => e.id)} strategy={verticalListSortingStrategy}>
        <Box as="ol" listStyleType="none">
          {read.map((element, index) => (
            <Row key={element.id} {...{ slide, element }} number={index + 1} depth={depthOf(slide, element)} />
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
            {t("decorationNotReadRest", { rest: rest.length })}
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

/** What is read out, in order, and what is not: the decoration. */
function readAndRest(slide: Slide | undefined): [Element[], Element[]] {
  const here = slide?.elements.filter((element) => !element.overlay) ?? [];
  // What answers a question is never decoration, even while there are no words for it.
  const operated = new Set(slide?.questions.flatMap(answersOf));
  const isRead = (element: Element): boolean => operated.has(element.id) || !isDecoration(element, slide);
  return [here.filter(isRead), here.filter((element) => !isRead(element))];
}
