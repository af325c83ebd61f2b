import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { closestCenter, DndContext, type DragEndEvent } from "@dnd-kit/core";
import { SortableContext, verticalListSortingStrategy } from "@dnd-kit/sortable";
import { ChevronDown, ChevronRight } from "lucide-react";
import { useDeferredValue, useMemo, useState, type ReactNode } from "react";
import { reorderElement } from "../../store/commands";
import { useDragSensors } from "../../../kit/useDragSensors";
import { currentSlide, useCourse } from "../../store/store";
import { DialogueRows } from "../../dialogue/DialogueRows";
import { Overlays } from "./Overlays";
import { Row } from "./Row";
import { RowMenu } from "./RowMenu";
import { readAndRest, type OrderRow } from "./rows";
import { t } from "../../../words/editor";

/** The running order: all that is on the slide, in the order in which it is read and reached. */
export function RunningOrder(): ReactNode {
  const sensors = useDragSensors();
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
      <RowMenu><Rows /></RowMenu>
    </DndContext>
  );
}

function drop({ active, over }: DragEndEvent): void {
  const elements = currentSlide()?.elements ?? [];
  if (over && active.id !== over.id) reorderElement(String(active.id), elements.findIndex((e) => e.id === over.id));
}

/** The rows: what is read out, the decoration, the overlays. */
function Rows(): ReactNode {
  // The slide itself comes first; the list follows as soon as that is drawn.
  const slide = useDeferredValue(useCourse((state) => (state.selection.slide ? state.slides[state.selection.slide] : undefined)));
  const [read, rest] = useMemo(() => readAndRest(slide), [slide]);
  // Only this much of the selection matters here, or each would draw all rows anew.
  const inRest = useDeferredValue(useCourse((state) => rest.some(({ element }) => state.selection.selected.includes(element.id))));
  const [readIds, restIds] = [useIds(read), useIds(rest)];
  const [folded, setFolded] = useState(true);
  if (!slide) return null;
  const closed = folded && !inRest;
  return (
    <>
      <Heading as="h2" fontSize="14px" fontFamily="body" fontWeight="700" px="3.5" pt="3" pb="2">
        {t("runningOrder")}
      </Heading>
      {!slide.elements.length && !slide.dialogues.length && <Text px="3.5" color="quiet">{t("nothingOnThisSlideYet")}</Text>}
      <SortableContext items={readIds} strategy={verticalListSortingStrategy}>
        <Box as="ol" listStyleType="none">
          {read.map((row, index) => <Row key={row.element.id} {...row} number={index + 1} />)}
        </Box>
      </SortableContext>
      <DialogueRows slide={slide} before={read.length} />
      {rest.length > 0 && (
        <Flex
          as="button" px="3.5" py="2" gap="2" color="quiet" align="center" w="100%"
          onClick={() => setFolded(!folded)} aria-expanded={!closed}
        >
          {closed ? <ChevronRight size={16} /> : <ChevronDown size={16} />}
          {t("decorationNotReadRest", { rest: rest.length })}
        </Flex>
      )}
      {!closed && (
        <SortableContext items={restIds} strategy={verticalListSortingStrategy}>
          <Box as="ul" listStyleType="none">
            {rest.map((row) => <Row key={row.element.id} {...row} number={null} depth={0} />)}
          </Box>
        </SortableContext>
      )}
      <Overlays slide={slide} />
    </>
  );
}

/** The ids of rows: the same list as long as they stay the same, so that no row is drawn for another one's letter. */
function useIds(rows: readonly OrderRow[]): string[] {
  const ids = rows.map(({ element }) => element.id).join(" ");
  return useMemo(() => (ids ? ids.split(" ") : []), [ids]);
}
