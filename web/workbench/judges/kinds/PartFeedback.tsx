import { chakra } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { t } from "../../../words/judges";

/** The feedback on one part: a line that stays small until something is typed. */
export function PartFeedback({ value, label, onChange }: { value: string; label: string; onChange: (text: string) => void }): ReactNode {
  return (
    <chakra.input
      data-feedback key={value} defaultValue={value} aria-label={label} placeholder={t("feedbackForThisAnswer")} fontSize="12px" flex="1" minW="120px" px="2" py="0.5"
      borderRadius="6px" bg={value ? "sky.soft" : "transparent"} borderWidth="1px" {...(value ? { borderColor: "transparent" } : {})}
      onKeyDown={(event) => { if (event.key === "Enter") event.currentTarget.blur(); }}
      onBlur={(event) => { if (event.target.value !== value) onChange(event.target.value); }}
    />
  );
}
