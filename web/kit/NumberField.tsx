import { Input } from "@chakra-ui/react";
import { useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from "react";
import { Labelled } from "./Labelled";
import { sum } from "./sums";

interface NumberProps {
  label: string;
  value: number | null;
  onChange: (value: number) => void;
  /** What an empty field means, in a word, and what happens when it is emptied. */
  none?: { word: string; onNone: () => void };
  min?: number;
  max?: number;
  step?: number;
  help?: string;
  /** Without its label beside it; screen readers still hear it. */
  bare?: boolean;
}

/** A number with at most three decimals; a small one with what it has. */
function shortened(value: number): string {
  return String(Math.abs(value) < 0.1 ? Number(value.toPrecision(6)) : Math.round(value * 1000) / 1000);
}

/** How many px the pointer goes for one step. */
const PULL = 4;
const STEPS: Readonly<Record<string, number>> = { ArrowUp: 1, ArrowDown: -1, PageUp: 10, PageDown: -10 };

/**
 * A number: typed, also as a small sum, stepped with the arrow keys (Shift: ten steps), or dragged by
 * its label. It takes effect as soon as it is one, and shows what is in force when left.
 */
export function NumberField({ label, value, onChange, min = -20_000, max = 20_000, step = 1, help, bare, none }: NumberProps): ReactNode {
  const [draft, setDraft] = useState<string | null>(null);
  const pulled = useRef<{ x: number; from: number } | null>(null);
  const put = (number: number): void => onChange(Math.min(Math.max(number, min), max));
  // What is added up in steps would else gather the errors of binary fractions.
  const stepTo = (number: number): void => put(Number(number.toFixed(6)));

  function take(text: string): void {
    setDraft(text);
    if (none && !text.trim()) return none.onNone();
    const number = sum(text);
    if (number !== null) put(number);
  }

  function onKeyDown(event: KeyboardEvent): void {
    const steps = STEPS[event.key];
    if (steps !== undefined) {
      event.preventDefault();
      setDraft(null);
      stepTo((value ?? min) + steps * step * (event.shiftKey ? 10 : 1));
    } else if (event.key === "Enter" || event.key === "Escape") setDraft(null);
  }

  const handle = {
    cursor: "ew-resize", userSelect: "none", touchAction: "none",
    onPointerDown: (event: PointerEvent<HTMLElement>) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      pulled.current = { x: event.clientX, from: value ?? min };
    },
    onPointerMove: (event: PointerEvent<HTMLElement>) => {
      const from = pulled.current;
      const steps = from ? Math.trunc((event.clientX - from.x) / PULL) : 0;
      if (from && (steps !== 0 || value !== from.from)) stepTo(from.from + steps * step);
    },
    onPointerUp: () => { pulled.current = null; },
  } as const;

  const input = (
    <Input
      size="xs" inputMode="decimal" value={draft ?? (value === null ? "" : shortened(value))} placeholder={none?.word} textAlign="right" px="2"
      role="spinbutton" aria-valuenow={value ?? undefined} aria-valuetext={value === null ? none?.word : undefined} aria-valuemin={min} aria-valuemax={max}
      bg="paper" borderRadius="6px" aria-label={label} onBlur={() => setDraft(null)} onKeyDown={onKeyDown}
      onChange={(event) => take(event.target.value)}
    />
  );
  return bare ? input : <Labelled label={label} help={help} handle={handle}>{input}</Labelled>;
}
