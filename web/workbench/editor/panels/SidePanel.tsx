import { Box, Flex } from "@chakra-ui/react";
import { Flag, History, Images, ListOrdered, PanelLeftClose, Search, Variable } from "lucide-react";
import type { ReactNode } from "react";
import { Tool } from "../../../kit/Tool";
import { VariablesPanel } from "../../does/VariablesPanel";
import { FindingsPanel } from "./FindingsPanel";
import { VersionHistory } from "./VersionHistory";
import { SearchPanel } from "./SearchPanel";
import { MediaPanel } from "./MediaPanel";
import { RunningOrder } from "../order/RunningOrder";
import { showPanel, usePanel, type Panel } from "./panels";
import { toggleView } from "../stage/view";
import { UploadList } from "./UploadList";
import { t } from "../../../words/editor";

const PANELS = [
  ["order", t("runningOrder"), ListOrdered, RunningOrder],
  ["variables", t("variables"), Variable, VariablesPanel],
  ["media", t("media"), Images, MediaPanel],
  ["find", t("findAndReplaceCtrlF"), Search, SearchPanel],
  ["findings", t("findings"), Flag, FindingsPanel],
  ["earlier", t("versionHistory"), History, VersionHistory],
] as const;

/** The left side: the running order, and what is needed now and then in its place. */
export function SidePanel({ width }: { width: number }): ReactNode {
  const panel = usePanel((state) => state.panel);
  const Shown = PANELS.find(([key]) => key === panel)?.[3] ?? RunningOrder;
  return (
    <Flex as="aside" data-pane="order" direction="column" w={`${width}px`} flex="none" borderRightWidth="1px" bg="paper" aria-label={t("runningOrderAndMore")}>
      <Flex px="2" py="1.5" gap="0.5" borderBottomWidth="1px" role="toolbar" aria-label={t("panel")}>
        {PANELS.map(([key, label, Icon]) => (
          <Tool
            key={key} label={label} aria-pressed={key === panel} bg={key === panel ? "spruce.soft" : undefined}
            onClick={() => showPanel(key as Panel)}
          >
            <Icon size={16} />
          </Tool>
        ))}
        <Box flex="1" />
        <Tool label={t("hideThisPanel")} onClick={() => toggleView("order")}><PanelLeftClose size={16} /></Tool>
      </Flex>
      <Box flex="1" minH="0" overflowY="auto"><Shown /></Box>
      <UploadList />
    </Flex>
  );
}
