/** One row of an answer table: what it asks for, its points, its words, what it does. */
import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { ArrowUp, X } from "lucide-react";
import type { ReactNode } from "react";
import type { AnswerRow } from "../../api/types";
import { Actions } from "../does/Actions";
import type { Things } from "../does/things";
import { Tool } from "../ui/parts";
import { fromLines, lines } from "./words";

/** How an answer is called in the table. */
export const letter = (place: number): string => String.fromCharCode(65 + place);

const SIGN = { yes: "✓", no: "✕", any: "·" } as const;
const NEXT = { any: "yes", yes: "no", no: "any" } as const;

export function RowFields(
  { row, number, named, never, taken, things, onChange, onRemove, onUp }: {
    row: AnswerRow; number: number; named: readonly [string, string][]; never: boolean; taken: boolean; things: Things;
    onChange: (part: Partial<AnswerRow>) => void; onRemove: () => void; onUp: (() => void) | undefined;
  },
): ReactNode {
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
    <Box py="1.5" borderTopWidth="1px" role="group" aria-label={`Row ${number}`} bg={taken ? "marigold.soft" : undefined}>
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
      <Box as="details" {...(row.do.length ? { open: true } : {})}>
        <Text as="summary" fontSize="12px" color="quiet" cursor="pointer">and does{row.do.length ? "" : " nothing more"}</Text>
        <Box pl="2" lineHeight="2"><Actions actions={row.do} things={things} lead="do" onChange={(done) => onChange({ do: done })} /></Box>
      </Box>
      {never && <Text fontSize="12px" color="brick">Never taken: rows above come first.</Text>}
    </Box>
  );
}
