import { Flex, Text } from "@chakra-ui/react";
import { Clock, Grid3x3, Magnet, Maximize, Plus, Ruler, ZoomIn, ZoomOut } from "lucide-react";
import type { ReactNode } from "react";
import { Kbd } from "../../../kit/Kbd";
import { Tool } from "../../../kit/Tool";
import { toggleTiming, useTiming } from "../../timing/useTiming";
import { toggleView, useView, zoomBy, zoomToFit } from "./view";

/** What floats below the slide: adding, how large it is shown, what helps in placing things. */
export function StageBar({ scale, onAdd }: { scale: number; onAdd: () => void }): ReactNode {
  const { grid, rulers, snapping } = useView();
  const timed = useTiming((state) => state.open);
  const toggles = [
    ["snapping", "Hold on to edges and gaps", snapping, Magnet],
    ["grid", "Grid", grid, Grid3x3],
    ["rulers", "Rulers and guides", rulers, Ruler],
  ] as const;
  return (
    <Flex
      position="absolute" bottom="12px" left="50%" transform="translateX(-50%)" bg="sheet" borderRadius="full"
      px="4" py="1" gap="1.5" align="center" boxShadow="0 2px 12px rgb(34 48 43 / 16%)" role="toolbar" aria-label="View"
    >
      <Flex as="button" align="center" gap="2" color="spruce" fontWeight="700" mr="2" onClick={onAdd}>
        <Plus size={17} /> Add <Kbd>/</Kbd>
      </Flex>
      <Tool label="Timing (T)" aria-pressed={timed} bg={timed ? "spruce.soft" : undefined} onClick={toggleTiming}><Clock size={15} /></Tool>
      {toggles.map(([what, label, on, Icon]) => (
        <Tool key={what} label={label} aria-pressed={on} bg={on ? "spruce.soft" : undefined} onClick={() => toggleView(what)}>
          <Icon size={15} />
        </Tool>
      ))}
      <Tool label="Smaller (Ctrl −)" onClick={() => zoomBy(-1)}><ZoomOut size={15} /></Tool>
      <Text color="quiet" fontSize="13px" minW="40px" textAlign="center">{Math.round(scale * 100)} %</Text>
      <Tool label="Larger (Ctrl +)" onClick={() => zoomBy(1)}><ZoomIn size={15} /></Tool>
      <Tool label="Whole slide (Ctrl 0)" onClick={zoomToFit}><Maximize size={15} /></Tool>
    </Flex>
  );
}
