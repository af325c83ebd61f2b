import { useLayoutEffect, useRef, type ReactNode } from "react";
import type { RichText, Style } from "../../api/types";
import { fitSoon } from "./fitting";
import { RichTextView, type ValueWords } from "./RichTextView";
import { textStyle } from "./style";

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
    fitSoon(element, style.size);
    // A font that arrives later is wider or narrower than the one that stood in for it.
    let here = true;
    if (document.fonts.status !== "loaded") void document.fonts.ready.then(() => { if (here) fitSoon(element, style.size); });
    return () => { here = false; };
  });
}
