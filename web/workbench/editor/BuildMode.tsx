/** Build: the slide twice, as words in order and as a picture, with what it does beside it. */
import { Box, Flex } from "@chakra-ui/react";
import { lazy, Suspense, useEffect, useRef, useState, type ReactNode } from "react";
import { useCourse } from "../store/store";
import { ShortcutBar } from "./commands/ShortcutBar";
import { Cards } from "./Cards";
import { Palette, type PaletteRequest } from "./commands/Palette";
import { RouteStrip } from "./strip/RouteStrip";
import { SidePanel } from "./panels/SidePanel";
import { nowhere, Stage } from "./stage/Stage";
import { useTiming } from "../timing/useTiming";
import { useShortcuts } from "./commands/useShortcuts";

const TimingDrawer = lazy(() => import("../timing/TimingDrawer"));

/** Build: the slide, its running order on the left, its cards on the right, timing below. */
export function Build(): ReactNode {
  const timed = useTiming((state) => state.open);
  const [palette, setPalette] = useState<PaletteRequest | null>(null);
  const pointer = useRef<() => [number, number] | null>(nowhere);
  useShortcuts((at) => setPalette({ at: at ?? pointer.current() }));
  return (
    <Flex direction="column" h="100%">
      <RouteStrip />
      <Flex flex="1" minH="0">
        <SidePanel />
        <Stage pointer={pointer} onAdd={(at) => setPalette({ at })} />
        <CardsColumn />
      </Flex>
      {timed && <Suspense><TimingDrawer /></Suspense>}
      <ShortcutBar />
      {palette && <Palette request={palette} onClose={() => setPalette(null)} />}
    </Flex>
  );
}

/** The cards begin at their top whenever something else is selected. */
function CardsColumn(): ReactNode {
  const column = useRef<HTMLDivElement>(null);
  const about = useCourse((state) => `${state.selection.slide ?? ""} ${state.selection.selected.join()}`);
  useEffect(() => { column.current?.scrollTo({ top: 0 }); }, [about]);
  return (
    <Box
      ref={column} as="aside" w="296px" flex="none" borderLeftWidth="1px" bg="paper" overflowY="auto" aria-label="Cards" data-pane="cards"
    >
      <Cards />
    </Box>
  );
}
