/** Build: the slide twice, as words in order and as a picture, with what it does beside it. */
import { Box, Flex } from "@chakra-ui/react";
import { useRef, useState, type ReactNode } from "react";
import { ShortcutBar } from "./ShortcutBar";
import { Cards } from "./Cards";
import { Palette, type PaletteRequest } from "./Palette";
import { RouteStrip } from "./RouteStrip";
import { SidePanel } from "./SidePanel";
import { Stage } from "./Stage";
import { useShortcuts } from "./useShortcuts";

export function Build(): ReactNode {
  const [palette, setPalette] = useState<PaletteRequest | null>(null);
  const pointer = useRef<[number, number] | null>(null);
  useShortcuts((at) => setPalette({ at: at ?? pointer.current }));
  return (
    <Flex direction="column" h="100%">
      <RouteStrip />
      <Flex flex="1" minH="0">
        <SidePanel />
        <Stage pointer={pointer} onAdd={(at) => setPalette({ at })} />
        <Box
          as="aside" w="296px" flex="none" borderLeftWidth="1px" bg="paper" overflowY="auto"
          aria-label="Cards"
        >
          <Cards />
        </Box>
      </Flex>
      <ShortcutBar />
      {palette && <Palette request={palette} onClose={() => setPalette(null)} />}
    </Flex>
  );
}
