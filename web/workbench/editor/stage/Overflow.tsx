import { Box } from "@chakra-ui/react";
import { useEffect, useState, type ReactNode } from "react";
import type { Slide } from "../../../api/types";
import { fits } from "../../../player/render/Words";
import { useCourse } from "../../store/store";
import { t } from "../../../words/editor";

/** Marks where words run over their box. */
export function Overflow({ slide, scale }: { slide: Slide; scale: number }): ReactNode {
  // Words that are being written are not drawn yet.
  const editing = useCourse((state) => state.editing);
  const [over, setOver] = useState<readonly string[]>([]);
  useEffect(() => {
    const look = (): void => {
      const found = slide.elements.filter((element) => element.style.fit !== "grow").flatMap((element) => {
        const box = document.querySelector<HTMLElement>(`[data-stage] [data-element="${element.id}"] .zz-words`);
        return box && !fits(box, "box") ? [element.id] : [];
      });
      setOver((before) => (before.join() === found.join() ? before : found));
    };
    // After the slide has been drawn, and again when its fonts are there.
    const frame = requestAnimationFrame(look);
    void document.fonts.ready.then(look);
    return () => cancelAnimationFrame(frame);
  }, [slide, editing]);
  return slide.elements.filter((element) => over.includes(element.id)).map((element) => (
    <Box
      key={element.id} position="absolute" zIndex="1000001" pointerEvents="none" bg="#b4472f" color="white"
      fontSize="11px" fontWeight="600" px="1.5" borderRadius="0 0 4px 4px" data-overflow={element.id}
      style={{ left: element.x * scale, top: (element.y + element.h) * scale }}
    >
      {t("textOverflows")}
    </Box>
  ));
}
