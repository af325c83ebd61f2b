import { NativeSelect } from "@chakra-ui/react";
import { type ReactNode } from "react";
import { Labelled } from "./Labelled";

/** One of a few, from a list that opens. */
export function Choose<T extends string>(
  { label, value, options, onChange, help, bare, disabled = false }: {
    label: string; help?: string; value: T; options: readonly (readonly [T, string])[]; onChange: (value: T) => void; disabled?: boolean;
    /** Without its label beside it; screen readers still hear it. */
    bare?: boolean;
  },
): ReactNode {
  const list = (
    <NativeSelect.Root size="xs" disabled={disabled}>
      <NativeSelect.Field
        value={value} aria-label={label} bg="paper" borderRadius="6px"
        onChange={(event) => onChange(event.currentTarget.value as T)}
      >
        {options.map(([key, word]) => <option key={key} value={key}>{word}</option>)}
      </NativeSelect.Field>
      <NativeSelect.Indicator />
    </NativeSelect.Root>
  );
  return bare ? list : <Labelled label={label} help={help}>{list}</Labelled>;
}
