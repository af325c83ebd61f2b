/** The route in full: all slides as stops on the zigzag path, with every fork. */
import { Background, Controls, ReactFlow, ReactFlowProvider, useReactFlow, type Edge, type Node, type Rect, type Viewport } from "@xyflow/react";
import "@xyflow/react/dist/base.css";
import { Box, chakra, Flex, Heading, Text } from "@chakra-ui/react";
import { Search } from "lucide-react";
import { useDeferredValue, useEffect, useMemo, useRef, useState, type ReactNode } from "react";
import { useNavigate } from "react-router";
import { goToSlide, useCourse } from "../store/store";
import { QuietButton } from "../../kit/QuietButton";
import { useCheck, type Check, type Route, type Way } from "../shell/useCheck";
import { placesOf } from "./layout";
import { linesOf, sectionOf } from "./lines";
import { FoldedStop, SlideStop, type StopData } from "./RouteStop";
import { isFound, useSearch } from "./search";
import { WayEdge, type WayData } from "./WayEdge";
import { t } from "../../words/plan";

const NODES = { slide: SlideStop, folded: FoldedStop };
const EDGES = { way: WayEdge };
/** With more labelled ways than these, only those of the marked stop say why. */
const MOST_LABELS = 40;
const MOST_SHOWN = 48;
const MARGIN = 24;

/** The route in full: all slides as stops on the zigzag path, with every fork. */
export function RouteMap(): ReactNode {
  return <ReactFlowProvider><Map /></ReactFlowProvider>;
}

function Map(): ReactNode {
  const check = useCheck();
  const slug = useCourse((state) => state.slug);
  const navigate = useNavigate();
  const [folded, setFolded] = useState<ReadonlySet<string>>(new Set());
  const searched = useSearch((state) => state.text);
  const { nodes, edges } = useGraph(check?.route, folded);
  const sections = useCourse((state) => state.course.sections);
  const view = useReactFlow();
  const finder = useRef<HTMLInputElement>(null);
  const low = Math.max(0, ...nodes.map((node) => node.position.y));
  const pane = useRef<HTMLDivElement>(null);
  const near = useRef<Node[]>([]);
  near.current = stopsToShow(nodes);

  const few = nodes.length > 0 && nodes.length <= MOST_SHOWN;
  const shape = few ? `${nodes.length} ${low}` : nodes.length ? "many" : "none";

  useEffect(() => {
    // Once there are stops, and whenever they stand in another shape; a long route stays put.
    if (!near.current.length) return;
    if (few) void view.fitView({ nodes: near.current, padding: 0.1, maxZoom: 1 });
    else void view.setViewport(fromTheTop(view.getNodesBounds(near.current), pane.current));
  }, [shape, folded, few, view]);

  function find(text: string): void {
    useSearch.setState({ text });
    const first = nodes.find((node) => isFound(titleOf(node.id), text));
    if (first) void view.fitView({ nodes: [first], maxZoom: 1, duration: 250 });
  }

  function toggle(section: string): void {
    const next = new Set(folded);
    if (!next.delete(section)) next.add(section);
    setFolded(next);
  }

  return (
    <Flex direction="column" h="100%" minW="0">
      <Flex px="4" pt="2.5" pb="2" gap="3" align="center">
        <Heading as="h2" fontSize="14px" fontFamily="body" fontWeight="700" flex="none">{t("route")}</Heading>
        <Text color="quiet" fontSize="13px" flex="1" truncate>{check ? sayRoute(check) : ""}</Text>
        {sections.length > 0 && (
          <QuietButton size="xs" onClick={() => setFolded(folded.size ? new Set() : new Set(sections.map((s) => s.id)))}>
            {folded.size ? t("unfoldSections") : t("foldSections")}
          </QuietButton>
        )}
        <Flex align="center" gap="2" borderWidth="1px" borderRadius="full" px="3" bg="sheet">
          <Search size={14} aria-hidden />
          <chakra.input
            ref={finder} value={searched} onChange={(event) => find(event.target.value)} placeholder={t("findASlide")} w="120px" h="26px"
            bg="transparent" fontSize="13px" aria-label={t("findASlide")}
          />
        </Flex>
      </Flex>
      <Box ref={pane} flex="1" minH="0" aria-label={t("route")} role="region">
        <ReactFlow
          nodes={nodes} edges={edges} nodeTypes={NODES} edgeTypes={EDGES} onlyRenderVisibleElements
          nodesDraggable={false} nodesConnectable={false} minZoom={0.05} maxZoom={1.6} proOptions={{ hideAttribution: true }}
          onNodeClick={(_, node) => {
            if (node.type === "folded") toggle(node.id);
            else {
              goToSlide(node.id);
              void navigate(`/courses/${slug}/build`);
            }
          }}
        >
          <Background gap={36} size={1} color="#e3d9c8" />
          <Controls showInteractive={false} />
        </ReactFlow>
      </Box>
    </Flex>
  );
}

/** All stops; of a long course those around the marked one, as many as can be read at once. */
function stopsToShow(nodes: Node[]): Node[] {
  if (nodes.length <= MOST_SHOWN) return nodes;
  const current = useCourse.getState().selection.slide;
  const here = Math.max(nodes.findIndex((node) => node.id === current), 0);
  const from = Math.min(Math.max(here - MOST_SHOWN / 2, 0), nodes.length - MOST_SHOWN);
  return nodes.slice(from, from + MOST_SHOWN);
}

/** What cannot be seen whole fills the width and begins at the top. */
function fromTheTop(stops: Rect, pane: HTMLElement | null): Viewport {
  const width = pane?.clientWidth ?? stops.width;
  const zoom = Math.min(Math.max((width - 2 * MARGIN) / stops.width, 0.3), 1);
  return { x: Math.max((width - stops.width * zoom) / 2, MARGIN) - stops.x * zoom, y: MARGIN - stops.y * zoom, zoom };
}

function sayRoute({ route }: Check): string {
  const parts = [t("forks", { count: route.forks })];
  if (route.unreached.length) parts.push(t("slidesNotReached", { count: route.unreached.length }));
  if (route.dead_ends.length) parts.push(t("slidesLeadNowhere", { count: route.dead_ends.length }));
  if (parts.length === 1) parts.push(t("everySlideIsReachedAnd"));
  return parts.join(" · ");
}

function titleOf(id: string): string {
  const { slides, course } = useCourse.getState();
  return slides[id]?.title ?? course.sections.find((section) => section.id === id)?.title ?? "";
}

/** Stops and ways as the drawing takes them; the slides of a folded section are one stop. */
function useGraph(route: Route | undefined, folded: ReadonlySet<string>): { nodes: Node[]; edges: Edge[] } {
  // The route may follow a moment later: typing in the outline goes first.
  const order = useDeferredValue(useCourse((state) => state.course.slides));
  const sections = useDeferredValue(useCourse((state) => state.course.sections));
  return useMemo(() => {
    const home = sectionOf(linesOf({ slides: order, sections }));
    const stopOf = (id: string): string => (folded.has(home.get(id) ?? "") ? home.get(id) as string : id);
    const stops = [...new Set(order.map(stopOf))];
    const known = new Set(order);
    const all = (route?.ways ?? plainWays(order)).filter((way) => known.has(way.source) && known.has(way.target));
    const ways = joined(all, stopOf);
    const places = placesOf(stops, ways);
    const unreached = new Set(route?.unreached);
    const deadEnds = new Set(route?.dead_ends);
    const few = ways.filter((way) => way.why).length <= MOST_LABELS;
    const position = new globalThis.Map(stops.map((id, index) => [id, index]));
    const number = new globalThis.Map(order.map((id, index) => [id, index + 1]));
    const isSection = new Set(sections.map((section) => section.id));
    const nodes: Node[] = stops.map((id) => ({
      id, type: isSection.has(id) ? "folded" : "slide", position: places.get(id) ?? { x: 0, y: 0 }, draggable: false,
      data: {
        slides: isSection.has(id) ? order.filter((slide) => stopOf(slide) === id).length : 1,
        unreached: unreached.has(id), deadEnd: deadEnds.has(id), number: number.get(id) ?? 0,
      } satisfies StopData,
    }));
    const edges: Edge[] = ways.map((way) => ({
      id: `${way.source}-${way.target}`, source: way.source, target: way.target, type: "way",
      data: {
        why: way.why, few, rule: way.kind === "rule",
        back: (position.get(way.target) ?? 0) <= (position.get(way.source) ?? 0),
      } satisfies WayData,
    }));
    return { nodes, edges };
  }, [route, order, sections, folded]);
}

/** What the ways are while the core has not been asked: each slide leads to the next. */
function plainWays(order: readonly string[]): Way[] {
  return order.slice(1).map((target, index) => ({ source: order[index] as string, target, kind: "onward", why: "" }));
}

function joined(ways: readonly Way[], stopOf: (id: string) => string): Way[] {
  const found = new globalThis.Map<string, Way>();
  for (const way of ways) {
    const [source, target] = [stopOf(way.source), stopOf(way.target)];
    const key = `${source} ${target}`;
    if (source !== target && (!found.has(key) || way.kind === "onward")) found.set(key, { ...way, source, target });
  }
  return [...found.values()];
}
