import { Input } from "@chakra-ui/react";
import { useState, type ReactNode } from "react";
import { Labelled } from "./Labelled";

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
