import { NativeSelect } from "@chakra-ui/react";
import { type ReactNode } from "react";
import { Labelled } from "./Labelled";

/** One of a few, from a list that opens. */
export function Choose<T extends string>(
  { label, value, options, onChange, help }: {
    label: string; help?: string; value: T; options: readonly (readonly [T, string])[]; onChange: (value: T) => void;
  },
): ReactNode {
  return (
    <Labelled label={label} help={help}>
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
