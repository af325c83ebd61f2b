/** Which words or numbers are right, and what may differ from them. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { Plus, X } from "lucide-react";
import type { ReactNode } from "react";
import type { Accepts } from "../../api/types";
import { Check, NumberField, Pair, TextField } from "../build/fields";
import { QuietButton, Tool } from "../ui/parts";

interface Props { accepts: Accepts; name: string; numbers: boolean; onChange: (accepts: Accepts) => void }

const MAY_DIFFER = [
  ["any_case", "capital letters"], ["any_accents", "accents"], ["any_spaces", "spaces"], ["any_punctuation", "punctuation"],
] as const;

export function AcceptsFields({ accepts, name, numbers, onChange }: Props): ReactNode {
  return (
    <Box>
      {numbers ? <Ranges accepts={accepts} onChange={onChange} /> : (
        <TextField
          label={`${name}, one on each line`} lines={Math.min(Math.max(accepts.words.length, 2), 6)} value={accepts.words.join("\n")}
          onChange={(text) => onChange({ ...accepts, words: text.split("\n").slice(0, 100) })}
        />
      )}
      {!numbers && (
        <>
          <Text fontSize="12px" color="quiet" mt="1.5">May differ in</Text>
          <Flex wrap="wrap" columnGap="3">
            {MAY_DIFFER.map(([key, label]) => (
              <Check key={key} label={label} value={accepts[key]} onChange={(value) => onChange({ ...accepts, [key]: value })} />
            ))}
            <Check label="small slips" value={accepts.typos} onChange={(typos) => onChange({ ...accepts, typos })} />
          </Flex>
          {accepts.typos && <Text fontSize="12px" color="quiet">One slip from 4 letters on, two from 8.</Text>}
        </>
      )}
    </Box>
  );
}

/** Intervals, each as a number with what it may be off, or as from and to. */
function Ranges({ accepts, onChange }: Pick<Props, "accepts" | "onChange">): ReactNode {
  const { ranges } = accepts;
  const put = (place: number, low: number, high: number): void => onChange({
    ...accepts, ranges: ranges.map((range, n) => (n === place ? { low: Math.min(low, high), high: Math.max(low, high) } : range)),
  });
  return (
    <>
      {ranges.map(({ low, high }, place) => (
        <Flex key={place} align="center" gap="1">
          <Pair>
            <NumberField label="from" value={low} min={-1e12} max={1e12} onChange={(value) => put(place, value, Math.max(high, value))} />
            <NumberField label="to" value={high} min={-1e12} max={1e12} onChange={(value) => put(place, Math.min(low, value), value)} />
          </Pair>
          <Tool label="Remove this range" onClick={() => onChange({ ...accepts, ranges: ranges.filter((_, n) => n !== place) })}><X size={13} /></Tool>
        </Flex>
      ))}
      <Flex gap="1.5" wrap="wrap" mt="1">
        <QuietButton size="xs" onClick={() => onChange({ ...accepts, ranges: [...ranges, { low: 0, high: 0 }] })}><Plus size={14} /> Another range</QuietButton>
        {ranges.length > 0 && [1, 5, 10].map((percent) => (
          <QuietButton key={percent} size="xs" px="2" title={`Widen each by ${percent} % of its middle`} onClick={() => onChange({ ...accepts, ranges: ranges.map((r) => widened(r, percent)) })}>
            ± {percent} %
          </QuietButton>
        ))}
      </Flex>
      <TextField
        label="Units that may follow, with commas" value={accepts.units.join(", ")}
        onChange={(text) => onChange({ ...accepts, units: text.split(",").map((unit) => unit.trim().slice(0, 20)).filter(Boolean).slice(0, 20) })}
      />
      <Text fontSize="12px" color="quiet">Decimal comma and point are both understood.</Text>
    </>
  );
}

function widened({ low, high }: { low: number; high: number }, percent: number): { low: number; high: number } {
  const middle = (low + high) / 2;
  const by = Math.round(Math.abs(middle) * percent * 1e4) / 1e6;
  return { low: Math.min(low, middle - by), high: Math.max(high, middle + by) };
}
