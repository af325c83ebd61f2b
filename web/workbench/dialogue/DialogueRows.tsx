/** The dialogues of a slide in its running order: they are read behind what stands before them. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { MessagesSquare } from "lucide-react";
import type { ReactNode } from "react";
import type { Slide } from "../../api/types";
import { t } from "../../words/dialogue";
import { showDialogue } from "./page";

/** A row for each; `before` elements are read before them. */
export function DialogueRows({ slide, before }: { slide: Slide; before: number }): ReactNode {
  return slide.dialogues.map(({ id, name, turns, beats }, place) => {
    const first = beats.flatMap(({ lines }) => lines).find((line) => line.kind === "said");
    return (
      <Flex key={id} as="button" w="100%" px="3" py="1.5" gap="2.5" textAlign="left" align="flex-start" _hover={{ bg: "table" }} aria-label={t("openDialogue", { name })} onClick={() => showDialogue(slide.id, id)}>
        <Box pt="0.5" color="quiet"><MessagesSquare size={17} aria-hidden /></Box>
        <Box flex="1" minW="0">
          <Text fontWeight="600" truncate>{name}</Text>
          <Text color="quiet" fontSize="12.5px" lineClamp={2}>{first && "text" in first ? first.text : t("turns", { count: turns.length })}</Text>
        </Box>
        <Text color="quiet" fontSize="12px">{before + place + 1}</Text>
      </Flex>
    );
  });
}
