import { chakra, Flex } from "@chakra-ui/react";
import { useState, type ReactNode } from "react";
import { t } from "../../words/timing";

/** A time in seconds, kept in ms. */
export function Seconds(
  { label, value, onChange }: { label: string; value: number; onChange: (ms: number) => void },
): ReactNode {
  const [draft, setDraft] = useState<string | null>(null);
  return (
    <Flex as="label" align="center" gap="1.5" fontSize="13px">
      {label}
      <chakra.input
        type="number" min={0} max={3600} step={0.1} w="68px" px="1.5" py="0.5" borderWidth="1px" borderRadius="6px" bg="sheet" textAlign="right"
        aria-label={t("labelInSeconds", { label })} value={draft ?? String(value / 1000)} onBlur={() => setDraft(null)}
        onChange={(event) => {
          setDraft(event.target.value);
          const seconds = Number(event.target.value);
          if (event.target.value !== "" && seconds >= 0 && seconds <= 3600) onChange(Math.round(seconds * 1000));
        }}
      />
      {t("s")}
    </Flex>
  );
}
