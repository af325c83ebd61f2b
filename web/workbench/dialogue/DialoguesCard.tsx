/** The dialogues of a slide, each to be opened or deleted. */
import { Flex } from "@chakra-ui/react";
import { Maximize, Trash2 } from "lucide-react";
import type { ReactNode } from "react";
import type { Slide } from "../../api/types";
import { FoldCard } from "../../kit/FoldCard";
import { QuietButton } from "../../kit/QuietButton";
import { Tool } from "../../kit/Tool";
import { t } from "../../words/dialogue";
import { fillSlide, removeDialogue, showDialogue } from "./page";

/** The card of a slide that has some. */
export function DialoguesCard({ slide }: { slide: Slide }): ReactNode {
  if (!slide.dialogues.length) return null;
  return (
    <FoldCard title={t("dialogues")} noun={t("conversations")}>
      {slide.dialogues.map(({ id, name }) => (
        <Flex key={id} align="center" gap="2">
          <QuietButton size="sm" flex="1" justifyContent="flex-start" onClick={() => showDialogue(slide.id, id)}>{t("openDialogue", { name })}</QuietButton>
          <Tool label={t("fillTheSlide", { name })} onClick={() => fillSlide(slide.id, id)}><Maximize size={14} /></Tool>
          <Tool label={t("deleteDialogue", { name })} onClick={() => removeDialogue(id)}><Trash2 size={14} /></Tool>
        </Flex>
      ))}
    </FoldCard>
  );
}
