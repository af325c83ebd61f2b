/** The coloured words of a sentence: each is a choice. */
import { Box, chakra } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { t } from "../../words/does";

type Option = readonly [value: string, word: string];
export interface OptionGroup { label: string; options: readonly Option[] }

interface Props {
  label: string;
  value: string;
  options?: readonly Option[];
  groups?: readonly OptionGroup[];
  onChange: (value: string) => void;
  tone?: keyof typeof TONES;
}

const TONES = {
  what: { bg: "marigold.soft", color: "marigold.ink" }, how: { bg: "sky.soft", color: "sky.ink" },
  /** What may be added, but says nothing yet. */
  more: { bg: "transparent", color: "quiet" },
} as const;

const SHAPE = { fontWeight: "600", borderRadius: "6px", px: "1.5", py: "0.5", maxW: "100%" } as const;

/** A word of a sentence that is chosen from a list. */
export function WordChoice({ label, value, options = [], groups = [], onChange, tone = "how" }: Props): ReactNode {
  const known = [...options, ...groups.flatMap((group) => group.options)].some(([key]) => key === value);
  return (
    <chakra.select
      aria-label={label} value={value} {...TONES[tone]} {...SHAPE} css={{ fieldSizing: "content" }}
      {...(known ? {} : { outline: "2px solid {colors.brick}" })}
      onChange={(event) => onChange(event.target.value)}
    >
      {!known && <option value={value}>{t("aDeletedElement")}</option>}
      {options.map(([key, word]) => <option key={key} value={key}>{word}</option>)}
      {groups.filter((group) => group.options.length).map((group) => (
        <optgroup key={group.label} label={group.label}>
          {group.options.map(([key, word]) => <option key={key} value={key}>{word}</option>)}
        </optgroup>
      ))}
    </chakra.select>
  );
}

/** A word or number of a sentence that is typed. */
export function WordField(
  { label, value, onChange, number, hint }: {
    label: string; value: string | number; onChange: (value: string) => void; number?: boolean; hint?: string;
  },
): ReactNode {
  return (
    <chakra.input
      aria-label={label} value={value} type={number ? "number" : "text"} step="any" placeholder={hint} {...TONES.how} {...SHAPE}
      minW={number ? "52px" : "90px"} maxW="100%" css={{ fieldSizing: "content" }}
      onChange={(event) => onChange(event.target.value)}
    />
  );
}

/** A coloured word that is no choice. */
export function Word({ children }: { children: ReactNode }): ReactNode {
  return <Box as="span" {...TONES.what} {...SHAPE}>{children}</Box>;
}
