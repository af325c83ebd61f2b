/** The ways of a dialogue, drawn: its turns, what leads from one to the other, where it ends. */
import { Box, Text, chakra } from "@chakra-ui/react";
import { Check, X } from "lucide-react";
import { memo, useCallback, useEffect, useMemo, useRef, type KeyboardEvent, type ReactNode } from "react";
import type { components } from "../../../api/api";
import { system } from "../../../kit/chakraTheme";
import { t } from "../../../words/dialogue";
import { BOX, laidOut, lineOf, type Drawing, type Place } from "./layout";

type Read = components["schemas"]["ScriptRead"];
type Lead = Read["leads"][number];

const KEYS: Readonly<Record<string, readonly [number, number]>> = { ArrowUp: [0, -1], ArrowDown: [0, 1], ArrowLeft: [-1, 0], ArrowRight: [1, 0] };
const LONGEST = 18;
/** With more ways the words at them would stand in each other's way. */
const MOST_WORDS = 40;
/** So many of them stand above one turn, this far from each other (px). */
const MOST_ABOVE = 3;
const LINE = 14;
const NOWHERE: Place = { x: 0, y: 0 };
const NONE: readonly Place[] = [];

interface Props {
  read: Read;
  /** The turn that is written now, by its number. */
  now: number;
  unreached: ReadonlySet<string>;
  onGo: (line: number) => void;
}

/** Arrow keys lead from turn to turn, Enter to its place in the script. */
export function WaysMap({ read, now, unreached, onGo }: Props): ReactNode {
  const { turns, leads } = read;
  const drawing = useMemo(() => laidOut(turns.length, leads), [turns.length, leads]);
  const labels = useMemo(() => labelsOf(leads, now), [leads, now]);
  const box = useRef<HTMLDivElement>(null);
  useComingIntoView(box, drawing, now);
  const onKeyDown = useCallback((event: KeyboardEvent, turn: number): void => {
    const step = KEYS[event.key];
    const next = step && neighbour(drawing, turn, step);
    if (next === undefined) return;
    event.preventDefault();
    box.current?.querySelector<HTMLElement>(`[data-turn="${next}"]`)?.focus();
  }, [drawing]);
  const titles = useMemo(() => turns.map((_, turn) => sayLeads(turn, turns, leads)), [turns, leads]);
  return (
    <Box ref={box} role="region" aria-label={t("waysDrawn")} tabIndex={-1} overflow="auto" bg="table" borderRadius="card" maxH="52vh" minH="120px" flex="none" data-ways>
      <Box position="relative" w={`${drawing.width}px`} h={`${drawing.height}px`} mx="auto">
        <svg width={drawing.width} height={drawing.height} aria-hidden style={{ position: "absolute", inset: 0 }}>
          {leads.map((lead, number) => (
            <Line key={`${lead.source} ${lead.target}`} lead={lead} from={drawing.places[lead.source]} to={drawing.places[lead.target]} bends={drawing.bends[number]} marked={lead.source === now} />
          ))}
          {leads.map((lead, number) => <Words key={`${lead.source} ${lead.target}`} to={drawing.places[lead.target]} marked={lead.source === now} label={labels[number] ?? null} />)}
        </svg>
        {turns.map(({ name, line, ending }, turn) => (
          <Turn
            key={turn} {...{ turn, name, line, ending }} place={drawing.places[turn] ?? NOWHERE} now={turn === now} wrong={unreached.has(name)}
            reachable={turn === (now < 0 ? 0 : now)} title={titles[turn] ?? name} onGo={onGo} onKeyDown={onKeyDown}
          />
        ))}
      </Box>
    </Box>
  );
}

const tone = (marked: boolean): string => system.token.var(marked ? "colors.marigold.ink" : "colors.quiet");

interface LineProps { lead: Lead; from: Place | undefined; to: Place | undefined; bends: readonly Place[] | undefined; marked: boolean }

const Line = memo(function Line({ lead, from, to, bends = NONE, marked }: LineProps): ReactNode {
  if (!from || !to) return null;
  return (
    <path d={lineOf(from, to, bends)} fill="none" stroke={tone(marked)} strokeWidth={marked ? 3 : 2} strokeOpacity={marked ? 1 : 0.5} strokeDasharray={lead.conditional || to.y <= from.y ? "3 6" : undefined} strokeLinecap="round" />
  );
});

/** The replies that lead somewhere, above it. */
function Words({ to, label, marked }: { to: Place | undefined; label: Label | null; marked: boolean }): ReactNode {
  if (!to || !label) return null;
  return (
    <text x={to.x} y={to.y - BOX.h / 2 - 6 - LINE * label.place} textAnchor="middle" fontSize="11.5" fill={tone(marked)} stroke={system.token.var("colors.table")} strokeWidth="3" paintOrder="stroke">{label.words}</text>
  );
}

interface Label { words: string; place: number }

/** The replies, above the turns that they lead to, the first few of each; in a large dialogue only those of the turn that is written. */
function labelsOf(leads: readonly Lead[], now: number): (Label | null)[] {
  const above = new Map<number, number>();
  return leads.map(({ source, target, replies: [reply, ...others] }) => {
    const place = above.get(target) ?? 0;
    if (!reply || place >= MOST_ABOVE || (leads.length > MOST_WORDS && source !== now)) return null;
    above.set(target, place + 1);
    const words = others.length ? t("moreReplies", { reply: shortened(reply), more: others.length }) : shortened(reply);
    return { words, place };
  });
}

interface TurnProps {
  turn: number;
  name: string;
  /** Where it begins in the script. */
  line: number;
  ending?: "good" | "bad" | "open" | null;
  place: Place;
  now: boolean;
  wrong: boolean;
  reachable: boolean;
  title: string;
  onGo: (line: number) => void;
  onKeyDown: (event: KeyboardEvent, turn: number) => void;
}

const TONES = { good: ["spruce.soft", "spruce"], bad: ["brick.soft", "brick"], open: ["sheet", "ink"] } as const;

const Turn = memo(function Turn({ turn, name, line, ending, place, now, wrong, reachable, title, onGo, onKeyDown }: TurnProps): ReactNode {
  const [bg, edge] = ending ? TONES[ending] : ["sheet", "edge"];
  return (
    <chakra.button
      type="button" position="absolute" left={`${place.x - BOX.w / 2}px`} top={`${place.y - BOX.h / 2}px`} w={`${BOX.w}px`} h={`${BOX.h}px`} px="2" display="flex" alignItems="center" justifyContent="center" gap="1"
      bg={now ? "marigold.soft" : bg} borderWidth={now || ending ? "2px" : "1px"} borderColor={now ? "marigold" : edge} borderStyle={wrong ? "dashed" : "solid"} borderRadius={ending ? "full" : "card"}
      fontSize="12.5px" fontWeight="600" cursor="pointer" title={title} aria-label={title} aria-current={now || undefined} tabIndex={reachable ? 0 : -1} data-turn={turn}
      onClick={() => onGo(line)} onKeyDown={(event) => onKeyDown(event, turn)} _hover={{ borderColor: "spruce" }}
    >
      {ending === "good" && <Check size={13} aria-hidden />}
      {ending === "bad" && <X size={13} aria-hidden />}
      <Text as="span" truncate>{name}</Text>
    </chakra.button>
  );
});

function sayLeads(turn: number, turns: Read["turns"], leads: readonly Lead[]): string {
  const on = leads.filter(({ source }) => source === turn).map(({ target, replies }) => (
    replies.length ? t("byReply", { reply: replies[0], name: turns[target]?.name }) : turns[target]?.name ?? ""));
  const name = turns[turn]?.name ?? "";
  return on.length ? t("leadsTo", { name, to: on.join("; ") }) : name;
}

/** The nearest turn in a direction. */
function neighbour({ places }: Drawing, turn: number, [dx, dy]: readonly [number, number]): number | undefined {
  const from = places[turn];
  if (!from) return undefined;
  let best: { turn: number; far: number } | undefined;
  places.forEach(({ x, y }, other) => {
    const along = (x - from.x) * dx + (y - from.y) * dy;
    if (along <= 0) return;
    const far = along + 2 * Math.abs((x - from.x) * dy + (y - from.y) * dx);
    if (!best || far < best.far) best = { turn: other, far };
  });
  return best?.turn;
}

const shortened = (words: string): string => (words.length > LONGEST ? `${words.slice(0, LONGEST - 1).trimEnd()}…` : words);

function useComingIntoView(box: { current: HTMLElement | null }, { places }: Drawing, now: number): void {
  useEffect(() => {
    const [pane, place] = [box.current, places[now]];
    if (!pane || !place) return;
    const seen = place.y > pane.scrollTop && place.y + BOX.h < pane.scrollTop + pane.clientHeight;
    if (!seen) pane.scrollTo({ top: place.y - pane.clientHeight / 2 });
    if (pane.scrollWidth > pane.clientWidth) pane.scrollTo({ left: place.x - pane.clientWidth / 2 });
  }, [box, places, now]);
}
