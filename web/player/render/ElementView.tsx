import type { ReactNode } from "react";
import type { Element, Style } from "../../api/types";
import { EmbedBox } from "./EmbedBox";
import { AreaBox, ShapeBox } from "./FigureBox";
import { InputBox, type Entering } from "./InputBox";
import { MeterBox } from "./MeterBox";
import type { MediaMap } from "./mediaMap";
import { PictureBox } from "./PictureBox";
import { PlayingBox } from "./PlayingBox";
import { TableBox } from "./TableBox";
import type { ValueWords } from "./RichTextView";
import { Words, RichWords } from "./Words";

export interface ElementProps {
  element: Element;
  style: Style;
  media: MediaMap;
  values: ValueWords;
  /** Said instead of what is drawn, for those who do not see it; empty where it is not read. */
  alt?: string;
  /** How a running course takes what is entered; absent in stills. */
  entering?: Entering;
  /** Whether videos play and pages load: only in a running course. */
  live?: boolean;
}

/** Draws one element into the box that its parent gives it. The same for authors and learners. */
export function ElementView(props: ElementProps): ReactNode {
  const { element, style, media, values, alt = "", entering, live = false } = props;
  switch (element.kind) {
    case "text": return <RichWords text={element.text} style={style} values={values} />;
    case "shape": return <ShapeBox {...{ element, style, alt, values }} />;
    case "picture": return <PictureBox {...{ element, style, media, alt }} />;
    case "video":
    case "audio": return <PlayingBox {...{ element, media, live }} />;
    case "button": return <Words style={style}><span>{element.label}</span></Words>;
    case "area": return <AreaBox {...{ element, style }} />;
    case "input": return <InputBox {...{ element, style, entering }} />;
    case "meter": return <MeterBox {...{ element, style, values, live }} />;
    case "table": return <TableBox {...{ element, style }} />;
    case "embed": return <EmbedBox {...{ element, live }} />;
    case "group": return null;
  }
}
