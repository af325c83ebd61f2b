import { Field, Input, Textarea } from "@chakra-ui/react";
import { useEffect, useState, type ReactNode } from "react";

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
