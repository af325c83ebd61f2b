import { Flex, Stack } from "@chakra-ui/react";
import { Trash2 } from "lucide-react";
import { memo, type ReactNode } from "react";
import type { Overlay, Slide } from "../../api/types";
import { changeOverlay, removeOverlay } from "../editor/stage/overlays";
import { Check } from "../../kit/Check";
import { Choose } from "../../kit/Choose";
import { TextField } from "../../kit/TextField";
import { FoldCard } from "../../kit/FoldCard";
import { QuietButton } from "../../kit/QuietButton";
import { Rules } from "./Rules";
import { OverlayShownWhen } from "./ShownWhen";
import { t } from "../../words/does";

const AGAIN = [["reset", t("asAtTheStart")], ["resume", t("asTheLearnerLeftIt")]] as const;

/** Settings of the overlay that is edited. */
export const OverlayCards = memo(function OverlayCards({ slide, overlay }: { slide: Slide; overlay: Overlay }): ReactNode {
  const change = (part: Partial<Overlay>): void => changeOverlay(slide, { ...overlay, ...part });
  return (
    <>
      <FoldCard title={t("thisOverlay")}>
        <Stack gap="1">
          <TextField label={t("nameReadOutWhenIt")} value={overlay.name} onChange={(name) => change({ name })} />
          <OverlayShownWhen overlay={overlay} slide={slide} />
          <Check label={t("dimWhatIsBelow")} help={t("helpDimBelow")} value={overlay.dims} onChange={(dims) => change({ dims })} />
          <Check label={t("blockWhatIsBelow")} help={t("helpBlockWhatIsBelow")} value={overlay.blocks} onChange={(blocks) => change({ blocks })} />
          <Check label={t("pauseTheSlidesTiming")} help={t("helpPauseTiming")} value={overlay.pauses} onChange={(pauses) => change({ pauses })} />
          <Check label={t("closeTheOthersWhenIt")} value={overlay.closes_others} onChange={(closes_others) => change({ closes_others })} />
          <Check label={t("closeOnEscape")} value={overlay.on_escape} onChange={(on_escape) => change({ on_escape })} />
          <Check label={t("closeOnAClickOutside")} value={overlay.on_outside} onChange={(on_outside) => change({ on_outside })} />
          <Choose label={t("whenOpenedAgain")} help={t("helpWhenOpenedAgain")} value={overlay.again} options={AGAIN} onChange={(again) => change({ again })} />
          <Flex pt="1">
            <QuietButton size="xs" color="brick" onClick={() => void removeOverlay(overlay.id)}>
              <Trash2 size={14} />{t("deleteTheOverlayAndIts")}
            </QuietButton>
          </Flex>
        </Stack>
      </FoldCard>
      <FoldCard title={t("does")} noun={t("interaction")}>
        <Rules
          rules={overlay.rules} owner={{ kind: "overlay", id: overlay.id, name: overlay.name }} slide={slide}
          empty={t("noRuleYetAddWhat")}
          onChange={(label, rules) => changeOverlay(slide, { ...overlay, rules }, label)}
        />
      </FoldCard>
    </>
  );
});
