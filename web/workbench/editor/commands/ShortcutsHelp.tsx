import { Box, Dialog, Flex, Heading, Portal, Text } from "@chakra-ui/react";
import { Search, X } from "lucide-react";
import type { ReactNode } from "react";
import { Kbd } from "../../../kit/Kbd";
import { QuietButton } from "../../../kit/QuietButton";
import { Tool } from "../../../kit/Tool";
import { t } from "../../../words/editor";

type Line = [keys: string, what: string];

const GROUPS: readonly [title: string, lines: readonly Line[]][] = [
  [t("addAndFind"), [
    ["/", t("addAnElementRunA")], ["?", t("thisPage")], ["Ctrl F", t("findAndReplace")], ["Ctrl V", t("pasteElementsFilesOrText")],
  ]],
  [t("selectAndEdit"), [
    ["Tab", t("nextElement")], ["Shift Tab", t("previousElement")], ["Enter", t("editText2")], ["F2", t("renameInTheRunningOrder")],
    ["Ctrl A", t("selectAll")], ["Escape", t("selectNothingThenLeaveThe")], ["Delete", t("deleteWhatIsSelected")],
    ["Ctrl C", t("copy")], ["Ctrl X", t("cut")], ["Ctrl D", t("duplicate")],
    ["Ctrl Z", t("undo")], ["Ctrl Y", t("redo")],
  ]],
  [t("arrange"), [
    ["↑ ↓ ← →", t("moveBy1Px")], ["Shift ↑", t("moveBy10Px")], ["Ctrl ↑", t("resize")], ["Ctrl G", t("group")], ["Ctrl Shift G", t("ungroup")],
    ["Ctrl ]", t("forwardOne")], ["Ctrl [", t("backwardOne")], ["Ctrl Alt C", t("copyStyle")], ["Ctrl Alt V", t("pasteStyle")],
  ]],
  [t("slidesAndView"), [
    ["Alt →", t("nextSlide")], ["Alt ←", t("previousSlide")], ["R", t("rehearseFromHere")], ["T", t("timing")], ["W", t("onlyTheSlide")],
    ["Ctrl +", t("zoomIn")], ["Ctrl −", t("zoomOut")], ["Ctrl 0", t("fitTheSlide")], ["F6", t("nextPartOfTheWindow")], ["Ctrl S", t("saveNow")], ["Alt T", t("goToTheMessage")],
  ]],
];

/** All shortcuts of Build, and the way to the search over commands and settings. */
export function ShortcutsHelp({ onClose, onSearch }: { onClose: () => void; onSearch: () => void }): ReactNode {
  return (
    <Dialog.Root open onOpenChange={(event) => { if (!event.open) onClose(); }}>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content bg="sheet" maxW="1060px" mt="8" borderRadius="12px" data-own-keys>
            <Dialog.Header display="flex" alignItems="center" gap="3">
              <Dialog.Title fontSize="19px">{t("shortcuts")}</Dialog.Title>
              <QuietButton size="xs" ml="auto" onClick={onSearch}><Search size={14} />{t("searchCommandsAndSettings")}<Kbd>/</Kbd></QuietButton>
              <Tool label={t("close")} onClick={onClose}><X size={16} /></Tool>
            </Dialog.Header>
            <Dialog.Body>
              <Box css={{ columns: 3, columnGap: "40px" }}>
                {GROUPS.map(([title, lines]) => (
                  <Box key={title} mb="5" css={{ breakInside: "avoid" }}>
                    <Heading as="h3" fontSize="14px" fontFamily="body" mb="1.5">{title}</Heading>
                    {lines.map(([keys, what]) => (
                      <Flex key={keys} justify="space-between" gap="4" py="0.5" fontSize="13px">
                        <Text color="quiet" _firstLetter={{ textTransform: "uppercase" }}>{what}</Text>
                        <Flex gap="1" flex="none">{keys.split(" ").map((key) => <Kbd key={key}>{key}</Kbd>)}</Flex>
                      </Flex>
                    ))}
                  </Box>
                ))}
              </Box>
              <Text mt="5" color="quiet" fontSize="13px">{t("numbersCanBeTypedAs")}</Text>
            </Dialog.Body>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
