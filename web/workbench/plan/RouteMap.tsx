/** The route in full: all slides as stops on a zigzag path, by section, with every way that leaves it. */
import { Box, chakra, Flex, Heading, Text } from "@chakra-ui/react";
import { ChevronDown, ChevronRight, Search, X } from "lucide-react";
import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState, type KeyboardEvent, type ReactNode } from "react";
import { useNavigate } from "react-router";
import { QuietButton } from "../../kit/QuietButton";
import { Tool } from "../../kit/Tool";
import { t as words } from "../../words/findings";
import { t } from "../../words/plan";
import { showPanel, usePanel } from "../editor/panels/panels";
import { Findings } from "../shell/Findings";
import { showScript } from "../script/page";
import { goToSlide, useCourse } from "../store/store";
import { laidOut, type Layout } from "./layout";
import { Overview } from "./Overview";
import { besides, drawnAlways, useRoute, type Drawn } from "./route";
import { RouteStop } from "./RouteStop";
import { isFound, useSearch } from "./search";
import { StopDetails } from "./StopDetails";
import { Ways, WaysOf } from "./Ways";

const DETAILS = 232;
/** So far beyond what is seen stops are drawn. */
const AHEAD = 500;

/** The route, with the ways of the slide that is looked at in words beside it. */
export function RouteMap(): ReactNode {
  const drawn = useRoute();
  const [folded, setFolded] = useState<ReadonlySet<string>>(new Set());
  const [looked, setLooked] = useState<string | null>(null);
  const pane = useRef<HTMLDivElement>(null);
  const view = usePane(pane);
  const layout = useMemo(() => laidOut(drawn.parts, folded, view.width), [drawn.parts, folded, view.width]);
  const current = useCourse((state) => state.selection.slide);
  useFollowing(pane, layout, current);
  const about = looked ?? current;

  function show(id: string): void {
    const place = layout.places.get(id);
    if (place) pane.current?.scrollTo({ top: place.y - view.height / 2, behavior: "smooth" });
  }

  return (
    <Flex direction="column" h="100%" minW="0">
      <Head drawn={drawn} folded={folded} onFold={setFolded} onFound={show} />
      <Flex flex="1" minH="0" position="relative">
        <Box ref={pane} flex="1" minW="0" overflowY="auto" px="3" aria-label={t("route")} role="region" tabIndex={-1}>
          <Box position="relative" w={`${layout.width}px`} h={`${layout.height}px`}>
            <Ways drawn={drawn} layout={layout} />
            {about && <WaysOf slide={about} drawn={drawn} layout={layout} />}
            <Headings layout={layout} folded={folded} onFold={setFolded} />
            <Stops drawn={drawn} layout={layout} top={view.top} seen={view.height} onLook={setLooked} />
          </Box>
        </Box>
        <Flex direction="column" justify="space-between" gap="3" w={`${DETAILS}px`} flex="none" pr="3" pt="1" pb="3" minH="0">
          <Beside about={about} drawn={drawn} />
          {layout.height > view.height && (
            <Overview layout={layout} current={current} top={view.top} seen={view.height} onGo={(top) => pane.current?.scrollTo({ top })} />
          )}
        </Flex>
      </Flex>
    </Flex>
  );
}

/** The ways of the stop that is looked at, or the findings where they are asked for. */
function Beside({ about, drawn }: { about: string | null; drawn: Drawn }): ReactNode {
  const found = usePanel((state) => state.panel === "findings");
  if (found) {
    return (
      <Box as="section" aria-label={words("findings")} bg="sheet" borderWidth="1px" borderRadius="card" p="3" fontSize="13px" lineHeight="1.4" overflowY="auto" minH="0" tabIndex={0}>
        <Flex align="center" justify="space-between" mb="1">
          <Text fontWeight="700">{words("findings")}</Text>
          <Tool label={t("closeTheFindings")} onClick={() => showPanel("order")}><X size={15} /></Tool>
        </Flex>
        <Findings onShow={({ slide }) => { if (slide) goToSlide(slide); }} />
      </Box>
    );
  }
  return about && drawn.numbers.has(about) ? <StopDetails slide={about} drawn={drawn} /> : <Box />;
}

/** What is to be said of the whole route, and what finds a slide in it. */
function Head({ drawn, folded, onFold, onFound }: {
  drawn: Drawn; folded: ReadonlySet<string>; onFold: (folded: ReadonlySet<string>) => void; onFound: (id: string) => void;
}): ReactNode {
  const searched = useSearch((state) => state.text);
  const sections = drawn.parts.flatMap(({ id }) => id ?? []);
  function find(text: string): void {
    useSearch.setState({ text });
    const { slides } = useCourse.getState();
    const first = [...drawn.numbers.keys()].find((id) => isFound(slides[id]?.title ?? "", text));
    if (first) onFound(first);
  }
  return (
    <Flex px="4" pt="2.5" pb="2" gap="3" align="center">
      <Heading as="h2" fontSize="14px" fontFamily="body" fontWeight="700" flex="none">{t("route")}</Heading>
      <Text color="quiet" fontSize="13px" flex="1" truncate>{sayRoute(drawn)}</Text>
      <QuietButton size="xs" title={t("scriptHelp")} onClick={() => showScript(true)}>{t("script")}</QuietButton>
      {sections.length > 0 && (
        <QuietButton size="xs" onClick={() => onFold(folded.size ? new Set() : new Set(sections))}>
          {folded.size ? t("unfoldSections") : t("foldSections")}
        </QuietButton>
      )}
      <Flex align="center" gap="2" borderWidth="1px" borderRadius="full" px="3" bg="sheet">
        <Search size={14} aria-hidden />
        <chakra.input
          value={searched} onChange={(event) => find(event.target.value)} placeholder={t("findASlide")} w="120px" h="26px"
          bg="transparent" fontSize="13px" aria-label={t("findASlide")}
        />
      </Flex>
    </Flex>
  );
}

function sayRoute({ check, numbers }: Drawn): string {
  if (!numbers.size) return t("theRouteIsDrawnOnce");
  if (!check) return "";
  const { forks, unreached, dead_ends: deadEnds } = check.route;
  const parts = [t("forks", { count: forks })];
  if (unreached.length) parts.push(t("slidesNotReached", { count: unreached.length }));
  if (deadEnds.length) parts.push(t("slidesLeadNowhere", { count: deadEnds.length }));
  if (!unreached.length && !deadEnds.length) parts.push(t("everySlideIsReachedAnd"));
  return parts.join(" · ");
}

/** The names of the sections, each of which can be folded. */
function Headings({ layout, folded, onFold }: {
  layout: Layout; folded: ReadonlySet<string>; onFold: (folded: ReadonlySet<string>) => void;
}): ReactNode {
  const sections = useCourse((state) => state.course.sections);
  function toggle(section: string): void {
    const next = new Set(folded);
    if (!next.delete(section)) next.add(section);
    onFold(next);
  }
  return layout.headings.map(({ id, count, y }) => (
    <chakra.button
      key={id} type="button" position="absolute" top={`${y + 4}px`} left="0" display="flex" alignItems="baseline" gap="2" bg="paper" px="2" py="1" borderRadius="6px"
      zIndex={2} aria-expanded={!folded.has(id)} data-route-section={id} onClick={() => toggle(id)}
    >
      <Box as="span" alignSelf="center" color="quiet">{folded.has(id) ? <ChevronRight size={15} aria-hidden /> : <ChevronDown size={15} aria-hidden />}</Box>
      <Text as="span" fontFamily="heading" fontWeight="700" fontSize="15px" color="spruce">
        {sections.find((section) => section.id === id)?.title || t("section")}
      </Text>
      <Text as="span" fontSize="12.5px" color="quiet">{t("slides", { count })}</Text>
    </chakra.button>
  ));
}

/** The stops that can be seen, and those a little beyond. */
function Stops({ drawn, layout, top, seen, onLook }: {
  drawn: Drawn; layout: Layout; top: number; seen: number; onLook: (id: string | null) => void;
}): ReactNode {
  const slug = useCourse((state) => state.slug);
  const current = useCourse((state) => state.selection.slide);
  const navigate = useNavigate();
  const order = useMemo(() => [...layout.places.keys()], [layout]);
  const reachable = current && layout.places.has(current) ? current : order[0];
  const unreached = useMemo(() => new Set(drawn.check?.route.unreached), [drawn.check]);
  const deadEnds = useMemo(() => new Set(drawn.check?.route.dead_ends), [drawn.check]);
  const open = useCallback((id: string) => {
    goToSlide(id);
    void navigate(`/courses/${slug}/build`);
  }, [slug, navigate]);
  const walk = useCallback((event: KeyboardEvent, id: string) => {
    const next = neighbour(layout, order, id, event.key);
    if (!next) return;
    event.preventDefault();
    event.stopPropagation();
    goToSlide(next);
    // It may have to be drawn first.
    requestAnimationFrame(() => requestAnimationFrame(() => {
      document.querySelector<HTMLElement>(`[data-route-stop="${next}"]`)?.focus({ preventScroll: true });
    }));
  }, [layout, order]);
  return [...layout.places].map(([id, place]) => {
    if (id !== reachable && (place.y < top - AHEAD || place.y > top + seen + AHEAD)) return null;
    const aside = besides(drawn.from.get(id) ?? [], drawn.numbers);
    return (
      <RouteStop
        key={id} id={id} number={drawn.numbers.get(id) ?? 0} place={place} more={aside.length - drawnAlways(aside, layout).length}
        wrong={unreached.has(id) ? t("nothingLeadsHere") : deadEnds.has(id) ? t("leadsNowhere") : ""}
        reachable={id === reachable} onLook={onLook} onOpen={open} onKeyDown={walk}
      />
    );
  });
}

/** The stop that an arrow key leads to from another: along the path, or to the nearest in the row above or below. */
function neighbour(layout: Layout, order: readonly string[], id: string, key: string): string | undefined {
  const at = order.indexOf(id);
  if (key === "ArrowRight") return order[at + 1];
  if (key === "ArrowLeft") return order[at - 1];
  const step = { ArrowDown: 1, ArrowUp: -1 }[key];
  const row = layout.rows.findIndex((ids) => ids.includes(id));
  const turn = layout.rows[row]?.indexOf(id) ?? 0;
  const other = step ? layout.rows[row + step] : undefined;
  return other?.[Math.min(turn, other.length - 1)];
}

/** The size of the pane and how far it is scrolled, in px. */
function usePane(pane: React.RefObject<HTMLDivElement | null>): { width: number; height: number; top: number } {
  const [view, setView] = useState({ width: 640, height: 600, top: 0 });
  useLayoutEffect(() => {
    const box = pane.current;
    if (!box) return;
    const read = (): void => setView({ width: box.clientWidth - 24, height: box.clientHeight, top: box.scrollTop });
    read();
    const observer = new ResizeObserver(read);
    observer.observe(box);
    box.addEventListener("scroll", read, { passive: true });
    return () => {
      observer.disconnect();
      box.removeEventListener("scroll", read);
    };
  }, [pane]);
  return view;
}

/** The stop that is marked in the outline comes into view. */
function useFollowing(pane: React.RefObject<HTMLDivElement | null>, layout: Layout, current: string | null): void {
  useEffect(() => {
    const [box, place] = [pane.current, current ? layout.places.get(current) : undefined];
    if (!box || !place) return;
    const seen = place.y - 60 >= box.scrollTop && place.y + 90 <= box.scrollTop + box.clientHeight;
    if (!seen) box.scrollTo({ top: place.y - box.clientHeight / 2 });
  }, [pane, layout, current]);
}
