/** One row of an answer table: what it asks for, its points, its words, what it does. */
import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { ArrowUp, X } from "lucide-react";
import { memo, useState, type ReactNode } from "react";
import type { AnswerRow } from "../../api/types";
import { Actions } from "../does/Actions";
import { useThings } from "../does/things";
import { useCourse } from "../store/store";
import { Tool } from "../../kit/Tool";
import { fromLines, lines } from "./words";
import { t } from "../../words/judges";

/** How an answer is called in the table. */
export const letter = (index: number): string => String.fromCharCode(65 + index);

const SIGN = { yes: "✓", no: "✕", any: "·" } as const;
const NEXT = { any: "yes", yes: "no", no: "any" } as const;

/** What is done with a row, by its id. */
export interface RowActs {
  change: (row: string, part: Partial<AnswerRow>) => void;
  remove: (row: string) => void;
  up: (row: string) => void;
}

interface Props {
  row: AnswerRow;
  number: number;
  named: readonly [string, string][];
  never: boolean;
  taken: boolean;
  acts: RowActs;
}

/** Drawn anew only where something of it has changed: there may be thousands. */
export const RowFields = memo(function RowFields({ row, number, named, never, taken, acts }: Props): ReactNode {
  const [doing, setDoing] = useState(row.do.length > 0);
  const onChange = (part: Partial<AnswerRow>): void => acts.change(row.id, part);
  const asked = (part: string): keyof typeof SIGN => {
    const cell = row.cells[part];
    return cell === true ? "yes" : cell === false ? "no" : "any";
  };
  function turn(part: string): void {
    const next = NEXT[asked(part)];
    const { [part]: _, ...others } = row.cells;
    onChange({ cells: next === "any" ? others : { ...others, [part]: next === "yes" } });
  }
  return (
    <Box py="1.5" borderTopWidth="1px" role="group" aria-label={t("rowNumber", { number })} bg={taken ? "marigold.soft" : undefined}>
      <Flex gap="0.5" align="center" wrap="wrap">
        {named.map(([id, words], index) => (
          <chakra.button
            key={id} type="button" minW="24px" h="24px" borderRadius="6px" fontSize="12px" fontWeight="700" aria-label={`${words}: ${asked(id)}`} title={`${words}: ${asked(id)}`}
            bg={asked(id) === "yes" ? "spruce" : asked(id) === "no" ? "brick.soft" : "paper"} color={asked(id) === "yes" ? "white" : "ink"} borderWidth="1px"
            onClick={() => turn(id)}
          >
            {letter(index)}{SIGN[asked(id)]}
          </chakra.button>
        ))}
        <Box flex="1" />
        <chakra.input
          type="number" step="any" w="58px" fontSize="12px" px="1" borderWidth="1px" borderRadius="6px" bg="sheet" placeholder={t("points")} aria-label={t("pointsOfRowNumber", { number })}
          value={row.points ?? ""} onChange={(event) => onChange({ points: event.target.value === "" ? null : Number(event.target.value) })}
        />
        {number > 1 && <Tool label={t("rowNumberUp", { number })} onClick={() => acts.up(row.id)}><ArrowUp size={13} /></Tool>}
        <Tool label={t("removeRowNumber", { number })} onClick={() => acts.remove(row.id)}><X size={13} /></Tool>
      </Flex>
      <Flex gap="1.5" align="center" mt="1">
        <chakra.input
          key={lines(row.words)} defaultValue={lines(row.words)} flex="1" minW="0" fontSize="12.5px" px="2" py="0.5" borderWidth="1px" borderRadius="6px" bg="sheet"
          placeholder={t("feedback")} aria-label={t("feedbackOfRowNumber", { number })} onBlur={(event) => { if (event.target.value !== lines(row.words)) onChange({ words: fromLines(event.target.value) }); }}
        />
        <Text fontSize="12px" color="quiet">{t("atLeast")}</Text>
        <chakra.input
          type="number" min={0} max={named.length} w="40px" fontSize="12px" px="1" borderWidth="1px" borderRadius="6px" bg="sheet" aria-label={t("atLeastSoManyCorrect", { number })}
          value={row.at_least} onChange={(event) => onChange({ at_least: Math.max(Math.round(Number(event.target.value)), 0) })}
        />
      </Flex>
      {doing ? <RowDoes row={row} onChange={onChange} /> : (
        <chakra.button type="button" fontSize="12px" color="quiet" textAlign="left" onClick={() => setDoing(true)}>{t("addActions")}</chakra.button>
      )}
      {never && <Text fontSize="12px" color="brick">{t("neverUsedRowsAboveMatch")}</Text>}
    </Box>
  );
});

/** What a row does besides, as in a sentence. */
function RowDoes({ row, onChange }: { row: AnswerRow; onChange: (part: Partial<AnswerRow>) => void }): ReactNode {
  const things = useThings(useCourse((state) => state.slides[state.selection.slide ?? ""] ?? null));
  return <Flex pl="2" lineHeight="2" wrap="wrap" align="center" columnGap="1"><Actions actions={row.do} things={things} onChange={(done) => onChange({ do: done })} /></Flex>;
}
