import { useLayoutEffect, useRef, type ReactNode } from "react";
import type { RichText, Style } from "../../api/types";
import { RichTextView, type ValueWords } from "./RichTextView";
import { textStyle } from "./style";

const SMALLEST = 0.3;
const STEPS = 7;

/** Rich text in a box. */
export function RichWords(
  { text, style, values }: { text: RichText; style: Style; values: ValueWords },
): ReactNode {
  return (
    <Words style={style}>
      <span className="zz-rich"><RichTextView text={text} values={values} /></span>
    </Words>
  );
}

/** Words in a box: they may run over, get smaller until they fit, or make the box taller. */
export function Words({ style, children }: { style: Style; children: ReactNode }): ReactNode {
  const box = useRef<HTMLSpanElement>(null);
  useFitting(box, style);
  return (
    <span
      ref={box} className={`zz-box zz-words${style.fit === "grow" ? " zz-grows" : ""}`}
      style={textStyle(style)}
    >
      {children}
    </span>
  );
}

/** Make the words smaller until they fit, where the style says so. */
function useFitting(box: { current: HTMLElement | null }, style: Style): void {
  useLayoutEffect(() => {
    const element = box.current;
    if (!element || style.fit !== "shrink") return;
    const fit = (): void => {
      const size = (share: number): boolean => {
        element.style.fontSize = `${style.size * share}px`;
        return fits(element);
      };
      if (size(1)) return;
      let low = SMALLEST;
      let high = 1;
      for (let step = 0; step < STEPS; step++) {
        const middle = (low + high) / 2;
        if (size(middle)) low = middle;
        else high = middle;
      }
      size(low);
    };
    fit();
    // A font that arrives later is wider or narrower than the one that stood in for it.
    let here = true;
    if (document.fonts.status !== "loaded") void document.fonts.ready.then(() => { if (here) fit(); });
    return () => { here = false; };
  });
}

/** Whether the words in a box stay within it, or within its inner margin. */
export function fits(box: HTMLElement, within: "box" | "margin" = "margin"): boolean {
  const words = box.firstElementChild;
  if (!(words instanceof HTMLElement)) return true;
  const { paddingTop, paddingBottom } = getComputedStyle(box);
  const margin = within === "margin" ? parseFloat(paddingTop) + parseFloat(paddingBottom) : 0;
  return words.offsetHeight <= box.clientHeight - margin + 1 && words.scrollWidth <= words.clientWidth + 1;
}
