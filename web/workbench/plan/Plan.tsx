import { Box, Flex } from "@chakra-ui/react";
import { useDeferredValue, type ReactNode } from "react";
import { NotesPanel } from "./NotesPanel";
import { Outline } from "./Outline";
import { RouteMap } from "./RouteMap";
import { usePlanKeys } from "./usePlanKeys";
import { t } from "../../words/plan";

/** Plan: the course as an outline to type into, beside the route that it makes. */
export default function Plan(): ReactNode {
  usePlanKeys();
  // The route of a large course takes a while to lay out: the outline does not wait for it.
  const outlined = useDeferredValue(true, false);
  return (
    <Flex h="100%">
      <Flex as="aside" direction="column" w="320px" flex="none" borderRightWidth="1px" bg="paper" aria-label={t("outline")}>
        <Box flex="1" minH="0"><Outline /></Box>
        <NotesPanel />
      </Flex>
      <Box flex="1" minW="0" bg="paper">{outlined && <RouteMap />}</Box>
    </Flex>
  );
}
