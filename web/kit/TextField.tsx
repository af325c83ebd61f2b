import { Field, Input, Textarea } from "@chakra-ui/react";
import { useEffect, useState, type ReactNode } from "react";
import { Explained } from "./Explained";

/** A line of text; empty it may be. */
export function TextField(
  { label, value, onChange, lines = 1, hint, help }: {
    label: string; value: string; onChange: (value: string) => void; lines?: number; hint?: string; help?: string;
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
    <Explained help={help}><Field.Root>
      <Field.Label fontSize="12.5px" color="quiet" fontWeight="400">{label}</Field.Label>
      {lines > 1 ? <Textarea {...common} rows={lines} fontSize="13px" /> : <Input {...common} fontSize="13px" />}
    </Field.Root></Explained>
  );
}
