/** Where the dialogues of a slide are seen: their boxes, with what is said first. */
import { Box, Text, chakra } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Slide } from "../../api/types";
import { t } from "../../words/dialogue";
import { showDialogue } from "./page";

/** A box for each dialogue, on a slide that is drawn at `scale`. */
export function DialogueBoxes({ slide, scale }: { slide: Slide; scale: number }): ReactNode {
  return slide.dialogues.map(({ id, name, x, y, w, h, beats }) => {
    const first = beats.flatMap(({ lines }) => lines).find((line) => line.kind === "said");
    return (
      <Box
        key={id} position="absolute" zIndex="1000001" pointerEvents="none" borderWidth="2px" borderStyle="dashed" borderColor="edge" borderRadius="8px" overflow="hidden" p="2" data-dialogue-box={id}
        style={{ left: x * scale, top: y * scale, width: w * scale, height: h * scale }}
      >
        <chakra.button type="button" pointerEvents="auto" fontWeight="700" fontSize="13px" textDecoration="underline" cursor="pointer" onClick={() => showDialogue(slide.id, id)}>{t("openDialogue", { name })}</chakra.button>
        {first && "text" in first && <Text color="quiet" fontSize="12.5px" lineClamp={3}>{first.text}</Text>}
      </Box>
    );
  });
}
