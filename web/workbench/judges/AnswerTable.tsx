/** The answer table: combinations of answers, read from the top, each with its words and points. */
import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { ArrowUp, Plus, X } from "lucide-react";
import { useEffect, useRef, useState, type ReactNode } from "react";
import { api, take } from "../../api/client";
import type { AnswerRow, Question, Slide } from "../../api/types";
import { attempt } from "../store/commands";
import { freshId } from "../store/ids";
import { download } from "../ui/download";
import { FoldCard, QuietButton, Tool } from "../ui/parts";
import { changeQuestion, partsIn, partWords } from "./parts";
import { fromLines, lines } from "./words";

const MOST = 12;
const PAGE = 60;

interface Props { slide: Slide; question: Question }
interface Facts { uncovered: string[][]; more: number; unreachable: number[] }

export function AnswerTable({ slide, question }: Props): ReactNode {
  const parts = partsIn(question, "choices" in question ? "choices" : "spots");
  const named = parts.map((part): [string, string] => [part.id, partWords(slide, part)]);
  const { table } = question;
  const [shown, show] = useState(PAGE);
  const facts = useFacts(named, table);
  const picker = useRef<HTMLInputElement>(null);
  const put = (rows: AnswerRow[], label = "Answer table"): void => changeQuestion(question, { table: rows }, label);
  const change = (id: string, part: Partial<AnswerRow>): void => put(table.map((row) => (row.id === id ? { ...row, ...part } : row)));
  const body = { parts: named, table, text: "" };

  const makeAll = (): Promise<void> => attempt(async () => put((await take(api.POST("/api/edits/table/rows", { body: { ...body, table: [] } }))).table, "All combinations"));
  const save = (): Promise<void> => attempt(async () => {
    const { text } = await take(api.POST("/api/edits/table/text", { body }));
    download(new Blob([text], { type: "text/csv" }), `${question.name}.csv`);
  });
  const open = (file: File | undefined): Promise<void> => attempt(async () => {
    if (file) put((await take(api.POST("/api/edits/table/read", { body: { ...body, table: [], text: await file.text() } }))).table, "Table from a file");
  });

  return (
    <FoldCard title={table.length ? `Answer table · ${table.length}` : "Answer table"}>
      {!table.length && <Text fontSize="12.5px" color="quiet" mb="1.5">Words and points for combinations of answers. The first row that fits is taken.</Text>}
      <Flex gap="1.5" wrap="wrap" mb="2">
        <QuietButton size="xs" onClick={() => put([...table, { id: freshId(), cells: [], at_least: 0, words: { blocks: [] }, points: null, do: [] }])}><Plus size={14} /> Row</QuietButton>
        {parts.length <= MOST && <QuietButton size="xs" onClick={() => void makeAll()}>All {2 ** parts.length}</QuietButton>}
        {table.length > 0 && <QuietButton size="xs" onClick={() => void save()}>Save as CSV</QuietButton>}
        <QuietButton size="xs" onClick={() => picker.current?.click()}>Read CSV</QuietButton>
        <input ref={picker} type="file" accept=".csv,text/csv" hidden aria-label="Table as CSV" onChange={(event) => { void open(event.target.files?.[0]); event.target.value = ""; }} />
      </Flex>
      {table.length > 0 && <Legend named={named} />}
      {table.slice(0, shown).map((row, place) => (
        <RowFields
          key={row.id} row={row} number={place + 1} named={named} never={facts?.unreachable.includes(place + 1) ?? false}
          onChange={(part) => change(row.id, part)} onRemove={() => put(table.filter((other) => other.id !== row.id))}
          onUp={place === 0 ? undefined : () => put(table.map((other, n) => (n === place - 1 ? row : n === place ? table[place - 1] as AnswerRow : other)))}
        />
      ))}
      {table.length > shown && <QuietButton size="xs" mt="1" onClick={() => show(shown + 300)}>Show more of {table.length}</QuietButton>}
      {facts && table.length > 0 && <Covered facts={facts} named={named} />}
    </FoldCard>
  );
}

/** What no row covers, asked of the core once typing pauses. */
function useFacts(parts: [string, string][], table: readonly AnswerRow[]): Facts | null {
  const [facts, setFacts] = useState<Facts | null>(null);
  const key = JSON.stringify([parts.map(([id]) => id), table.map(({ cells, at_least }) => [cells, at_least])]);
  useEffect(() => {
    if (!table.length || parts.length > MOST) {
      setFacts(null);
      return;
    }
    let here = true;
    const timer = window.setTimeout(() => {
      take(api.POST("/api/edits/table/facts", { body: { parts, table: [...table], text: "" } })).then((found) => { if (here) setFacts(found); }, () => {});
    }, 500);
    return () => { here = false; window.clearTimeout(timer); };
    // The key says what matters of parts and table.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  return facts;
}

const letter = (place: number): string => String.fromCharCode(65 + place);

function Legend({ named }: { named: readonly [string, string][] }): ReactNode {
  return (
    <Box fontSize="12px" color="quiet" mb="1.5">
      {named.map(([id, words], place) => <Text key={id} truncate><b>{letter(place)}</b> {words}</Text>)}
    </Box>
  );
}

function Covered({ facts, named }: { facts: Facts; named: readonly [string, string][] }): ReactNode {
  const letters = (ids: readonly string[]): string => ids.map((id) => letter(named.findIndex(([other]) => other === id))).join("");
  if (!facts.uncovered.length) return <Text fontSize="12.5px" color="spruce" mt="1.5">Every combination has its row.</Text>;
  const open = facts.uncovered.map(letters).join(", ");
  return (
    <Text fontSize="12.5px" color="marigold.ink" mt="1.5">
      No row for {open}{facts.more ? ` and ${facts.more} more` : ""}: there what is said otherwise counts.
    </Text>
  );
}

const SIGN = { yes: "✓", no: "✕", any: "·" } as const;
const NEXT = { any: "yes", yes: "no", no: "any" } as const;

function RowFields(
  { row, number, named, never, onChange, onRemove, onUp }: {
    row: AnswerRow; number: number; named: readonly [string, string][]; never: boolean;
    onChange: (part: Partial<AnswerRow>) => void; onRemove: () => void; onUp: (() => void) | undefined;
  },
): ReactNode {
  const asked = (part: string): keyof typeof SIGN => {
    const cell = row.cells.find((other) => other.part === part);
    return cell ? (cell.given ? "yes" : "no") : "any";
  };
  function turn(part: string): void {
    const next = NEXT[asked(part)];
    const others = row.cells.filter((cell) => cell.part !== part);
    onChange({ cells: next === "any" ? others : [...others, { part, given: next === "yes", value: null }] });
  }
  return (
    <Box py="1.5" borderTopWidth="1px" role="group" aria-label={`Row ${number}`}>
      <Flex gap="0.5" align="center" wrap="wrap">
        {named.map(([id, words], place) => (
          <chakra.button
            key={id} type="button" minW="24px" h="24px" borderRadius="6px" fontSize="12px" fontWeight="700" aria-label={`${words}: ${asked(id)}`} title={`${words}: ${asked(id)}`}
            bg={asked(id) === "yes" ? "spruce" : asked(id) === "no" ? "brick.soft" : "paper"} color={asked(id) === "yes" ? "white" : "ink"} borderWidth="1px"
            onClick={() => turn(id)}
          >
            {letter(place)}{SIGN[asked(id)]}
          </chakra.button>
        ))}
        <Box flex="1" />
        <chakra.input
          type="number" step="any" w="58px" fontSize="12px" px="1" borderWidth="1px" borderRadius="6px" bg="sheet" placeholder="points" aria-label={`Points of row ${number}`}
          value={row.points ?? ""} onChange={(event) => onChange({ points: event.target.value === "" ? null : Number(event.target.value) })}
        />
        {onUp && <Tool label={`Row ${number} up`} onClick={onUp}><ArrowUp size={13} /></Tool>}
        <Tool label={`Remove row ${number}`} onClick={onRemove}><X size={13} /></Tool>
      </Flex>
      <Flex gap="1.5" align="center" mt="1">
        <chakra.input
          key={lines(row.words)} defaultValue={lines(row.words)} flex="1" minW="0" fontSize="12.5px" px="2" py="0.5" borderWidth="1px" borderRadius="6px" bg="sheet"
          placeholder="What is said" aria-label={`Words of row ${number}`} onBlur={(event) => { if (event.target.value !== lines(row.words)) onChange({ words: fromLines(event.target.value) }); }}
        />
        <Text fontSize="12px" color="quiet">at least</Text>
        <chakra.input
          type="number" min={0} max={named.length} w="40px" fontSize="12px" px="1" borderWidth="1px" borderRadius="6px" bg="sheet" aria-label={`At least so many in row ${number}`}
          value={row.at_least} onChange={(event) => onChange({ at_least: Math.max(Math.round(Number(event.target.value)), 0) })}
        />
      </Flex>
      {never && <Text fontSize="12px" color="brick">Never taken: rows above come first.</Text>}
    </Box>
  );
}
