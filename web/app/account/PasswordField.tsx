import { Input } from "@chakra-ui/react";
import { type ReactNode } from "react";

/** A field for a password, the one so far or one that is to be. */
export function PasswordField(
  { label, value, isNew = false, onChange }: {
    label: string; value: string; isNew?: boolean; onChange: (value: string) => void;
  },
): ReactNode {
  return (
    <Input
      size="sm" type="password" aria-label={label} placeholder={label} value={value} required
      maxLength={200} autoComplete={isNew ? "new-password" : "current-password"}
      onChange={(event) => onChange(event.target.value)}
    />
  );
}
