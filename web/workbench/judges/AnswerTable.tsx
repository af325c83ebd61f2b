import { MOST_TABLE_PARTS } from "../../api/tables";
import { Box, Flex, Text } from "@chakra-ui/react";
import { Plus } from "lucide-react";
import { useEffect, useMemo, useRef, useState, type ReactNode } from "react";
import { api, take } from "../../api/client";
import type { AnswerRow, Question, Slide, TableFacts } from "../../api/types";
import { attempt } from "../store/commands";
import { freshId } from "../store/ids";
import { download } from "../../kit/download";
import { FoldCard } from "../../kit/FoldCard";
import { QuietButton } from "../../kit/QuietButton";
import { letter, RowFields, type RowActs } from "./AnswerRowFields";
import { TableFromFile } from "./TableFromFile";
import { changeQuestion, partsIn, partWords } from "./parts";
import { t } from "../../words/judges";

const PAGE = 40;
const MENTIONED = 12;

interface Props { slide: Slide; question: Question }

/** The answer table: combinations of answers, read from the top, each with its words and points. */
export function AnswerTable({ slide, question }: Props): ReactNode {
  const parts = partsIn(question, "choices" in question ? "choices" : "spots");
  const words = JSON.stringify(parts.map((part) => [part.id, partWords(slide, part)]));
  const named = useMemo(() => JSON.parse(words) as [string, string][], [words]);
  const { table } = question;
  const [shown, show] = useState(PAGE);
  const [tried, setTried] = useState<readonly string[]>([]);
  const facts = useFacts(named, table, tried);
  const acts = useRowActs(question);
  const put = (rows: AnswerRow[], label = t("answerTable")): void => changeQuestion(question, { table: rows }, label);
  const body = { parts: named, table, tried: [] };

  const makeAll = (): Promise<void> => attempt(async () => put((await take(api.POST("/api/edits/table/rows", { body: { ...body, table: [] } }))).table, t("allCombinations")));
  const save = (): Promise<void> => attempt(async () => {
    const { text } = await take(api.POST("/api/edits/table/text", { body }));
    download(new Blob([text], { type: "text/csv" }), `${question.name}.csv`);
  });

  return (
    <FoldCard starts="closed" noun={t("combinations")} title={t("answerTable")}>
      {!table.length && <Text fontSize="12.5px" color="quiet" mb="1.5">{t("feedbackAndPointsForCombinations")}</Text>}
      <Flex gap="1.5" wrap="wrap" mb="2">
        <QuietButton size="xs" onClick={() => put([...table, { id: freshId(), cells: {}, at_least: 0, words: { blocks: [] }, points: null, do: [] }])}><Plus size={14} />{t("row")}</QuietButton>
        {parts.length <= MOST_TABLE_PARTS && <QuietButton size="xs" onClick={() => void makeAll()}>{t("allCombinationsCombinations", { combinations: 2 ** parts.length })}</QuietButton>}
        {table.length > 0 && <QuietButton size="xs" onClick={() => void save()}>{t("saveAsCsv")}</QuietButton>}
        <TableFromFile parts={named} table={table} onTake={(rows) => put(rows, t("tableFromAFile"))} />
      </Flex>
      {table.length > 0 && (
        <Legend named={named} tried={tried} onTry={(id) => setTried(tried.includes(id) ? tried.filter((other) => other !== id) : [...tried, id])} />
      )}
      {table.length > 0 && tried.length > 0 && facts && (
        <Text fontSize="12.5px" fontWeight="700" role="status" mb="1">{facts.row ? t("rowRowIsUsed", { row: facts.row }) : t("noRowMatchesTheUsual")}</Text>
      )}
      {table.slice(0, shown).map((row, index) => (
        <RowFields
          key={row.id} row={row} number={index + 1} named={named} taken={tried.length > 0 && facts?.row === index + 1} never={facts?.unreachable.includes(index + 1) ?? false}
          acts={acts}
        />
      ))}
      {table.length > shown && <QuietButton size="xs" mt="1" onClick={() => show(shown + 300)}>{t("showMoreOfTable", { table: table.length })}</QuietButton>}
      {facts && table.length > 0 && <Covered facts={facts} named={named} />}
    </FoldCard>
  );
}

/** What is done with rows, the same as long as the card is there. */
function useRowActs(question: Question): RowActs {
  const now = useRef(question);
  now.current = question;
  return useMemo(() => {
    const put = (change: (table: AnswerRow[]) => AnswerRow[]): void => changeQuestion(now.current, { table: change([...now.current.table]) }, t("answerTable"));
    return {
      change: (id, part) => put((table) => table.map((row) => (row.id === id ? { ...row, ...part } : row))),
      remove: (id) => put((table) => table.filter((row) => row.id !== id)),
      up: (id) => put((table) => {
        const index = table.findIndex((row) => row.id === id);
        const [row] = table.splice(index, 1);
        if (row) table.splice(Math.max(index - 1, 0), 0, row);
        return table;
      }),
    };
  }, []);
}

/** What no row covers, asked of the core once typing pauses. */
function useFacts(parts: [string, string][], table: readonly AnswerRow[], tried: readonly string[]): TableFacts | null {
  const [facts, setFacts] = useState<TableFacts | null>(null);
    useEffect(() => {
    if (!table.length || parts.length > MOST_TABLE_PARTS) {
      setFacts(null);
      return;
    }
    let here = true;
    const timer = window.setTimeout(() => {
      take(api.POST("/api/edits/table/facts", { body: { parts, table: [...table], tried: [...tried] } })).then((found) => { if (here) setFacts(found); }, () => {});
    }, 300);
    return () => { here = false; window.clearTimeout(timer); };
  }, [parts, table, tried]);
  return facts;
}

/** The answers by their letters; ticked ones make a combination that is tried. */
function Legend(
  { named, tried, onTry }: { named: readonly [string, string][]; tried: readonly string[]; onTry: (id: string) => void },
): ReactNode {
  return (
    <Box fontSize="12px" mb="1.5" role="group" aria-label={t("tryACombination")}>
      <Text color="quiet">{t("tickAnswersToSeeWhich")}</Text>
      {named.map(([id, words], index) => (
        <Flex as="label" key={id} gap="1.5" align="center" cursor="pointer">
          <input type="checkbox" checked={tried.includes(id)} onChange={() => onTry(id)} style={{ accentColor: "#1e5b4b", flex: "none" }} />
          <Text truncate><b>{letter(index)}</b> {words}</Text>
        </Flex>
      ))}
    </Box>
  );
}

function Covered({ facts, named }: { facts: TableFacts; named: readonly [string, string][] }): ReactNode {
  const letters = (ids: readonly string[]): string => ids.map((id) => letter(named.findIndex(([other]) => other === id))).join("");
  const open = facts.uncovered.map(letters).join(", ");
  const never = facts.unreachable.slice(0, MENTIONED).join(", ");
  const further = facts.unreachable.length - MENTIONED;
  return (
    <Box fontSize="12.5px" mt="1.5" role="status">
      {open ? (
        <Text color="marigold.ink">{t("noRowForOpen", { open })}{facts.more ? t("andMoreMore", { more: facts.more }) : ""}{t("thereTheUsualFeedbackIs")}</Text>
      ) : <Text color="spruce">{t("everyCombinationHasItsRow")}</Text>}
      {never && <Text color="brick">{t("neverUsedBecauseRowsAbove", { never })}{further > 0 ? t("andFurtherMore", { further }) : ""}.</Text>}
    </Box>
  );
}
