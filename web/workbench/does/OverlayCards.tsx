import { Flex, Stack } from "@chakra-ui/react";
import { Trash2 } from "lucide-react";
import type { ReactNode } from "react";
import type { Overlay, Slide } from "../../api/types";
import { changeOverlay, removeOverlay } from "../editor/stage/overlays";
import { Check } from "../../kit/Check";
import { Choose } from "../../kit/Choose";
import { TextField } from "../../kit/TextField";
import { FoldCard } from "../../kit/FoldCard";
import { QuietButton } from "../../kit/QuietButton";
import { Rules } from "./Rules";

const AGAIN = [["reset", "as it was at first"], ["resume", "as it was left"]] as const;

/** Settings of the overlay that is edited. */
export function OverlayCards({ slide, overlay }: { slide: Slide; overlay: Overlay }): ReactNode {
  const change = (part: Partial<Overlay>): void => changeOverlay(slide, { ...overlay, ...part });
  return (
    <>
      <FoldCard title="This overlay">
        <Stack gap="1">
          <TextField label="Name, read out when it opens" value={overlay.name} onChange={(name) => change({ name })} />
          <Check label="Dim what is below" value={overlay.dims} onChange={(dims) => change({ dims })} />
          <Check label="Block what is below" value={overlay.blocks} onChange={(blocks) => change({ blocks })} />
          <Check label="Pause the slide’s timing" value={overlay.pauses} onChange={(pauses) => change({ pauses })} />
          <Check label="Close the others when it opens" value={overlay.closes_others} onChange={(closes_others) => change({ closes_others })} />
          <Check label="Close on Escape" value={overlay.on_escape} onChange={(on_escape) => change({ on_escape })} />
          <Check label="Close on a click beside it" value={overlay.on_outside} onChange={(on_outside) => change({ on_outside })} />
          <Choose label="opens" value={overlay.again} options={AGAIN} onChange={(again) => change({ again })} />
          <Flex pt="1">
            <QuietButton size="xs" color="brick" onClick={() => void removeOverlay(overlay.id)}>
              <Trash2 size={14} /> Delete with all that is on it
            </QuietButton>
          </Flex>
        </Stack>
      </FoldCard>
      <FoldCard title="Does">
        <Rules
          rules={overlay.rules} owner={{ kind: "overlay", id: overlay.id, name: overlay.name }} slide={slide}
          empty="No sentence yet: what happens when it opens, closes, or after some time?"
          onChange={(label, rules) => changeOverlay(slide, { ...overlay, rules }, label)}
        />
      </FoldCard>
    </>
  );
}
