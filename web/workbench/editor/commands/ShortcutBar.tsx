import { Flex, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { Kbd } from "../../../kit/Kbd";

const KEYS: [string[], string][] = [
  [["/"], "add"], [["Tab"], "next element"], [["↑", "↓"], "move, with Shift further"],
  [["Ctrl", "↑"], "resize"], [["Enter"], "edit text"], [["Ctrl", "D"], "duplicate"],
  [["R"], "rehearse from here"], [["F6"], "next part of the window"],
];

/** The keys that help most, at the bottom. */
export function ShortcutBar(): ReactNode {
  return (
    <Flex
      as="footer" h="32px" px="4" gap="5" align="center" borderTopWidth="1px" bg="paper"
      color="quiet" fontSize="12.5px" overflow="hidden" aria-label="Keys"
    >
      {KEYS.map(([keys, what]) => (
        <Flex key={what} gap="1.5" align="center" flex="none">
          {keys.map((key) => <Kbd key={key}>{key}</Kbd>)}
          <Text>{what}</Text>
        </Flex>
      ))}
    </Flex>
  );
}
