import { Flex, Text } from "@chakra-ui/react";
import {
  AlignCenterHorizontal, AlignCenterVertical, AlignEndHorizontal, AlignEndVertical, AlignHorizontalDistributeCenter,
  AlignHorizontalSpaceBetween, AlignStartHorizontal, AlignStartVertical, AlignVerticalDistributeCenter,
  AlignVerticalSpaceBetween, Columns3, FlipHorizontal2, FlipVertical2, MoveDown, MoveUp, RectangleHorizontal,
  RectangleVertical, Scaling, ArrowDownToLine, ArrowUpToLine, type LucideIcon,
} from "lucide-react";
import { useState, type ReactNode } from "react";
import { arrangeSelected, type Arrangement } from "../../store/commands";
import { FoldCard } from "../../../kit/FoldCard";
import { Tool } from "../../../kit/Tool";
import { Choose } from "../../../kit/Choose";
import { t } from "../../../words/editor";

type ArrangeEntry = [label: string, how: Arrangement, icon: LucideIcon];
type Entry = ArrangeEntry;

const ALIGN: Entry[] = [
  [t("alignLeft"), { edge: "left" }, AlignStartVertical],
  [t("alignCentresHorizontally"), { edge: "center" }, AlignCenterVertical],
  [t("alignRight"), { edge: "right" }, AlignEndVertical],
  [t("alignTop"), { edge: "top" }, AlignStartHorizontal],
  [t("alignMiddlesVertically"), { edge: "middle" }, AlignCenterHorizontal],
  [t("alignBottom"), { edge: "bottom" }, AlignEndHorizontal],
];
const DISTRIBUTE: Entry[] = [
  [t("distributeHorizontally"), { axis: "across", by: "gaps" }, AlignHorizontalSpaceBetween],
  [t("distributeVertically"), { axis: "down", by: "gaps" }, AlignVerticalSpaceBetween],
  [t("distributeCentresHorizontally"), { axis: "across", by: "centres" }, AlignHorizontalDistributeCenter],
  [t("distributeCentresVertically"), { axis: "down", by: "centres" }, AlignVerticalDistributeCenter],
];
const MATCH: Entry[] = [
  [t("sameWidthAsTheFirst"), { side: "width" }, RectangleHorizontal],
  [t("sameHeightAsTheFirst"), { side: "height" }, RectangleVertical],
  [t("sameSizeAsTheFirst"), { side: "both" }, Scaling],
  [t("sideBySide"), { row: true }, Columns3],
];
const STACK: Entry[] = [
  [t("toFront"), { level: "front" }, ArrowUpToLine],
  [t("forwardOneCtrl"), { level: "forward" }, MoveUp],
  [t("backwardOneCtrl"), { level: "backward" }, MoveDown],
  [t("toBack"), { level: "back" }, ArrowDownToLine],
  [t("flipHorizontally"), { flip: "across" }, FlipHorizontal2],
  [t("flipVertically"), { flip: "down" }, FlipVertical2],
];
/** All of them, for the palette. */
export const ARRANGE: readonly Entry[] = [...ALIGN, ...DISTRIBUTE, ...MATCH, ...STACK];
const TO = [["selection", t("eachOther")], ["slide", t("theSlide")]] as const;

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
    <FoldCard title={t("arrange")} starts={many ? "open" : "closed"}>
      {many && <Choose label={t("alignTo")} value={to} options={TO} onChange={setTo} />}
      {row(t("align"), ALIGN, true)}
      {many && row(t("distribute"), DISTRIBUTE, true)}
      {many && row(t("matchSize"), MATCH)}
      {row(t("order"), STACK)}
    </FoldCard>
  );
}
