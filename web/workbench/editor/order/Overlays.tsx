import { Box, Flex, Text } from "@chakra-ui/react";
import { verticalListSortingStrategy, SortableContext } from "@dnd-kit/sortable";
import { PictureInPicture2, Plus } from "lucide-react";
import type { ReactNode } from "react";
import type { Slide } from "../../../api/types";
import { QuietButton } from "../../../kit/QuietButton";
import { addOverlay, editOverlay, useOverlay } from "../stage/overlays";
import { Row } from "./Row";
import { rowsOf } from "./rows";
import { shownWay } from "../../does/ShownWhen";
import { t } from "../../../words/editor";

/** The overlays of a slide in the running order, each with what is on it. */
export function Overlays({ slide }: { slide: Slide }): ReactNode {
  const active = useOverlay((state) => state.overlay);
  return (
    <Box pt="2" pb="3">
      {slide.overlays.map((overlay) => {
        const inside = slide.elements.filter((element) => element.overlay === overlay.id);
        const open = overlay.id === active;
        return (
          <Box key={overlay.id} data-overlay={overlay.id}>
            <Flex
              as="button" align="center" gap="2.5" w="100%" px="3.5" py="2" textAlign="left" aria-pressed={open}
              bg={open ? "marigold.soft" : undefined} borderLeftWidth="4px" borderColor={open ? "marigold" : "transparent"}
              onClick={() => editOverlay(open ? null : overlay.id)}
            >
              <PictureInPicture2 size={16} aria-hidden />
              <Box flex="1" minW="0">
                <Text fontWeight="600" truncate>{overlay.name}</Text>
                {shownWay(overlay) !== "hidden" && (
                  <Text color="quiet" fontSize="12px">{shownWay(overlay) === "always" ? t("openFromTheStart") : t("shownOnlyWhenACondition")}</Text>
                )}
              </Box>
              <Text color="quiet" fontSize="12px">{inside.length ? t("insideOnIt", { inside: inside.length }) : t("empty")}</Text>
            </Flex>
            {open && (
              <SortableContext items={inside.map((e) => e.id)} strategy={verticalListSortingStrategy}>
                <Box as="ol" listStyleType="none" pl="3">
                  {rowsOf(slide, inside).map((row, index) => <Row key={row.element.id} {...row} number={index + 1} />)}
                </Box>
              </SortableContext>
            )}
          </Box>
        );
      })}
      <Box px="3">
        <QuietButton size="xs" variant="ghost" onClick={() => void addOverlay()}><Plus size={14} />{t("overlay")}</QuietButton>
      </Box>
    </Box>
  );
}
