import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { Plus, X } from "lucide-react";
import type { ReactNode } from "react";
import type { Accepts } from "../../api/types";
import { Check } from "../../kit/Check";
import { NumberField } from "../../kit/NumberField";
import { Pair } from "../../kit/Pair";
import { TextField } from "../../kit/TextField";
import { QuietButton } from "../../kit/QuietButton";
import { Tool } from "../../kit/Tool";
import { t } from "../../words/judges";

interface Props {
  accepts: Accepts;
  name: string;
  /** Whether numbers are asked for; *also* is beside words. */
  numbers: "only" | "no" | "also";
  /** Words that are picked from a list cannot differ. */
  picked?: boolean;
  onChange: (accepts: Accepts) => void;
}

const MAY_DIFFER = [
  ["any_case", t("capitals")], ["any_accents", t("accents")], ["any_spaces", t("spaces")], ["any_punctuation", t("punctuation")],
] as const;

/** Which words or numbers are right, and what may differ from them. */
export function AcceptsFields({ accepts, name, numbers, picked = false, onChange }: Props): ReactNode {
  const asked = accepts.near.length + accepts.ranges.length;
  return (
    <Box>
      {numbers !== "only" && <WordFields accepts={accepts} name={name} picked={picked} onChange={onChange} />}
      {numbers === "only" && <NumberFields accepts={accepts} onChange={onChange} />}
      {numbers === "also" && (
        <details open={asked > 0}>
          <Text as="summary" fontSize="12px" color="quiet" cursor="pointer">{t("orANumber")}</Text>
          <NumberFields accepts={accepts} onChange={onChange} />
        </details>
      )}
    </Box>
  );
}

function WordFields({ accepts, name, picked, onChange }: Pick<Props, "accepts" | "name" | "onChange"> & { picked: boolean }): ReactNode {
  return (
    <>
      <TextField
        label={t("nameOnePerLine", { name })} lines={Math.min(Math.max(accepts.words.length, 2), 6)} value={accepts.words.join("\n")}
        onChange={(text) => onChange({ ...accepts, words: text.split("\n").slice(0, 100) })}
      />
      {picked ? null : <MayDiffer accepts={accepts} onChange={onChange} />}
    </>
  );
}

function MayDiffer({ accepts, onChange }: Pick<Props, "accepts" | "onChange">): ReactNode {
  return (
    <>
      <Text fontSize="12px" color="quiet" mt="1.5">{t("ignore")}</Text>
      <Flex wrap="wrap" columnGap="3">
        {MAY_DIFFER.map(([key, label]) => (
          <Check key={key} label={label} value={accepts[key]} onChange={(value) => onChange({ ...accepts, [key]: value })} />
        ))}
        <Check label={t("acceptTypos")} help={t("helpTypos")} value={accepts.typos} onChange={(typos) => onChange({ ...accepts, typos })} />
      </Flex>
      {accepts.typos && <Text fontSize="12px" color="quiet">{t("oneTypoFrom4Letters")}</Text>}
    </>
  );
}

/** Values with what they may be off, intervals, and units that may follow. */
function NumberFields({ accepts, onChange }: Pick<Props, "accepts" | "onChange">): ReactNode {
  const { near, ranges } = accepts;
  const putNear = (index: number, part: Partial<Accepts["near"][number]>): void => onChange({
    ...accepts, near: near.map((one, n) => (n === index ? { ...one, ...part } : one)),
  });
  const putRange = (index: number, low: number, high: number): void => onChange({
    ...accepts, ranges: ranges.map((range, n) => (n === index ? { low: Math.min(low, high), high: Math.max(low, high) } : range)),
  });
  return (
    <>
      {near.map(({ value, off, per_cent: share }, index) => (
        <Flex key={`near${index}`} align="center" gap="1" role="group" aria-label={t("numberIndex", { index: index + 1 })}>
          <NumberField bare label={t("number")} value={value} min={-1e12} max={1e12} onChange={(number) => putNear(index, { value: number })} />
          <Text fontSize="13px" title={t("tolerance")}>±</Text>
          <NumberField bare label={t("tolerance")} help={t("helpTolerance")} value={off} min={0} max={1e12} onChange={(number) => putNear(index, { off: number })} />
          <chakra.select
            aria-label={t("unitOfTheTolerance")} value={share ? "per_cent" : "units"} fontSize="12px" bg="sheet" borderRadius="6px"
            onChange={(event) => putNear(index, { per_cent: event.target.value === "per_cent" })}
          >
            <option value="units">{t("number")}</option>
            <option value="per_cent">%</option>
          </chakra.select>
          <Tool label={t("removeThisNumber")} onClick={() => onChange({ ...accepts, near: near.filter((_, n) => n !== index) })}><X size={13} /></Tool>
        </Flex>
      ))}
      {ranges.map(({ low, high }, index) => (
        <Flex key={`range${index}`} align="center" gap="1">
          <Pair>
            <NumberField label={t("from")} value={low} min={-1e12} max={1e12} onChange={(value) => putRange(index, value, Math.max(high, value))} />
            <NumberField label={t("to")} value={high} min={-1e12} max={1e12} onChange={(value) => putRange(index, Math.min(low, value), value)} />
          </Pair>
          <Tool label={t("removeThisRange")} onClick={() => onChange({ ...accepts, ranges: ranges.filter((_, n) => n !== index) })}><X size={13} /></Tool>
        </Flex>
      ))}
      <Flex gap="1.5" wrap="wrap" mt="1">
        <QuietButton size="xs" onClick={() => onChange({ ...accepts, near: [...near, { value: 0, off: 0, per_cent: false }] })}><Plus size={14} />{t("aNumber")}</QuietButton>
        <QuietButton size="xs" onClick={() => onChange({ ...accepts, ranges: [...ranges, { low: 0, high: 0 }] })}><Plus size={14} />{t("fromTo")}</QuietButton>
      </Flex>
      <TextField
        label={t("acceptedUnitsSeparatedByCommas")} help={t("helpUnits")} value={accepts.units.join(", ")}
        onChange={(text) => onChange({ ...accepts, units: text.split(",").map((unit) => unit.trim().slice(0, 20)).filter(Boolean).slice(0, 20) })}
      />
      <Text fontSize="12px" color="quiet">{t("decimalCommaAndDecimalPoint")}</Text>
    </>
  );
}
