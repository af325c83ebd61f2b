import { useMemo } from "react";
import type { Slide } from "../../api/types";
import { useLook, wearing } from "./looks";

/** The slide as its author sees it: the element whose look is edited wears it. */
export function useAsLooked(slide: Slide | undefined): Slide | undefined {
  const { element, look } = useLook();
  return useMemo(() => (!slide || !look ? slide : {
    ...slide, elements: slide.elements.map((e) => (e.id === element ? wearing(e, look) : e)),
  }), [slide, element, look]);
}
