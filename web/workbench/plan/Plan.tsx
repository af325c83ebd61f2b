import { Box, Flex } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { NotesPanel } from "./NotesPanel";
import { Outline } from "./Outline";
import { RouteMap } from "./RouteMap";
import { usePlanKeys } from "./usePlanKeys";

/** Plan: the course as an outline to type into, beside the route that it makes. */
export default function Plan(): ReactNode {
  usePlanKeys();
  return (
    <Flex h="100%">
      <Flex as="aside" direction="column" w="380px" flex="none" borderRightWidth="1px" bg="paper" aria-label="Outline">
        <Box flex="1" minH="0"><Outline /></Box>
        <NotesPanel />
      </Flex>
      <Box flex="1" minW="0" bg="paper"><RouteMap /></Box>
    </Flex>
  );
}
