import { Box, Flex } from "@chakra-ui/react";
import { Plus } from "lucide-react";
import { useDeferredValue, useEffect, useMemo, useRef, useState, type ReactNode, type RefObject } from "react";
import { Still } from "../../../player/render/Still";
import { promptedSlide } from "../../store/following";
import { addSlide } from "../../store/slides";
import { mediaWith, themeOn } from "../../store/quizOn";
import { edit, select, useCourse } from "../../store/store";
import { Empty } from "../../../kit/Empty";
import type { Slide } from "../../../api/types";
import { useFetched } from "../../../kit/useFetched";
import { MainButton } from "../../../kit/MainButton";
import { Handles } from "./Handles";
import { OverlayBar } from "./OverlayBar";
import { asideOf, atHand, withOverlay, overlayIn, useOverlay } from "./overlays";
import { DialogueBoxes } from "../../dialogue/DialogueBoxes";
import { Overflow } from "./Overflow";
import { Grid, Rulers } from "./Rulers";
import { hasLooks, LooksStrip } from "../../looks/LooksStrip";
import { useAsLooked } from "../../looks/useAsLooked";
import { PairLines } from "../../judges/PairLines";
import { useTiming } from "../../timing/useTiming";
import { MovePath } from "../../timing/MovePath";
import { StageBar } from "./StageBar";
import { sendAll } from "../panels/uploads";
import { useView } from "./view";
import { WIDE } from "../../does/Sentence";
import { t } from "../../../words/editor";

interface Props {
  /** Says where the pointer is, in slide pixels; null outside the slide. Asked only when it is wanted. */
  pointer: RefObject<() => [number, number] | null>;
  onAdd: (at: [number, number] | null) => void;
}

/** So long (ms) after it has opened Build fetches what writing needs. */
const RESTED_MS = 500;
const fetchTextEditor = (): Promise<typeof import("../text/EditInPlace")> => import("../text/EditInPlace");

/** Where the pointer is while it is not over the slide. */
export const nowhere = (): null => null;
const NOTHING: ReadonlySet<string> = new Set();
const MARGIN = 14;
const BAR = 44;

const ROOMY = { overflow: "auto", align: "flex-start", justify: "flex-start", p: `${MARGIN}px` };
const FITTED = { overflow: "hidden", align: "center", justify: "center" };

/** The scale at which a slide of `size` fits into the frame, at most twice its size. */
function useFitted(frame: RefObject<HTMLDivElement | null>, size: { w: number; h: number }): number {
  const [fitted, setFitted] = useState(0);
  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const observer = new ResizeObserver(() => {
      setFitted(Math.min(
        (element.clientWidth - 2 * MARGIN) / size.w, (element.clientHeight - 2 * MARGIN - BAR) / size.h, 2,
      ));
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, [frame, size.w, size.h]);
  return fitted;
}

/** What is put aside; the same set as long as it holds the same, so that selecting draws nothing anew. */
function useAside(slide: Slide | undefined, selected: readonly string[]): ReadonlySet<string> {
  const before = useRef(NOTHING);
  return useMemo(() => {
    const aside = slide ? asideOf(slide, selected) : NOTHING;
    const same = aside.size === before.current.size && [...aside].every((id) => before.current.has(id));
    if (!same) before.current = aside;
    return before.current;
  }, [slide, selected]);
}

/** The looks of the one thing that is selected, where it has some. */
function LooksOfSelected({ made, slide }: { made: Slide | undefined; slide: Slide | undefined }): ReactNode {
  const selected = useCourse((state) => state.selection.selected);
  const only = selected.length === 1 ? made?.elements.find((other) => other.id === selected[0]) : undefined;
  // It comes as soon as the selection itself is drawn.
  const drawn = useDeferredValue(only?.id);
  return only && only.id === drawn && hasLooks(only, slide) ? <LooksStrip element={only} /> : null;
}

/** The slide as a picture, with handles over it. */
export function Stage({ pointer, onAdd }: Props): ReactNode {
  // Writing needs much code: it comes when all else is there, and before anybody writes.
  useEffect(() => {
    const timer = window.setTimeout(() => void fetchTextEditor().catch(() => undefined), RESTED_MS);
    return () => window.clearTimeout(timer);
  }, []);
  const frame = useRef<HTMLDivElement>(null);
  const paper = useRef<HTMLDivElement>(null);
  const size = useCourse((state) => state.course.size);
  const theme = useCourse((state) => themeOn(state.course, state.selection.slide));
  const media = useCourse((state) => mediaWith(state.media, theme, state.course));
  const sources = useCourse((state) => state.sources);
  const made = useCourse((state) => (state.selection.slide ? state.slides[state.selection.slide] : undefined));
  const slide = useAsLooked(made);
  const editing = useCourse((state) => state.editing);
  const zoom = useView((view) => view.zoom);
  const overlay = useOverlay((state) => state.overlay);
  const edited = overlayIn(slide, overlay);
  const selected = useCourse((state) => state.selection.selected);
  const timed = useTiming((state) => state.open);
  const aside = useAside(slide, selected);
  const scale = useFitted(frame, size) * zoom;

  const shown = useMemo(() => {
    if (!slide) return null;
    const whole = promptedSlide(slide, sources);
    return withOverlay(whole, edited, size, aside);
  }, [slide, sources, edited, size, aside]);

  function point(event: { clientX: number; clientY: number }): [number, number] | null {
    const box = paper.current?.getBoundingClientRect();
    if (!box || !scale) return null;
    const x = (event.clientX - box.left) / scale;
    const y = (event.clientY - box.top) / scale;
    return x >= 0 && y >= 0 && x <= size.w && y <= size.h ? [Math.round(x), Math.round(y)] : null;
  }

  const element = slide?.elements.find((other) => other.id === editing);
  const EditInPlace = useFetched(fetchTextEditor, Boolean(element), () => edit(null));
  return (
    <Box flex="1" minW="0" position="relative" bg="table" role="region" aria-label={t("slide2")} data-pane="slide">
      <Flex
        ref={frame} position="absolute" inset="0" {...(zoom > 1 ? ROOMY : FITTED)} pb={`${BAR}px`}
        onPointerMove={({ clientX, clientY }) => { pointer.current = () => point({ clientX, clientY }); }}
        onPointerLeave={() => { pointer.current = nowhere; }}
        onPointerDown={(event) => { if (event.target === frame.current) { select([]); edit(null); } }}
        onDragOver={(event) => event.preventDefault()}
        onDrop={(event) => {
          event.preventDefault();
          sendAll([...event.dataTransfer.files], { at: point(event) });
        }}
      >
        {slide && shown ? (
          <Box
            ref={paper} boxShadow="0 1px 10px rgb(34 48 43 / 14%)" position="relative" isolation="isolate"
            tabIndex={0} data-stage role="group" flex="none"
            aria-label={t("titleTabGoesThroughThe", { title: slide.title })}
            _focusVisible={{ outline: "2px solid {colors.marigold}", outlineOffset: "4px" }}
          >
            <Box aria-hidden={!element}>
              <Still slide={shown} {...{ size, theme, media, scale }} without={EditInPlace && editing}>
                {element && EditInPlace && <EditInPlace element={element} key={element.id} />}
              </Still>
            </Box>
            <Grid scale={scale} />
            <Overflow slide={slide} scale={scale} />
            <DialogueBoxes slide={slide} scale={scale} />
            <Handles slide={slide} scale={scale} reaches={(e) => atHand(e, edited, aside)} />
            <MovePath slide={slide} scale={scale} />
            <PairLines slide={slide} scale={scale} />
            <Rulers scale={scale} />
          </Box>
        ) : (
          <Empty
            title={t("noSlidesYet")}
            action={<MainButton onClick={() => void addSlide()}><Plus size={16} />{t("addASlide")}</MainButton>}
          >
            {t("aCourseBeginsWithIts")}
          </Empty>
        )}
      </Flex>
      {!editing && !timed && <LooksOfSelected made={made} slide={slide} />}
      {slide && edited && <OverlayBar slide={slide} edited={edited} />}
      <Box position="absolute" bottom="60px" insetX="4" zIndex="docked" maxH="60%" overflowY="auto" {...{ [WIDE]: "" }} />
      {slide && <StageBar scale={scale} onAdd={onAdd} />}
    </Box>
  );
}
