import { Box } from "@chakra-ui/react";
import { memo, useEffect, useRef, useState, type ReactNode } from "react";
import type { Element, Slide } from "../../../api/types";
import { fits } from "../../../player/render/fitting";
import { themeOn } from "../../store/quizOn";
import { useCourse } from "../../store/store";
import { t } from "../../../words/editor";

/** Marks where words run over their box. */
export const Overflow = memo(function Overflow({ slide, scale }: { slide: Slide; scale: number }): ReactNode {
  // Words that are being written are not drawn yet.
  const editing = useCourse((state) => state.editing);
  const [over, setOver] = useState<readonly string[]>([]);
  /** What has been looked at, and whether its words ran over: only what has changed is looked at again. */
  const looked = useRef(new WeakMap<Element, boolean>());
  const fonts = useCourse((state) => themeOn(state.course, slide.id).fonts);
  useEffect(() => { looked.current = new WeakMap(); }, [fonts]);
  useEffect(() => {
    const look = (): void => {
      const found = slide.elements.filter((element) => {
        if (element.style.fit === "grow" || element.id === editing) return false;
        const known = looked.current.get(element);
        if (known !== undefined) return known;
        const box = document.querySelector<HTMLElement>(`[data-stage] [data-element="${element.id}"] .zz-words`);
        if (!box) return false;
        const runsOver = !fits(box, "box");
        looked.current.set(element, runsOver);
        return runsOver;
      }).map(({ id }) => id);
      setOver((before) => (before.join() === found.join() ? before : found));
    };
    // After the slide has been drawn, and once more when its fonts are there.
    const frame = requestAnimationFrame(look);
    if (document.fonts.status !== "loaded") {
      void document.fonts.ready.then(() => {
        looked.current = new WeakMap();
        look();
      });
    }
    return () => cancelAnimationFrame(frame);
  }, [slide, editing, fonts]);
  return slide.elements.filter((element) => over.includes(element.id)).map((element) => (
    <Box
      key={element.id} position="absolute" zIndex="1000001" pointerEvents="none" bg="#b4472f" color="white"
      fontSize="11px" fontWeight="600" px="1.5" borderRadius="0 0 4px 4px" data-overflow={element.id}
      style={{ left: element.x * scale, top: (element.y + element.h) * scale }}
    >
      {t("textOverflows")}
    </Box>
  ));
});
