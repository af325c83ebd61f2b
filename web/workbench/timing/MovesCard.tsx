import { Box, Flex, Separator, Text } from "@chakra-ui/react";
import { PenLine, Plus, Spline, Trash2 } from "lucide-react";
import type { ReactNode } from "react";
import type { Element, Move } from "../../api/types";
import { Check } from "../../kit/Check";
import { Choose } from "../../kit/Choose";
import { NumberField } from "../../kit/NumberField";
import { Pair } from "../../kit/Pair";
import { TextField } from "../../kit/TextField";
import { changeElements, useCourse } from "../store/store";
import { FoldCard } from "../../kit/FoldCard";
import { QuietButton } from "../../kit/QuietButton";
import { Tool } from "../../kit/Tool";
import { EFFECTS } from "./CueFields";
import { addMove, changeMove, removeMove, useMoving } from "./moves";
import { t } from "../../words/timing";

const PULSES = [["none", t("none")], ["beat", t("pulse")], ["sway", t("sway")], ["glow", t("glow")]] as const;
const EASINGS = [
  ["ease-in-out", t("ease")], ["linear", t("linear")], ["ease-in", t("easeIn")], ["ease-out", t("easeOut")], ["ease", t("easeInAndOut")],
] as const;
const GOES = [["path", t("toTheEndOfIts")], ["by", t("byItsPathFromWhere")], ["to", t("toAnotherElement")]] as const;
/** More points than these are changed on the slide alone. */
const TYPED_POINTS = 4;

/** Moves: how an element comes and goes, draws attention, and along which paths it can move. */
export function MovesCard({ element }: { element: Element }): ReactNode {
  const shown = useMoving();
  const change = (part: Partial<Element>): void => (
    changeElements(t("changeHowItAppearsAnd"), [element.id], (e) => ({ ...e, ...part }) as Element, `moves-${element.id}`)
  );
  return (
    <FoldCard title={t("moves")} noun={t("motionEntranceAndExit")} starts="closed">
      <Choose label={t("appearsWith")} value={element.enters} options={EFFECTS} onChange={(enters) => change({ enters })} />
      <Choose label={t("leavesWith")} value={element.leaves} options={EFFECTS} onChange={(leaves) => change({ leaves })} />
      <Choose label={t("drawsAttentionBy")} help={t("helpDraws")} value={element.pulse} options={PULSES} onChange={(pulse) => change({ pulse })} />
      <Separator my="1.5" />
      {element.moves.map((move) => (
        <OneMove key={move.id} element={element.id} move={move} open={shown.move === move.id} drawing={shown.move === move.id && shown.drawing} />
      ))}
      {!element.moves.length && <Text color="quiet" fontSize="13px" mb="2">{t("noMovesYetAMove")}</Text>}
      <QuietButton size="xs" onClick={() => addMove(element)}><Plus size={14} />{t("addAMove")}</QuietButton>
    </FoldCard>
  );
}

/** The element to whose middle a move leads. */
function Goal({ element, move, onChange }: { element: string; move: Move; onChange: (part: Partial<Move>) => void }): ReactNode {
  const slide = useCourse((state) => state.slides[state.selection.slide ?? ""]);
  const others = (slide?.elements ?? []).filter(({ id, kind }) => id !== element && kind !== "group");
  return (
    <Choose
      label={t("to")} value={move.to ?? ""} options={[["", "…"], ...others.map(({ id, name }) => [id, name] as const)]}
      onChange={(to) => onChange({ to: to || null })}
    />
  );
}

function OneMove({ element, move, open, drawing }: { element: string; move: Move; open: boolean; drawing: boolean }): ReactNode {
  const change = (part: Partial<Move>): void => changeMove(element, move.id, part);
  const end = move.path.at(-1);
  return (
    <Box mb="2" pb="1" borderBottomWidth="1px">
      <Flex align="center" gap="1">
        <Text flex="1" fontWeight="600" truncate>{move.name}</Text>
        <Tool label={open ? t("hideThePathOnThe") : t("showThePathOnThe")} aria-pressed={open} bg={open ? "spruce.soft" : undefined}
          onClick={() => useMoving.setState({ element, move: open ? null : move.id, drawing: false })}
        >
          <Spline size={15} />
        </Tool>
        <Tool label={t("drawThePathByHand")} aria-pressed={drawing} bg={drawing ? "marigold.soft" : undefined}
          onClick={() => useMoving.setState({ element, move: move.id, drawing: !drawing })}
        >
          <PenLine size={15} />
        </Tool>
        <Tool label={t("removeName", { name: move.name })} onClick={() => removeMove(element, move.id)}><Trash2 size={14} /></Tool>
      </Flex>
      {drawing && <Text fontSize="12.5px" color="marigold.ink">{t("drawOverTheSlideThe")}</Text>}
      {open && (
        <>
          <TextField label={t("name")} value={move.name} onChange={(name) => change({ name })} />
          <Choose label={t("leavesWith")} value={move.goes} options={GOES} onChange={(goes) => change({ goes })} />
          {move.goes === "to" && <Goal element={element} move={move} onChange={change} />}
          {move.goes === "to" ? null : move.path.length <= TYPED_POINTS ? move.path.map((point, index) => (
            <Pair key={index}>
              <NumberField label={t("right")} value={point.x} onChange={(x) => change({ path: move.path.map((p, n) => (n === index ? { ...p, x } : p)) })} />
              <NumberField label={t("down")} value={point.y} onChange={(y) => change({ path: move.path.map((p, n) => (n === index ? { ...p, y } : p)) })} />
            </Pair>
          )) : <Text fontSize="12.5px" color="quiet">{t("pathPointsEndingXTo", { path: move.path.length, x: end?.x, y: end?.y })}</Text>}
          <Pair>
            <NumberField label={t("durationS")} value={move.duration / 1000} min={0.05} max={600} step={0.1} onChange={(s) => change({ duration: Math.round(s * 1000) })} />
            <NumberField label={t("repeat")} help={t("helpRepeat")} value={move.times} min={0} max={1000} onChange={(times) => change({ times: Math.round(times) })} />
          </Pair>
          <Choose label={t("easing")} help={t("helpEasing")} value={move.easing} options={EASINGS} onChange={(easing) => change({ easing })} />
          <Check label={t("curvedThroughAllPoints")} help={t("helpCurved")} value={move.curved} onChange={(curved) => change({ curved })} />
          <Text fontSize="12.5px" color="quiet">{t("n0RepeatsWithoutEndThe")}</Text>
        </>
      )}
    </Box>
  );
}
