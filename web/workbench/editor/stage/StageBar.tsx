import { Flex, Text } from "@chakra-ui/react";
import { Clock, Expand, Grid3x3, Magnet, Maximize, PanelLeftOpen, PanelRightClose, PanelRightOpen, Plus, Ruler, ZoomIn, ZoomOut } from "lucide-react";
import { memo, type ReactNode } from "react";
import { Kbd } from "../../../kit/Kbd";
import { Tool } from "../../../kit/Tool";
import { toggleTiming, useTiming } from "../../timing/useTiming";
import { toggleRoom, toggleView, useView, zoomBy, zoomToFit } from "./view";
import { t } from "../../../words/editor";

/** What floats below the slide: adding, how large it is shown, what helps in placing things. */
export const StageBar = memo(function StageBar({ scale, onAdd }: { scale: number; onAdd: (at: null) => void }): ReactNode {
  const { grid, rulers, snapping, strip, order, cards, keys } = useView();
  const around = strip || order || cards || keys;
  const timed = useTiming((state) => state.open);
  const toggles = [
    ["snapping", t("snapToEdgesAndSpacing"), snapping, Magnet],
    ["grid", t("grid"), grid, Grid3x3],
    ["rulers", t("rulersAndGuides"), rulers, Ruler],
  ] as const;
  return (
    <Flex
      position="absolute" bottom="12px" left="50%" transform="translateX(-50%)" bg="sheet" borderRadius="full"
      px="4" py="1" gap="1.5" align="center" boxShadow="0 2px 12px rgb(34 48 43 / 16%)" role="toolbar" aria-label={t("view")}
    >
      <Flex as="button" align="center" gap="2" color="spruce" fontWeight="700" mr="2" onClick={() => onAdd(null)}>
        <Plus size={17} />{t("add")}<Kbd>/</Kbd>
      </Flex>
      <Tool label={t("timingT")} aria-pressed={timed} bg={timed ? "spruce.soft" : undefined} onClick={toggleTiming}><Clock size={15} /></Tool>
      {toggles.map(([what, label, on, Icon]) => (
        <Tool key={what} label={label} aria-pressed={on} bg={on ? "spruce.soft" : undefined} onClick={() => toggleView(what)}>
          <Icon size={15} />
        </Tool>
      ))}
      <Tool label={t("zoomOutCtrl")} onClick={() => zoomBy(-1)}><ZoomOut size={15} /></Tool>
      <Text color="quiet" fontSize="13px" minW="40px" textAlign="center">{Math.round(scale * 100)} %</Text>
      <Tool label={t("zoomInCtrl")} onClick={() => zoomBy(1)}><ZoomIn size={15} /></Tool>
      <Tool label={t("fitTheSlideCtrl0")} onClick={zoomToFit}><Maximize size={15} /></Tool>
      <Tool label={t("onlyTheSlideOrAll")} aria-pressed={!around} bg={around ? undefined : "spruce.soft"} onClick={toggleRoom}><Expand size={15} /></Tool>
      {!order && <Tool label={t("showThePanelOnThe")} onClick={() => toggleView("order")}><PanelLeftOpen size={15} /></Tool>}
      <Tool label={cards ? t("hideTheCards") : t("showTheCards")} onClick={() => toggleView("cards")}>{cards ? <PanelRightClose size={15} /> : <PanelRightOpen size={15} />}</Tool>
    </Flex>
  );
});
