/** Draws one element into the box that its parent gives it. The same for authors and learners. */
import type { ReactNode } from "react";
import type {
  Element, PictureElement, ProgramMedia, ShapeElement, Style, TextElement,
} from "../../api/types";
import { RichTextView, type ValueWords } from "./RichTextView";
import { textStyle } from "./style";

export type MediaMap = Readonly<Record<string, ProgramMedia>>;

interface Props {
  element: Element;
  style: Style;
  media: MediaMap;
  values: ValueWords;
  /** Said instead of what is drawn, for those who do not see it; empty where it is not read. */
  alt?: string;
}

export function ElementView({ element, style, media, values, alt = "" }: Props): ReactNode {
  switch (element.kind) {
    case "text": return <TextBox element={element} style={style} values={values} />;
    case "shape": return <ShapeBox element={element} alt={alt} />;
    case "picture": return <PictureBox element={element} media={media} alt={alt} />;
    case "button":
      return (
        <span className="zz-box zz-words" style={textStyle(style)}>
          <span>{element.label}</span>
        </span>
      );
  }
}

function TextBox(
  { element, style, values }: { element: TextElement; style: Style; values: ValueWords },
): ReactNode {
  return (
    <div className="zz-box zz-words" style={textStyle(style)}>
      <div className="zz-rich"><RichTextView text={element.text} values={values} /></div>
    </div>
  );
}

function ShapeBox({ element, alt }: { element: ShapeElement; alt: string }): ReactNode {
  const role = alt ? { role: "img", "aria-label": alt } : {};
  if (element.shape !== "line") {
    return <div className={`zz-box zz-${element.shape}`} {...role} />;
  }
  const { w, h, rising } = element;
  // A drawing without width or height is not drawn at all; a level line has none.
  return (
    <svg className="zz-line" width={Math.max(w, 1)} height={Math.max(h, 1)} {...role} aria-hidden={alt ? undefined : true}>
      <line x1={0} y1={rising ? h : 0} x2={w} y2={rising ? 0 : h} />
    </svg>
  );
}

function PictureBox(
  { element, media, alt }: { element: PictureElement; media: MediaMap; alt: string },
): ReactNode {
  const file = element.media ? media[element.media] : undefined;
  if (!file) return <div className="zz-box zz-empty-picture" />;
  return (
    <div className="zz-box">
      <img src={file.src} alt={alt} style={{ objectFit: element.fit }} draggable={false} />
    </div>
  );
}
