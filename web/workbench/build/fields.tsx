/** Fields of the cards: small, labelled, and changing the course as they change. */
import { Box, Field, Flex, Input, NativeSelect, Text, Textarea } from "@chakra-ui/react";
import { useEffect, useState, type ReactNode } from "react";

interface NumberProps {
  label: string;
  value: number;
  onChange: (value: number) => void;
  min?: number;
  max?: number;
  step?: number;
  /** Without its label beside it; screen readers still hear it. */
  bare?: boolean;
}

/** A number; takes effect as soon as it is one, and shows what is in force when left. */
export function NumberField({ label, value, onChange, min, max, step = 1, bare }: NumberProps): ReactNode {
  const [draft, setDraft] = useState<string | null>(null);
  const shown = draft ?? String(Math.round(value * 1000) / 1000);

  function take(text: string): void {
    setDraft(text);
    const number = Number(text.replace(",", "."));
    if (text.trim() === "" || Number.isNaN(number)) return;
    onChange(Math.min(Math.max(number, min ?? -20_000), max ?? 20_000));
  }

  const input = (
    <Input
      size="xs" type="number" value={shown} min={min} max={max} step={step} textAlign="right"
      bg="paper" borderRadius="6px" aria-label={label} onBlur={() => setDraft(null)}
      onChange={(event) => take(event.target.value)}
    />
  );
  return bare ? input : <Labelled label={label}>{input}</Labelled>;
}

/** A line of text; empty it may be. */
export function TextField(
  { label, value, onChange, lines = 1, hint }: {
    label: string; value: string; onChange: (value: string) => void; lines?: number; hint?: string;
  },
): ReactNode {
  const [draft, setDraft] = useState(value);
  useEffect(() => setDraft(value), [value]);
  const common = {
    size: "xs" as const, bg: "paper", borderRadius: "6px", value: draft, placeholder: hint,
    onChange: (event: { target: { value: string } }) => {
      setDraft(event.target.value);
      onChange(event.target.value);
    },
  };
  return (
    <Field.Root>
      <Field.Label fontSize="12.5px" color="quiet" fontWeight="400">{label}</Field.Label>
      {lines > 1 ? <Textarea {...common} rows={lines} fontSize="13px" /> : <Input {...common} fontSize="13px" />}
    </Field.Root>
  );
}

export function Choose<T extends string>(
  { label, value, options, onChange }: {
    label: string; value: T; options: readonly (readonly [T, string])[]; onChange: (value: T) => void;
  },
): ReactNode {
  return (
    <Labelled label={label}>
      <NativeSelect.Root size="xs">
        <NativeSelect.Field
          value={value} aria-label={label} bg="paper" borderRadius="6px"
          onChange={(event) => onChange(event.currentTarget.value as T)}
        >
          {options.map(([key, word]) => <option key={key} value={key}>{word}</option>)}
        </NativeSelect.Field>
        <NativeSelect.Indicator />
      </NativeSelect.Root>
    </Labelled>
  );
}

export function Check(
  { label, value, onChange }: { label: string; value: boolean; onChange: (value: boolean) => void },
): ReactNode {
  return (
    <Flex as="label" align="center" gap="2" py="0.5" cursor="pointer">
      <input
        type="checkbox" checked={value} onChange={(event) => onChange(event.target.checked)}
        style={{ accentColor: "#1e5b4b", width: 16, height: 16 }}
      />
      <Text>{label}</Text>
    </Flex>
  );
}

export function Labelled({ label, children }: { label: string; children: ReactNode }): ReactNode {
  return (
    <Flex align="center" gap="2" py="1">
      <Text color="quiet" fontSize="12.5px" w="76px" flex="none" aria-hidden>{label}</Text>
      <Box flex="1" minW="0">{children}</Box>
    </Flex>
  );
}

export function Pair({ children }: { children: ReactNode }): ReactNode {
  return <Box display="grid" gridTemplateColumns="1fr 1fr" columnGap="3" css={{ "& p": { width: "auto", minWidth: "34px" } }}>{children}</Box>;
}
