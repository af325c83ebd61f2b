import { Box, Flex, Text } from "@chakra-ui/react";
import { X } from "lucide-react";
import type { ReactNode } from "react";
import { Kbd } from "../../../kit/Kbd";
import { Tool } from "../../../kit/Tool";
import { toggleView } from "../stage/view";
import { t } from "../../../words/editor";

const KEYS: [string[], string][] = [
  [["/"], t("add2")], [["Tab"], t("nextElement")], [["↑", "↓"], t("move")],
  [["Ctrl", "↑"], t("resize2")], [["Enter"], t("editText2")], [["Ctrl", "D"], t("duplicate")],
  [["R"], t("rehearseFromHere")], [["W"], t("onlyTheSlide")],
];

/** The keys that help most, at the bottom. */
export function ShortcutBar({ onHelp }: { onHelp: () => void }): ReactNode {
  return (
    <Flex
      as="footer" css={{ "@media (max-height: 560px)": { display: "none" } }} h="32px" px="4" gap="5" align="center" borderTopWidth="1px" bg="paper"
      color="quiet" fontSize="12.5px" overflow="hidden" aria-label={t("keys")}
    >
      {KEYS.map(([keys, what]) => (
        <Flex key={what} gap="1.5" align="center" flex="none">
          {keys.map((key) => <Kbd key={key}>{key}</Kbd>)}
          <Text>{what}</Text>
        </Flex>
      ))}
      <Box flex="1" />
      <Flex as="button" gap="1.5" align="center" flex="none" onClick={onHelp} _hover={{ color: "ink" }}><Kbd>?</Kbd>{t("allShortcuts")}</Flex>
      <Tool label={t("hideTheShortcuts")} h="24px" onClick={() => toggleView("keys")}><X size={14} /></Tool>
    </Flex>
  );
}
