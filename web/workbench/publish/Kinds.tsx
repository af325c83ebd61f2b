/** The choice of what a package is made for. The last choice is kept in this browser. */
import { Box, chakra, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { create } from "zustand";
import { persist } from "zustand/middleware";
import { KIND_USES, KIND_WORDS, type PackageKind } from "./kinds";
import { t } from "../../words/publish";

const KINDS = Object.keys(KIND_WORDS) as PackageKind[];

const useChosen = create<{ kind: string }>()(persist((): { kind: string } => ({ kind: "scorm12" }), { name: "zigzag:publish-as" }));

/** Return what a package is made for, and what changes that. */
export function useKind(): [kind: PackageKind, set: (kind: PackageKind) => void] {
  const chosen = useChosen(({ kind }) => kind);
  return [KINDS.find((kind) => kind === chosen) ?? "scorm12", (kind) => useChosen.setState({ kind })];
}

/** Each standard on a line, with what it is for. */
export function Kinds({ kind, onKind }: { kind: PackageKind; onKind: (kind: PackageKind) => void }): ReactNode {
  return (
    <Box role="radiogroup" aria-label={t("standard")} borderWidth="1px" borderRadius="card" overflow="hidden">
      {KINDS.map((one) => (
        <chakra.label
          key={one} display="flex" gap="3" alignItems="baseline" px="3" py="2" cursor="pointer" borderTopWidth={one === KINDS[0] ? "0" : "1px"}
          bg={one === kind ? "marigold.soft" : undefined} _hover={{ bg: one === kind ? "marigold.soft" : "paper" }} _focusWithin={{ outline: "2px solid", outlineColor: "sky", outlineOffset: "-2px" }}
        >
          <chakra.input type="radio" name="kind" checked={one === kind} aria-label={KIND_WORDS[one]} aria-description={KIND_USES[one]} onChange={() => onKind(one)} accentColor="spruce" />
          <Text as="span" w="186px" flex="none" fontWeight="600" display="inline-block" _firstLetter={one === "web" ? { textTransform: "uppercase" } : {}}>{KIND_WORDS[one]}</Text>
          <Text as="span" flex="1" color="quiet" fontSize="13px">{KIND_USES[one]}</Text>
        </chakra.label>
      ))}
    </Box>
  );
}
