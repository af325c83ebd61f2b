import { Flex, Text } from "@chakra-ui/react";
import {
  AlignCenterHorizontal, AlignCenterVertical, AlignEndHorizontal, AlignEndVertical, AlignHorizontalDistributeCenter,
  AlignHorizontalSpaceBetween, AlignStartHorizontal, AlignStartVertical, AlignVerticalDistributeCenter,
  AlignVerticalSpaceBetween, FlipHorizontal2, FlipVertical2, MoveDown, MoveUp, RectangleHorizontal,
  RectangleVertical, Scaling, ArrowDownToLine, ArrowUpToLine, type LucideIcon,
} from "lucide-react";
import { useState, type ReactNode } from "react";
import { arrangeSelected, type Arrangement } from "../../store/commands";
import { FoldCard } from "../../../kit/FoldCard";
import { Tool } from "../../../kit/Tool";
import { Choose } from "../../../kit/Choose";

type ArrangeEntry = [label: string, how: Arrangement, icon: LucideIcon];
type Entry = ArrangeEntry;

const ALIGN: Entry[] = [
  ["Align left", { edge: "left" }, AlignStartVertical],
  ["Align centres, across", { edge: "center" }, AlignCenterVertical],
  ["Align right", { edge: "right" }, AlignEndVertical],
  ["Align top", { edge: "top" }, AlignStartHorizontal],
  ["Align middles, down", { edge: "middle" }, AlignCenterHorizontal],
  ["Align bottom", { edge: "bottom" }, AlignEndHorizontal],
];
const DISTRIBUTE: Entry[] = [
  ["Equal gaps across", { axis: "across", by: "gaps" }, AlignHorizontalSpaceBetween],
  ["Equal gaps down", { axis: "down", by: "gaps" }, AlignVerticalSpaceBetween],
  ["Centres evenly across", { axis: "across", by: "centres" }, AlignHorizontalDistributeCenter],
  ["Centres evenly down", { axis: "down", by: "centres" }, AlignVerticalDistributeCenter],
];
const MATCH: Entry[] = [
  ["As wide as the first", { side: "width" }, RectangleHorizontal],
  ["As high as the first", { side: "height" }, RectangleVertical],
  ["The same size as the first", { side: "both" }, Scaling],
];
const STACK: Entry[] = [
  ["Bring to front", { level: "front" }, ArrowUpToLine],
  ["One further up (Ctrl ])", { level: "forward" }, MoveUp],
  ["One further down (Ctrl [)", { level: "backward" }, MoveDown],
  ["Send to back", { level: "back" }, ArrowDownToLine],
  ["Mirror", { flip: "across" }, FlipHorizontal2],
  ["Turn upside down", { flip: "down" }, FlipVertical2],
];
/** All of them, for the palette. */
export const ARRANGE: readonly Entry[] = [...ALIGN, ...DISTRIBUTE, ...MATCH, ...STACK];
const TO = [["selection", "each other"], ["slide", "the slide"]] as const;

/** Arrange: everything that puts several things in order, and one thing on the slide. */
export function ArrangeCard({ many }: { many: boolean }): ReactNode {
  const [to, setTo] = useState<"selection" | "slide">("selection");
  const toSlide = !many || to === "slide";
  const row = (name: string, entries: Entry[], places = false): ReactNode => (
    <Flex align="center" gap="0.5" wrap="wrap" py="0.5" role="group" aria-label={name}>
      <Text color="quiet" fontSize="12.5px" w="64px">{name}</Text>
      {entries.map(([label, how, Icon]) => (
        <Tool key={label} label={label} onClick={() => void arrangeSelected(label, { ...how, ...(places ? { to_slide: toSlide } : {}) })}>
          <Icon size={16} />
        </Tool>
      ))}
    </Flex>
  );
  return (
    <FoldCard title="Arrange">
      {many && <Choose label="in line with" value={to} options={TO} onChange={setTo} />}
      {row("line up", ALIGN, true)}
      {many && row("space", DISTRIBUTE, true)}
      {many && row("size", MATCH)}
      {row("order", STACK)}
    </FoldCard>
  );
}
