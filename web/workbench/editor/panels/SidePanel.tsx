import { Box, Flex } from "@chakra-ui/react";
import { History, Images, ListOrdered, Search, Variable } from "lucide-react";
import type { ReactNode } from "react";
import { Tool } from "../../../kit/Tool";
import { VariablesPanel } from "../../does/VariablesPanel";
import { VersionHistory } from "./VersionHistory";
import { SearchPanel } from "./SearchPanel";
import { MediaPanel } from "./MediaPanel";
import { RunningOrder } from "../order/RunningOrder";
import { showPanel, usePanel, type Panel } from "./panels";
import { UploadList } from "./UploadList";

const PANELS = [
  ["order", "Running order", ListOrdered, RunningOrder],
  ["variables", "Variables", Variable, VariablesPanel],
  ["media", "Media", Images, MediaPanel],
  ["find", "Find and replace (Ctrl F)", Search, SearchPanel],
  ["earlier", "Earlier states", History, VersionHistory],
] as const;

/** The left side: the running order, and what is needed now and then in its place. */
export function SidePanel(): ReactNode {
  const panel = usePanel((state) => state.panel);
  const Shown = PANELS.find(([key]) => key === panel)?.[3] ?? RunningOrder;
  return (
    <Flex as="aside" data-pane="order" direction="column" w="276px" flex="none" borderRightWidth="1px" bg="paper" aria-label="Running order and more">
      <Flex px="2.5" py="1.5" gap="1" borderBottomWidth="1px" role="toolbar" aria-label="What stands here">
        {PANELS.map(([key, label, Icon]) => (
          <Tool
            key={key} label={label} aria-pressed={key === panel} bg={key === panel ? "spruce.soft" : undefined}
            onClick={() => showPanel(key as Panel)}
          >
            <Icon size={16} />
          </Tool>
        ))}
      </Flex>
      <Box flex="1" minH="0" overflowY="auto"><Shown /></Box>
      <UploadList />
    </Flex>
  );
}
