import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { Eye, Flag, Pause, Play, SkipBack, X, ZoomIn, ZoomOut } from "lucide-react";
import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type ReactNode } from "react";
import type { Cue, Overlay, Rule, Slide, Timing } from "../../api/types";
import { overlayIn, useOverlay } from "../editor/stage/overlays";
import { newRule } from "../does/sentences";
import { removeThing } from "../store/commands";
import { changeSlide, select, useCourse } from "../store/store";
import { Choose } from "../../kit/Choose";
import { Explained } from "../../kit/Explained";
import { Tool } from "../../kit/Tool";
import { CueFields } from "./CueFields";
import { CueMenu } from "./CueMenu";
import { leaderOf, leadersOn } from "./leading";
import { Seconds } from "./Seconds";
import { TimeAxis } from "./TimeAxis";
import { axisOf, endOf, inSeconds, newCue, rowsOf, timingOf, withCue, withoutCue, withTiming } from "./timing";
import { usePlayback } from "./usePlayback";
import { lookAt, play, toggleTiming, useTiming } from "./useTiming";
import { t } from "../../words/timing";

/** The timing of the slide, or of the overlay that is edited: cues on an axis, played in place. */
export default function TimingDrawer(): ReactNode {
  const slide = useCourse((state) => (state.selection.slide ? state.slides[state.selection.slide] : undefined));
  return slide ? <Drawer key={slide.id} slide={slide} /> : null;
}

function Drawer({ slide }: { slide: Slide }): ReactNode {
  const overlay = overlayIn(slide, useOverlay((state) => state.overlay));
  const kept = timingOf(slide, overlay);
  const media = useCourse((state) => state.course.media);
  const { now, playing, cue: chosen, zoom } = useTiming();
  const [width, setWidth] = useState(700);
  const axis = useRef<HTMLDivElement>(null);
  const durations = useMemo(() => {
    const of = new Map(media.map((file) => [file.id, file.duration]));
    return (element: Slide["elements"][number]): number => ("media" in element ? of.get(element.media ?? "") ?? 0 : 0);
  }, [media]);
  const here = useMemo(
    () => ({ ...slide, elements: slide.elements.filter((e) => (e.overlay ?? null) === (overlay?.id ?? null)) }), [slide, overlay],
  );
  const leader = useMemo(() => leaderOf(here, kept, media), [here, kept, media]);
  // What follows something is at least as long as that.
  const timing = useMemo(() => ({ ...kept, length: Math.max(kept.length, leader.duration) }), [kept, leader]);
  const rows = useMemo(() => rowsOf(here, timing, durations), [here, timing, durations]);
  const span = axisOf(timing, rows.flatMap((row) => row.bars));
  const pixels = (width * zoom) / span;
  usePlayback(here, timing);

  useEffect(() => {
    const element = axis.current;
    if (!element) return;
    const observer = new ResizeObserver(() => setWidth(Math.max(element.clientWidth - 24, 200)));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);

  useEffect(() => () => useTiming.setState({ now: null, playing: false, cue: null }), []);

  const change = (label: string, next: Timing, merge?: string): void => (
    changeSlide(label, withTiming(slide, overlay, next.length === timing.length ? { ...next, length: kept.length } : next), merge && `${merge}-${slide.id}-${overlay?.id ?? ""}`)
  );
  function remove(id: string): void {
    void removeThing(t("removeCue"), { kind: "cue", id }, (now) => withTiming(now, overlay, withoutCue(timing, id)));
    useTiming.setState({ cue: null });
  }
  function add(cue: Cue): void {
    change(t("addCue"), { ...timing, cues: [...timing.cues, cue] });
    useTiming.setState({ cue: cue.id });
    if (cue.what) select([cue.what]);
  }
  /** An overlay opens or closes at a moment: the cue, and the sentence that waits for it. */
  function turnOverlay({ id, name }: Overlay, action: "show" | "hide"): void {
    const cue = newCue("moment", null, now ?? 0, { name: `${name} ${action === "show" ? "opens" : "closes"}` });
    const rule: Rule = { ...newRule({ event: "cue_reached", cue: cue.id }), do: [{ action, what: id }] };
    changeSlide(t("addCue"), { ...slide, timing: { ...timing, cues: [...timing.cues, cue] }, rules: [...slide.rules, rule] });
    useTiming.setState({ cue: cue.id });
  }
  /** During playback: the chosen cue comes now, or ends now; without one a moment is marked. */
  function mark(ends: boolean): void {
    const at = useTiming.getState().now ?? 0;
    const cue = timing.cues.find(({ id }) => id === chosen);
    if (!cue) add(newCue("moment", null, at, { name: t("timeMarkNumber", { number: timing.cues.filter(({ does }) => does === "moment").length + 1 }) }));
    else change(t("setCue"), withCue(timing, cue.id, ends ? { until: at } : { at, ...(cue.until != null && cue.until <= at ? { until: null } : {}) }));
  }
  function onKeyDown(event: KeyboardEvent): void {
    if (event.target instanceof Element && event.target.closest("input, select, textarea")) return;
    if (event.key === " ") play(!playing);
    else if (event.key.toLowerCase() === "m" && !event.ctrlKey && !event.metaKey) mark(event.shiftKey);
    else if (event.key === "Escape" && now !== null) lookAt(null);
    else return;
    event.preventDefault();
    event.stopPropagation();
  }

  const cue = timing.cues.find(({ id }) => id === chosen);
  return (
    <Flex
      as="section" aria-label={t("timing")} data-pane="timing" direction="column" h="236px" flex="none" bg="paper" borderTopWidth="1px"
      data-own-keys onKeyDown={onKeyDown}
    >
      <Flex align="center" gap="2" px="3" py="1.5" borderBottomWidth="1px" wrap="wrap" role="toolbar" aria-label={t("playing")}>
        <Tool label={t("toTheBeginning")} onClick={() => lookAt(0)}><SkipBack size={15} /></Tool>
        <Tool label={playing ? t("pauseSpace") : t("playSpace")} bg="spruce" color="onSpruce" _hover={{ opacity: 0.9 }} onClick={() => play(!playing)}>
          {playing ? <Pause size={15} /> : <Play size={15} />}
        </Tool>
        <Text fontFamily="mono" fontSize="13px" minW="112px" aria-live="off" data-now={now ?? ""}>
          {now === null ? t("everythingShown") : inSeconds(now)} <chakra.span color="quiet">/ {inSeconds(endOf(timing))}</chakra.span>
        </Text>
        <Tool label={t("showEverythingEscape")} disabled={now === null} onClick={() => lookAt(null)}><Eye size={15} /></Tool>
        <Tool label={t("addATimeMarkHere")} onClick={() => mark(false)}><Flag size={15} /></Tool>
        <CueMenu slide={here} onAdd={(does, what, move) => add(newCue(does, what, now ?? 0, { move }))} onOverlay={overlay ? null : turnOverlay} />
        <Follows slide={here} timing={kept} onChange={(follows) => change(t("follows"), { ...timing, follows })} />
        <Seconds
          label={t("length")} value={timing.length} onChange={(length) => change(t("length"), { ...timing, length }, "length")}
        />
        <Toggle label={t("autoplay")} value={timing.starts} onChange={(starts) => change(t("timing"), { ...timing, starts })} />
        <Toggle label={t("loop")} value={timing.repeats} onChange={(repeats) => change(t("timing"), { ...timing, repeats })} />
        <Flex ml="auto" align="center">
          <Tool label={t("zoomOut")} disabled={zoom <= 1} onClick={() => useTiming.setState({ zoom: Math.max(zoom / 1.6, 1) })}><ZoomOut size={15} /></Tool>
          <Tool label={t("zoomIn")} disabled={zoom > 30} onClick={() => useTiming.setState({ zoom: zoom * 1.6 })}><ZoomIn size={15} /></Tool>
          <Tool label={t("closeTheTimingT")} onClick={toggleTiming}><X size={16} /></Tool>
        </Flex>
      </Flex>
      <Flex flex="1" minH="0">
        <Box ref={axis} flex="1" minW="0" position="relative">
          {rows.length || leader.words.length ? (
            <TimeAxis {...{ rows, timing, span, pixels, words: leader.words }} onChange={change} onRemove={remove} />
          ) : (
            <Flex h="100%" direction="column" align="center" justify="center" gap="2" color="quiet" textAlign="center" px="6">
              <Text>{t("everythingIsShownFromThe")}</Text>
              <CueMenu slide={here} onAdd={(does, what, move) => add(newCue(does, what, now ?? 0, { move }))} onOverlay={overlay ? null : turnOverlay} />
            </Flex>
          )}
        </Box>
        {cue && (
          <CueFields
            key={cue.id} cue={cue} slide={here} timing={timing} words={leader.words}
            onChange={(part) => change(t("changeCue"), withCue(timing, cue.id, part), `cue-${cue.id}-${Object.keys(part).join()}`)}
            onRemove={() => remove(cue.id)}
          />
        )}
      </Flex>
    </Flex>
  );
}

/** What the time goes by. */
function Follows({ slide, timing, onChange }: { slide: Slide; timing: Timing; onChange: (follows: string | null) => void }): ReactNode {
  const leaders = leadersOn(slide);
  if (!leaders.length) return null;
  return (
    <Explained help={t("followsHelp")}>
      <Flex as="label" align="center" gap="1.5" fontSize="13px">
        {t("follows")}
        <Box w="132px"><Choose bare label={t("follows")} value={timing.follows ?? ""} options={[["", t("theClock")], ...leaders.map(({ id, name }) => [id, name] as const)]} onChange={(id) => onChange(id || null)} /></Box>
      </Flex>
    </Explained>
  );
}

function Toggle({ label, value, onChange }: { label: string; value: boolean; onChange: (value: boolean) => void }): ReactNode {
  return (
    <Flex as="label" align="center" gap="1.5" fontSize="13px" cursor="pointer">
      <input type="checkbox" checked={value} style={{ accentColor: "#1e5b4b" }} onChange={(event) => onChange(event.target.checked)} />
      {label}
    </Flex>
  );
}
