import { Box, Separator } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Element, Style } from "../../../api/types";
import { Check } from "../../../kit/Check";
import { Choose } from "../../../kit/Choose";
import { NumberField } from "../../../kit/NumberField";
import { Pair } from "../../../kit/Pair";
import { PaintField } from "../fields/PaintField";

const ALIGN = [["left", "left"], ["center", "centre"], ["right", "right"]] as const;
const VALIGN = [["top", "top"], ["middle", "middle"], ["bottom", "bottom"]] as const;
const FONT = [["text", "text"], ["heading", "heading"]] as const;
const FIT = [["keep", "let them run over"], ["shrink", "make them smaller"], ["grow", "make the box taller"]] as const;
const LINES = [["solid", "solid"], ["dashed", "dashed"], ["dotted", "dotted"]] as const;

/** What of a style means something. */
export interface Parts { words: boolean; fill: boolean; line: boolean; fits: boolean }

export const ALL_PARTS: Parts = { words: true, fill: true, line: false, fits: true };

/** Which fields of a style make a difference to all of `elements`. */
export function partsOf(elements: readonly Element[]): Parts {
  const line = elements.every((e) => e.kind === "shape" && (e.shape === "line" || e.shape === "arrow"));
  return {
    line, fill: !line,
    words: elements.some((e) => ["text", "button", "input", "meter", "table"].includes(e.kind) || (e.kind === "shape" && !line)),
    fits: elements.some((e) => ["text", "button", "shape"].includes(e.kind)),
  };
}

interface Props { style: Style; parts: Parts; onChange: (part: Partial<Style>) => void }

/** The fields of a style: of elements, and of named styles. */
export function StyleFields({ style, parts, onChange }: Props): ReactNode {
  return (
    <>
      {parts.words && <WordFields style={style} fits={parts.fits} onChange={onChange} />}
      {parts.fill && (
        <PaintField label="fill" value={style.fill} onChange={(fill) => onChange({ fill })} onNone={() => onChange({ fill: null })} />
      )}
      <PaintField
        label={parts.line ? "colour" : "border"} value={style.border_colour}
        onChange={(border_colour) => onChange({ border_colour, border_width: style.border_width || 2 })}
        {...(parts.line ? {} : { onNone: () => onChange({ border_colour: null }) })}
      />
      <Pair>
        <NumberField label="width" value={style.border_width} min={0} max={200} onChange={(border_width) => onChange({ border_width })} />
        {!parts.line && <NumberField label="radius" value={style.radius} min={0} onChange={(radius) => onChange({ radius })} />}
      </Pair>
      <Choose label="line" value={style.border_style} options={LINES} onChange={(border_style) => onChange({ border_style })} />
      <Box>
        <NumberField
          label="see-through" value={Math.round((1 - style.opacity) * 100)} min={0} max={100}
          onChange={(percent) => onChange({ opacity: 1 - percent / 100 })}
        />
      </Box>
      {!parts.line && <ShadowFields style={style} onChange={onChange} />}
    </>
  );
}

function WordFields({ style, fits, onChange }: { style: Style; fits: boolean; onChange: Props["onChange"] }): ReactNode {
  return (
    <>
      <PaintField label="words" value={style.text_colour} onChange={(text_colour) => onChange({ text_colour })} />
      <Pair>
        <NumberField label="size" value={style.size} min={6} max={400} onChange={(size) => onChange({ size })} />
        <NumberField label="inner" value={style.padding} min={0} onChange={(padding) => onChange({ padding })} />
      </Pair>
      <Choose label="font" value={style.font} options={FONT} onChange={(font) => onChange({ font })} />
      <Choose label="across" value={style.align} options={ALIGN} onChange={(align) => onChange({ align })} />
      <Choose label="down" value={style.valign} options={VALIGN} onChange={(valign) => onChange({ valign })} />
      <NumberField label="line height" value={style.line_height} min={0.8} max={4} step={0.05} onChange={(line_height) => onChange({ line_height })} />
      {fits && <Choose label="too many" value={style.fit} options={FIT} onChange={(fit) => onChange({ fit })} />}
      <Pair>
        <Check label="Bold" value={style.bold} onChange={(bold) => onChange({ bold })} />
        <Check label="Italic" value={style.italic} onChange={(italic) => onChange({ italic })} />
      </Pair>
      <Separator my="1.5" />
    </>
  );
}

function ShadowFields({ style: { shadow }, onChange }: { style: Style; onChange: Props["onChange"] }): ReactNode {
  return (
    <>
      <Check
        label="Shadow" value={Boolean(shadow)}
        onChange={(on) => onChange({ shadow: on ? { x: 0, y: 4, blur: 16, colour: "#000000", opacity: 0.25 } : null })}
      />
      {shadow && (
        <>
          <Pair>
            <NumberField label="right" value={shadow.x} min={-200} max={200} onChange={(x) => onChange({ shadow: { ...shadow, x } })} />
            <NumberField label="down" value={shadow.y} min={-200} max={200} onChange={(y) => onChange({ shadow: { ...shadow, y } })} />
            <NumberField label="blur" value={shadow.blur} min={0} max={200} onChange={(blur) => onChange({ shadow: { ...shadow, blur } })} />
            <NumberField label="strong" value={Math.round(shadow.opacity * 100)} min={0} max={100} onChange={(percent) => onChange({ shadow: { ...shadow, opacity: percent / 100 } })} />
          </Pair>
          <PaintField label="shadow" value={shadow.colour} onChange={(colour) => onChange({ shadow: { ...shadow, colour } })} />
        </>
      )}
    </>
  );
}
