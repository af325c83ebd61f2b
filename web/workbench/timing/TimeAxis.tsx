import { Box, chakra, Flex, Text, VisuallyHidden } from "@chakra-ui/react";
import { useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from "react";
import type { Cue, Timing } from "../../api/types";
import { select, useCourse } from "../store/store";
import { atWord, type HeardWord } from "./leading";
import { cueWords, edgesOf, inSeconds, moved, snapped, ticksOf, withCue, type Bar, type TimeRow } from "./timing";
import { lookAt, useTiming } from "./useTiming";
import { t } from "../../words/timing";

const NAMES = 132;
const ROW = 28;
/** So near, in pixels, a time snaps to another. */
const REACH = 7;

interface Props {
  rows: readonly TimeRow[];
  timing: Timing;
  /** The time that the axis covers, in ms. */
  span: number;
  /** Pixels per ms. */
  pixels: number;
  /** The words that are heard in what the timing follows. */
  words: readonly HeardWord[];
  onChange: (label: string, timing: Timing, merge?: string) => void;
  onRemove: (cue: string) => void;
}

/** The axis: a ruler, a row for each element, its cues as bars, and the moment that is looked at. */
export function TimeAxis({ rows, timing, span, pixels, words, onChange, onRemove }: Props): ReactNode {
  const now = useTiming((state) => state.now);
  const inner = useRef<HTMLDivElement>(null);
  const { at: ticks } = ticksOf(span, pixels * 1000);
  const width = span * pixels;

  function timeAt(event: { clientX: number }): number {
    const left = inner.current?.getBoundingClientRect().left ?? 0;
    return Math.min(Math.max((event.clientX - left - NAMES) / pixels, 0), span);
  }
  function scrub(event: PointerEvent): void {
    if (event.type === "pointerdown") event.currentTarget.setPointerCapture(event.pointerId);
    else if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
    lookAt(event.altKey ? Math.round(timeAt(event)) : snapped(timeAt(event), edgesOf(timing, "", null), REACH / pixels));
  }
  function onKeyDown(event: KeyboardEvent): void {
    const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    const to = event.key === "Home" ? 0 : event.key === "End" ? span : step ? (now ?? 0) + step * (event.shiftKey ? 1_000 : 100) : null;
    if (to === null) return;
    event.preventDefault();
    lookAt(Math.min(Math.max(to, 0), span));
  }

  return (
    <Box position="absolute" inset="0" overflow="auto" data-axis>
      <Box ref={inner} position="relative" w={`${NAMES + width + 24}px`} minH="100%">
        <Box
          position="sticky" top="0" h="24px" bg="paper" zIndex="4" borderBottomWidth="1px" ml={`${NAMES}px`} cursor="ew-resize" tabIndex={0}
          role="slider" aria-label={t("timeShown")} aria-valuemin={0} aria-valuemax={Math.round(span)} aria-valuenow={now ?? 0}
          aria-valuetext={now === null ? "all at once" : inSeconds(now)} onPointerDown={scrub} onPointerMove={scrub} onKeyDown={onKeyDown}
          _focusVisible={{ outline: "2px solid {colors.marigold}", outlineOffset: "-2px" }} data-time-ruler
        >
          {ticks.map((tick) => (
            <Text key={tick} position="absolute" left={`${tick * pixels}px`} pl="1" fontSize="11px" color="quiet" borderLeftWidth="1px" h="100%" whiteSpace="nowrap">
              {inSeconds(tick)}
            </Text>
          ))}
        </Box>
        {words.length > 0 && <Words {...{ words, timing, pixels, onChange }} />}
        {rows.map((row) => <Row key={row.id} {...{ row, timing, pixels, onChange, onRemove, now }} />)}
        {timing.length > 0 && (
          <Box position="absolute" top="24px" bottom="0" left={`${NAMES + timing.length * pixels}px`} borderLeft="2px dashed {colors.edge}" pointerEvents="none" />
        )}
        {now !== null && (
          <Box position="absolute" top="0" bottom="0" left={`${NAMES + now * pixels}px`} w="2px" ml="-1px" bg="brick" pointerEvents="none" zIndex="5" data-playhead />
        )}
      </Box>
    </Box>
  );
}

/** The words where they are heard: pressed, one takes the chosen cue to it, or shows its moment. */
function Words({ words, timing, pixels, onChange }: Pick<Props, "words" | "timing" | "pixels" | "onChange">): ReactNode {
  const cue = useTiming((state) => timing.cues.find(({ id }) => id === state.cue));
  function press(heard: HeardWord): void {
    if (cue) onChange(t("setCue"), withCue(timing, cue.id, atWord(cue, heard)));
    else lookAt(heard.since);
  }
  return (
    <Flex h={`${ROW}px`} borderBottomWidth="1px" borderColor="table" position="relative" data-spoken-words>
      <Text position="sticky" left="0" w={`${NAMES}px`} px="3" lineHeight={`${ROW}px`} fontSize="13px" truncate bg="paper" zIndex="3" borderRightWidth="1px" flex="none">{t("spokenWords")}</Text>
      {words.map((heard, at) => (
        <chakra.button
          key={heard.number} type="button" position="absolute" top="3px" h={`${ROW - 7}px`} px="1" fontSize="11.5px" color={cue?.word?.number === heard.number ? "marigold.ink" : "quiet"} bg={cue?.word?.number === heard.number ? "marigold.soft" : undefined}
          borderLeftWidth="1px" borderColor="edge" whiteSpace="nowrap" overflow="hidden" cursor="pointer" textAlign="left" _hover={{ color: "ink", bg: "spruce.soft" }} title={cue ? t("setToWord", { word: heard.word }) : heard.word}
          style={{ left: NAMES + heard.since * pixels, maxWidth: Math.max(((words[at + 1]?.since ?? heard.since + 600) - heard.since) * pixels, 4) }} tabIndex={-1} onClick={() => press(heard)}
        >
          {heard.word}
        </chakra.button>
      ))}
    </Flex>
  );
}

interface RowProps extends Pick<Props, "timing" | "pixels" | "onChange" | "onRemove"> { row: TimeRow; now: number | null }

function Row({ row, timing, pixels, onChange, onRemove, now }: RowProps): ReactNode {
  const selected = useCourse((state) => state.selection.selected.includes(row.id));
  return (
    <Flex h={`${ROW}px`} borderBottomWidth="1px" borderColor="table" position="relative" bg={selected ? "marigold.soft" : undefined}>
      <Text
        position="sticky" left="0" w={`${NAMES}px`} px="3" lineHeight={`${ROW}px`} fontSize="13px" truncate bg={selected ? "marigold.soft" : "paper"}
        zIndex="3" fontWeight={selected ? 700 : 400} borderRightWidth="1px" flex="none" cursor="pointer"
        onClick={() => { if (row.id !== "moments") select([row.id]); }}
      >
        {row.name}
      </Text>
      {row.bars.map((bar) => <CueBar key={bar.cue.id} {...{ bar, timing, pixels, onChange, onRemove, now }} />)}
    </Flex>
  );
}

const TONES: Record<Cue["does"], { bg: string; color: string }> = {
  appear: { bg: "spruce.soft", color: "spruce" }, move: { bg: "sky.soft", color: "sky.ink" },
  play: { bg: "marigold.soft", color: "marigold.ink" }, moment: { bg: "brick", color: "brick" },
};

function CueBar({ bar, timing, pixels, onChange, onRemove, now }: { bar: Bar } & Omit<RowProps, "row">): ReactNode {
  const { cue } = bar;
  const chosen = useTiming((state) => state.cue === cue.id);
  const [live, setLive] = useState<Partial<Cue> | null>(null);
  const held = useRef<{ from: number; part: "all" | "at" | "until" } | null>(null);
  const names = useCourse((state) => state.slides[state.selection.slide ?? ""]?.elements);
  const shown = { ...cue, ...live };
  const until = bar.open ? bar.until : shown.until ?? shown.at + (bar.until - bar.at);
  const moment = cue.does === "moment";
  const lasts = cue.does === "appear";

  function begin(event: PointerEvent, part: "all" | "at" | "until"): void {
    if (event.button !== 0) return;
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    held.current = { from: event.clientX, part };
    useTiming.setState({ cue: cue.id });
    if (cue.what) select([cue.what]);
  }
  function follow(event: PointerEvent): void {
    const now_ = held.current;
    if (!now_) return;
    const by = (event.clientX - now_.from) / pixels;
    if (!live && Math.abs(event.clientX - now_.from) < 3) return;
    const edge = now_.part === "until" ? cue.until ?? bar.until : cue.at;
    const to = event.altKey ? edge + by : snapped(edge + by, edgesOf(timing, cue.id, now), REACH / pixels);
    setLive(moved({ ...cue, ...(now_.part === "until" ? { until: edge } : {}) }, to - edge, now_.part));
  }
  function end(): void {
    if (held.current && live) onChange(t("moveCue"), withCue(timing, cue.id, live));
    held.current = null;
    setLive(null);
  }
  function onKeyDown(event: KeyboardEvent): void {
    const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (step) {
      const by = step * (event.shiftKey ? 1_000 : 100);
      const part = event.ctrlKey || event.metaKey ? "until" : "all";
      if (part === "until" && !lasts) return;
      onChange(t("moveCue"), withCue(timing, cue.id, moved({ ...cue, ...(part === "until" ? { until: cue.until ?? bar.until } : {}) }, by, part)), `cue-${cue.id}`);
    } else if (event.key === "Delete" || event.key === "Backspace") {
      onRemove(cue.id);
    } else if (event.key === "Enter") {
      lookAt(cue.at);
    } else return;
    event.preventDefault();
    event.stopPropagation();
  }
  const label = moment ? "" : cue.does === "move" ? "moves" : cue.does === "play" ? "plays" : "shown";
  const words = cueWords(shown, (id) => names?.find((e) => e.id === id)?.name ?? "");
  const grip = (part: "at" | "until"): ReactNode => (
    <chakra.span
      position="absolute" top="0" bottom="0" w="7px" cursor="ew-resize" {...(part === "at" ? { left: 0 } : { right: 0 })} data-cue-grip={part}
      onPointerDown={(event) => begin(event, part)} onPointerMove={follow} onPointerUp={end} onPointerCancel={end}
    />
  );
  return (
    <chakra.button
      type="button" position="absolute" top="4px" h={`${ROW - 9}px`} borderRadius={moment ? "2px" : "5px"} fontSize="11.5px" fontWeight="600"
      {...TONES[cue.does]} textAlign="left" px={moment ? 0 : 2} overflow="hidden" whiteSpace="nowrap" cursor="grab" touchAction="none" zIndex="2"
      outline={chosen ? "2px solid {colors.marigold}" : undefined} border="1px solid currentColor" data-cue={cue.id} aria-pressed={chosen}
      {...(bar.open ? { borderRightStyle: "dashed" as const } : {})}
      style={{ left: NAMES + shown.at * pixels - (moment ? 4 : 0), width: moment ? 8 : Math.max((until - shown.at) * pixels, 10) }}
      title={words} onFocus={() => useTiming.setState({ cue: cue.id })}
      onPointerDown={(event) => begin(event, "all")} onPointerMove={follow} onPointerUp={end} onPointerCancel={end} onKeyDown={onKeyDown}
    >
      {lasts && grip("at")}
      <VisuallyHidden>{words}</VisuallyHidden>
      <span aria-hidden>{label}</span>
      {lasts && grip("until")}
    </chakra.button>
  );
}
