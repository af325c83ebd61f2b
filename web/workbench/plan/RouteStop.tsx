/** A stop of the route: a slide in small with its title, which is read in full when it is looked at. */
import { Box, chakra, Flex, Text, VisuallyHidden } from "@chakra-ui/react";
import { memo, type KeyboardEvent, type ReactNode } from "react";
import { SlidePicture } from "../shell/SlidePicture";
import { useCourse } from "../store/store";
import { t } from "../../words/plan";
import { STOP, type Place } from "./layout";
import { isFound, useSearch } from "./search";

interface Props {
  id: string;
  number: number;
  place: Place;
  /** How many ways leave here that are drawn only while it is looked at. */
  more: number;
  wrong: string;
  reachable: boolean;
  onLook: (id: string | null) => void;
  onOpen: (id: string) => void;
  onKeyDown: (event: KeyboardEvent, id: string) => void;
}

const WIDE = 104;

export const RouteStop = memo(function RouteStop(
  { id, number, place, more, wrong, reachable, onLook, onOpen, onKeyDown }: Props,
): ReactNode {
  const slide = useCourse((state) => state.slides[id]);
  const current = useCourse((state) => state.selection.slide === id);
  const title = slide?.title || t("untitled");
  const found = useSearch((state) => isFound(title, state.text));
  const many = slide?.questions.length ?? 0;
  const marked = current || found;
  return (
    <Box
      position="absolute" left={`${place.x - WIDE / 2}px`} top={`${place.y - STOP.h / 2}px`} w={`${WIDE}px`} zIndex={1} css={LOOKED_AT}
      textAlign="center" display="flex" flexDirection="column" alignItems="center"
      onMouseEnter={() => onLook(id)} onMouseLeave={() => onLook(null)}
    >
      <Box
        w={`${STOP.w}px`} h={`${STOP.h}px`} p="2px" bg="sheet" aria-hidden data-picture
        borderWidth="2px" borderRadius="7px" position="relative" {...(wrong ? WRONG : marked ? MARKED : USUAL)}
      >
        {slide && <Flex borderRadius="4px" overflow="hidden" h="100%" align="center" bg="spruce.soft"><SlidePicture slide={slide} w={STOP.w - 8} /></Flex>}
        {many > 0 && <Mark right="-9px" bg="spruce" color="onSpruce">?</Mark>}
        {more > 0 && <Mark left="-9px" bg="sheet" color="spruce" borderWidth="1.5px" borderColor="spruce">{more}</Mark>}
      </Box>
      <chakra.button
        type="button" data-route-stop={id} tabIndex={reachable ? 0 : -1} aria-current={current ? "step" : undefined} cursor="pointer" maxW="100%"
        _before={WHOLE} onFocus={() => onLook(id)} onBlur={() => onLook(null)} onClick={() => onOpen(id)} onKeyDown={(event) => onKeyDown(event, id)}
      >
        <Text
          as="span" data-title mt="1" px="1" fontSize="12.5px" lineHeight="1.25" fontWeight={current ? 700 : 600} bg="paper" borderRadius="4px"
          lineClamp={2}
        >
          <Box as="span" color="quiet" fontWeight="400">{number} </Box>{title}
        </Text>
        {wrong && <Text as="span" display="block" fontSize="11.5px" color="brick" bg="paper" px="1" lineHeight="1.2">{wrong}</Text>}
        <VisuallyHidden>{spoken(many, more)}</VisuallyHidden>
      </chakra.button>
    </Box>
  );
});

/** Its picture is part of the button to the pointer, but not to a screen reader. */
const WHOLE = { content: '""', position: "absolute", inset: 0 } as const;

const USUAL = { borderColor: "edge" };
const WRONG = { borderColor: "brick", borderStyle: "dashed" };
const MARKED = { borderColor: "marigold", boxShadow: "0 0 0 3px {colors.marigold.soft}" };

/** What the marks at its corners say. */
function spoken(many: number, more: number): string {
  return [many ? t("questions2", { count: many }) : "", more ? t("ways", { count: more }) : ""].filter(Boolean).join(", ");
}

/** The whole title, over what lies below it. */
const LOOKED_AT = {
  "&:hover, &:focus-within": { zIndex: 3 },
  "&:hover [data-title], & :focus-visible [data-title]": { WebkitLineClamp: "unset", boxShadow: "0 0 0 1px #d8cdb9" },
} as const;

/** A round mark at a corner of the picture. */
function Mark({ children, ...look }: { children: ReactNode; left?: string; right?: string; bg: string; color: string; borderWidth?: string; borderColor?: string }): ReactNode {
  return (
    <Flex
      position="absolute" top="-9px" w="20px" h="20px" align="center" justify="center" borderRadius="full" fontSize="12px" fontWeight="700" aria-hidden
      {...look}
    >
      {children}
    </Flex>
  );
}
