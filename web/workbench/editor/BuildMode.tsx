/** Build: the slide twice, as words in order and as a picture, with what it does beside it. */
import { Box, Flex } from "@chakra-ui/react";
import { lazy, Suspense, useCallback, useEffect, useRef, useState, type ReactNode } from "react";
import { useLocation, useNavigate } from "react-router";
import { newDialogue, useDialoguePage } from "../dialogue/page";
import { useCourse } from "../store/store";
import { ShortcutBar } from "./commands/ShortcutBar";
import { Cards } from "./Cards";
import { ShortcutsHelp } from "./commands/ShortcutsHelp";
import { Palette, type PaletteRequest } from "./commands/Palette";
import { RouteStrip } from "./strip/RouteStrip";
import { FoldedStrip } from "./strip/FoldedStrip";
import { PANEL, setWidth, useView } from "./stage/view";
import { Splitter } from "../../kit/Splitter";
import { SidePanel } from "./panels/SidePanel";
import { nowhere, Stage } from "./stage/Stage";
import { useTiming } from "../timing/useTiming";
import { useShortcuts } from "./commands/useShortcuts";
import { sayError } from "../../kit/toaster";
import { t } from "../../words/editor";

const DialoguePage = lazy(() => import("../dialogue/DialoguePage"));
const TimingDrawer = lazy(() => import("../timing/TimingDrawer"));

/** Build: a slide, or a dialogue of one. */
export function Build(): ReactNode {
  const { slide, dialogue } = useDialoguePage();
  useNewDialogue();
  const there = useCourse((state) => Boolean(state.slides[slide ?? ""]?.dialogues.some(({ id }) => id === dialogue)));
  return slide !== null && there ? <Suspense><DialoguePage key={dialogue} slide={slide} dialogue={dialogue} /></Suspense> : <SlideMode />;
}

/** A course that was made for a dialogue begins with it. */
function useNewDialogue(): void {
  const { state, pathname } = useLocation();
  const navigate = useNavigate();
  const wanted = Boolean((state as { dialogue?: boolean } | null)?.dialogue);
  useEffect(() => {
    if (!wanted) return;
    void navigate(pathname, { replace: true, state: null });
    void newDialogue().catch(sayError);
  }, [wanted, navigate, pathname]);
}

/** The slide, its running order on the left, its cards on the right, timing below. */
function SlideMode(): ReactNode {
  const view = useView();
  const timed = useTiming((state) => state.open);
  const [palette, setPalette] = useState<PaletteRequest | null>(null);
  const pointer = useRef<() => [number, number] | null>(nowhere);
  const [helping, setHelping] = useState(false);
  const openPalette = useCallback((at: [number, number] | null) => setPalette({ at: at ?? pointer.current() }), []);
  const openHelp = useCallback(() => setHelping(true), []);
  useShortcuts(openPalette, openHelp);
  return (
    <Flex direction="column" h="100%">
      {view.strip ? <RouteStrip /> : <FoldedStrip />}
      <Flex flex="1" minH="0">
        {view.order && (
          <>
            <SidePanel width={view.left} />
            <Splitter label={t("widthOfThePanel")} side="left" width={view.left} bounds={PANEL.left} onChange={(width) => setWidth("left", width)} />
          </>
        )}
        <Stage pointer={pointer} onAdd={(at) => setPalette({ at })} />
        {view.cards && (
          <>
            <Splitter label={t("widthOfTheCards")} side="right" width={view.right} bounds={PANEL.right} onChange={(width) => setWidth("right", width)} />
            <CardsColumn width={view.right} />
          </>
        )}
      </Flex>
      {timed && <Suspense><TimingDrawer /></Suspense>}
      {view.keys && <ShortcutBar onHelp={openHelp} />}
      {helping && <ShortcutsHelp onClose={() => setHelping(false)} onSearch={() => { setHelping(false); openPalette(null); }} />}
      {palette && <Palette request={palette} onClose={() => setPalette(null)} />}
    </Flex>
  );
}

/** The cards begin at their top whenever something else is selected. */
function CardsColumn({ width }: { width: number }): ReactNode {
  const column = useRef<HTMLDivElement>(null);
  const about = useCourse((state) => `${state.selection.slide ?? ""} ${state.selection.selected.join()}`);
  // Only where it was scrolled: asking would lay the page out once more.
  const scrolled = useRef(false);
  useEffect(() => { if (scrolled.current) column.current?.scrollTo({ top: 0 }); }, [about]);
  return (
    <Box
      ref={column} as="aside" w={`${width}px`} flex="none" borderLeftWidth="1px" bg="paper" overflowY="auto" onScroll={(event) => { scrolled.current = event.currentTarget.scrollTop > 0; }} aria-label={t("cards")} data-pane="cards"
    >
      <Cards />
    </Box>
  );
}
