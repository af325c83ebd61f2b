/** A stop of the route: a slide in small, or a folded section. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { Handle, Position, useStore, type NodeProps } from "@xyflow/react";
import { memo, type ReactNode } from "react";
import { useCourse } from "../store/store";
import { SlidePicture } from "../shell/SlidePicture";
import { isFound, useSearch } from "./search";
import { t } from "../../words/plan";

export interface StopData extends Record<string, unknown> {
  number: number;
  slides: number;
  unreached: boolean;
  deadEnd: boolean;
}

const W = 104;
/** Below this zoom a slide's picture says nothing; its number does. */
const TOO_SMALL = 0.42;

/** Ways end in the middle of a stop. */
function Ends(): ReactNode {
  const style = { left: W / 2, top: 34, opacity: 0, pointerEvents: "none" as const };
  return (
    <>
      <Handle type="target" position={Position.Top} style={style} isConnectable={false} />
      <Handle type="source" position={Position.Top} style={style} isConnectable={false} />
    </>
  );
}

const WRONG = { borderColor: "brick", borderStyle: "dashed" };
const HERE = { borderColor: "marigold", borderStyle: "solid" };
const USUAL = { borderColor: "edge", borderStyle: "solid" };

function StopTitle({ number, title, small, current }: { number: number; title: string; small: boolean; current: boolean }): ReactNode {
  return (
    <Text fontSize={small ? "19px" : "12.5px"} fontWeight={current ? 700 : 600} truncate mt="1">
      <Box as="span" color="quiet" fontWeight="400">{number} </Box>{title || t("untitled")}
    </Text>
  );
}

/** In place of a picture that would be too small to see. */
function BigNumber({ number }: { number: number }): ReactNode {
  return (
    <Flex h="54px" align="center" justify="center" bg="spruce.soft" borderRadius="5px" fontSize="30px" fontWeight="700" color="spruce" aria-hidden>
      {number}
    </Flex>
  );
}

/** How many questions the slide has, at its corner. */
function Questions({ many }: { many: number }): ReactNode {
  if (!many) return null;
  return (
    <Flex position="absolute" top="-9px" right="-9px" w="24px" h="24px" align="center" justify="center" aria-label={t("questions2", { count: many })}>
      <Box position="absolute" w="17px" h="17px" bg="spruce" transform="rotate(45deg)" borderRadius="3px" />
      <Text position="relative" color="onSpruce" fontSize="11px" fontWeight="700">{many}</Text>
    </Flex>
  );
}

export const SlideStop = memo(function SlideStop({ id, data }: NodeProps): ReactNode {
  const slide = useCourse((state) => state.slides[id]);
  const { number, unreached, deadEnd } = data as StopData;
  const current = useCourse((state) => state.selection.slide === id);
  const title = slide?.title ?? "";
  const found = useSearch((state) => isFound(title, state.text));
  const small = useStore((state) => state.transform[2] < TOO_SMALL);
  const wrong = unreached ? t("nothingLeadsHere") : deadEnd && t("leadsNowhere");
  return (
    <Box w={`${W}px`} textAlign="center" cursor="pointer" data-route-stop={id} title={title}>
      <Ends />
      <Box
        bg="sheet" p="2px" borderWidth="2px" borderRadius="8px" minH="62px" position="relative"
        {...(wrong ? WRONG : current || found ? HERE : USUAL)}
        boxShadow={found ? "0 0 0 4px {colors.marigold.soft}" : undefined}
      >
        {small ? <BigNumber number={number} /> : (
          <Box borderRadius="5px" overflow="hidden" aria-hidden>{slide && <SlidePicture slide={slide} w={W - 8} />}</Box>
        )}
        {slide && <Questions many={slide.questions.length} />}
      </Box>
      <StopTitle number={number} title={title} small={small} current={current} />
      {wrong && <Text fontSize="11.5px" color="brick">{wrong}</Text>}
    </Box>
  );
});

export const FoldedStop = memo(function FoldedStop({ id, data }: NodeProps): ReactNode {
  const { slides } = data as StopData;
  const title = useCourse((state) => state.course.sections.find((section) => section.id === id)?.title ?? "");
  const found = useSearch((state) => isFound(title, state.text));
  return (
    <Box w={`${W}px`} textAlign="center" cursor="pointer" title={t("unfold")}>
      <Ends />
      <Flex
        direction="column" justify="center" minH="66px" px="2" bg="spruce.soft" borderWidth="2px" borderRadius="8px"
        borderColor={found ? "marigold" : "spruce"} boxShadow="4px 4px 0 {colors.edge}"
      >
        <Text fontFamily="heading" fontWeight="700" color="spruce" fontSize="13px" lineClamp={2}>{title || t("section")}</Text>
        <Text fontSize="11.5px" color="quiet">{t("slides", { count: slides })}</Text>
      </Flex>
    </Box>
  );
});
