import { Box, Skeleton, Text } from "@chakra-ui/react";
import { useLayoutEffect, useRef, useState, type ReactNode } from "react";
import type { Slide } from "../../api/types";
import { t } from "../../words/rehearse";
import { SlidePicture } from "../shell/SlidePicture";
import { useCourse } from "../store/store";

/** The height of the player's bar, in px. */
const BAR = 61;

/** The slide that a rehearsal begins with, as a picture where it will stand, until it runs. */
export function Coming({ slide }: { slide: Slide | undefined }): ReactNode {
  const size = useCourse((state) => state.course.size);
  const box = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  useLayoutEffect(() => {
    const pane = box.current;
    if (pane) setWidth(Math.min(pane.clientWidth, ((pane.clientHeight - BAR) * size.w) / size.h));
  }, [size]);
  return (
    <Box ref={box} position="absolute" inset="0" bg="table" display="flex" flexDirection="column" role="status" data-coming>
      <Box flex="1" minH="0" display="flex" alignItems="center" justifyContent="center" inert>
        {slide && width > 0 ? <SlidePicture slide={slide} w={width} /> : <Skeleton w="80%" h="80%" />}
      </Box>
      <Box h={`${BAR}px`} flex="none" px="4" display="flex" alignItems="center" bg="sheet" borderTopWidth="1px">
        <Text color="quiet">{t("theRehearsalIsStarting")}</Text>
      </Box>
    </Box>
  );
}
