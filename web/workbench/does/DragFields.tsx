import { Box, Flex, Text } from "@chakra-ui/react";
import { X } from "lucide-react";
import type { ReactNode } from "react";
import type { Drag, Element, Slide } from "../../api/types";
import { Check } from "../../kit/Check";
import { Choose } from "../../kit/Choose";
import { DEFAULTS } from "../../api/defaults";
import { NumberField } from "../../kit/NumberField";
import { changeElements } from "../store/store";
import { Tool } from "../../kit/Tool";
import { Word, WordChoice } from "./Word";
import { t } from "../../words/does";

const FRESH: Drag = DEFAULTS.Drag;

const ON_TARGET = [
  ["snap", t("snapsToItsCentre")], ["stay", t("staysWhereItIsDropped")], ["place", t("goesToAPosition")], ["return", t("goesBack")],
  ["overlay", t("isReplacedByAnOverlay")],
] as const;
const ELSEWHERE = [["return", t("goesBack")], ["stay", t("stays")]] as const;

/** Whether an element can be dragged, where to, and what becomes of it there. */
export function DragFields({ element, slide }: { element: Element; slide: Slide }): ReactNode {
  const { drag } = element;
  const put = (next: Drag | null): void => changeElements(t("drag"), [element.id], (e) => ({ ...e, drag: next }) as Element, `drag-${element.id}`);
  const change = (part: Partial<Drag>): void => put({ ...(drag ?? FRESH), ...part });
  const name = (id: string): string => slide.elements.find((other) => other.id === id)?.name ?? t("aDeletedElement");
  const free = slide.elements.filter((other) => other.id !== element.id && !drag?.targets.includes(other.id) && other.kind !== "group");
  return (
    <Box mt="2" pt="2" borderTopWidth="1px">
      <Check label={t("learnersCanDragIt")} help={t("helpDraggable")} value={Boolean(drag)} onChange={(on) => put(on ? FRESH : null)} />
      {drag && (
        <>
          <Flex wrap="wrap" align="center" gap="1" lineHeight="2">
            <span>{t("onto")}</span>
            {drag.targets.map((id) => (
              <Flex key={id} as="span" align="center">
                <Word>{name(id)}</Word>
                <Tool label={t("notOntoName", { name: name(id) })} onClick={() => change({ targets: drag.targets.filter((other) => other !== id) })}><X size={12} /></Tool>
              </Flex>
            ))}
            <WordChoice
              label={t("aTarget")} value="" options={[["", drag.targets.length ? t("or2") : "…"], ...free.map((other): [string, string] => [other.id, other.name])]}
              onChange={(id) => change({ targets: [...drag.targets, id] })}
            />
          </Flex>
          <Choose label={t("whenDroppedOnIt")} value={drag.on_target} options={ON_TARGET} onChange={(on_target) => change({ on_target })} />
          {drag.on_target === "place" && (
            <Flex gap="2">
              <NumberField label={t("left")} value={drag.x} onChange={(x) => change({ x })} />
              <NumberField label={t("top")} value={drag.y} onChange={(y) => change({ y })} />
            </Flex>
          )}
          {drag.on_target === "overlay" && (
            <Choose
              label={t("overlay")} value={drag.overlay ?? ""} onChange={(overlay) => change({ overlay: overlay || null })}
              options={[["", "…"], ...slide.overlays.map((overlay) => [overlay.id, overlay.name] as const)]}
            />
          )}
          <NumberField label={t("countsWithinPx")} help={t("helpCountsWithin")} value={drag.reach} min={0} max={500} onChange={(reach) => change({ reach: Math.round(reach) })} />
          <Choose label={t("whenDroppedElsewhere")} help={t("helpDroppedElsewhere")} value={drag.elsewhere} options={ELSEWHERE} onChange={(elsewhere) => change({ elsewhere })} />
          <Text fontSize="12.5px" color="quiet">{t("byKeyboardEnterPicksIt")}</Text>
        </>
      )}
    </Box>
  );
}
