import { Box, Flex } from "@chakra-ui/react";
import { Bold, Italic } from "lucide-react";
import type { ReactNode } from "react";
import type { Element, Style } from "../../../api/types";
import { Fold } from "../../../kit/Fold";
import { Tool } from "../../../kit/Tool";
import { Check } from "../../../kit/Check";
import { Choose } from "../../../kit/Choose";
import { NumberField } from "../../../kit/NumberField";
import { Pair } from "../../../kit/Pair";
import { PaintField } from "../fields/PaintField";
import { t } from "../../../words/editor";

const ALIGN = [["left", t("left")], ["center", t("centre")], ["right", t("right")]] as const;
const VALIGN = [["top", t("top")], ["middle", t("middle")], ["bottom", t("bottom")]] as const;
const FONT = [["text", t("text")], ["heading", t("heading")]] as const;
const FIT = [["keep", t("show")], ["shrink", t("shrinkText")], ["grow", t("growBox")]] as const;
const LINES = [["solid", t("solid")], ["dashed", t("dashed")], ["dotted", t("dotted")]] as const;

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

/** The fields of a style: of elements, and of named styles. The most used come first, the others are folded. */
export function StyleFields({ style, parts, onChange }: Props): ReactNode {
  return (
    <>
      {parts.words && <TextFields style={style} onChange={onChange} />}
      {parts.fill && (
        <PaintField label={t("fill")} value={style.fill} onChange={(fill) => onChange({ fill })} onNone={() => onChange({ fill: null })} />
      )}
      <PaintField
        label={parts.line ? t("colour") : t("border")} value={style.border_colour}
        onChange={(border_colour) => onChange({ border_colour, border_width: style.border_width || 2 })}
        {...(parts.line ? {} : { onNone: () => onChange({ border_colour: null }) })}
      />
      <Pair columns={parts.line ? 2 : 3}>
        <NumberField label={parts.line ? t("width") : t("borderWidth")} value={style.border_width} min={0} max={200} onChange={(border_width) => onChange({ border_width })} />
        {!parts.line && <NumberField label={t("cornerRadius")} help={t("howRoundTheCornersAre")} value={style.radius} min={0} onChange={(radius) => onChange({ radius })} />}
        <NumberField
          label={t("opacity2")} help={t("n100IsSolid0Is")} value={Math.round(style.opacity * 100)} min={0} max={100}
          onChange={(percent) => onChange({ opacity: percent / 100 })}
        />
      </Pair>
      {parts.words && <Fold title={t("textLayout")}><LayoutFields style={style} fits={parts.fits} onChange={onChange} /></Fold>}
      <Fold title={parts.line ? t("lineStyle") : t("borderStyleAndShadow")}>
        <Choose label={parts.line ? t("lineStyle") : t("borderStyle")} value={style.border_style} options={LINES} onChange={(border_style) => onChange({ border_style })} />
        {!parts.line && <ShadowFields style={style} onChange={onChange} />}
      </Fold>
    </>
  );
}

type Part = Omit<Props, "parts">;

function TextFields({ style, onChange }: Part): ReactNode {
  return (
    <>
      <PaintField label={t("textColour")} value={style.text_colour} onChange={(text_colour) => onChange({ text_colour })} />
      <Flex align="center" gap="1" py="0.5">
        <Box w="136px" flex="none"><NumberField label={t("textSize")} value={style.size} min={6} max={400} onChange={(size) => onChange({ size })} /></Box>
        <Box flex="1" />
        <Tool label={t("bold")} aria-pressed={style.bold} bg={style.bold ? "spruce.soft" : undefined} onClick={() => onChange({ bold: !style.bold })}><Bold size={15} /></Tool>
        <Tool label={t("italic")} aria-pressed={style.italic} bg={style.italic ? "spruce.soft" : undefined} onClick={() => onChange({ italic: !style.italic })}><Italic size={15} /></Tool>
      </Flex>
    </>
  );
}

function LayoutFields({ style, fits, onChange }: Part & { fits: boolean }): ReactNode {
  return (
    <>
      <Choose label={t("alignText")} value={style.align} options={ALIGN} onChange={(align) => onChange({ align })} />
      <Choose label={t("verticalAlignment")} value={style.valign} options={VALIGN} onChange={(valign) => onChange({ valign })} />
      <Choose label={t("font")} value={style.font} options={FONT} onChange={(font) => onChange({ font })} />
      <Pair>
        <NumberField label={t("lineHeight")} help={t("helpLineHeight")} value={style.line_height} min={0.8} max={4} step={0.05} onChange={(line_height) => onChange({ line_height })} />
        <NumberField label={t("padding")} help={t("spaceBetweenTheTextAnd")} value={style.padding} min={0} onChange={(padding) => onChange({ padding })} />
      </Pair>
      {fits && <Choose label={t("textOverflow")} help={t("whatHappensToTextThat")} value={style.fit} options={FIT} onChange={(fit) => onChange({ fit })} />}
    </>
  );
}

function ShadowFields({ style: { shadow }, onChange }: Part): ReactNode {
  return (
    <>
      <Check
        label={t("shadow")} value={Boolean(shadow)}
        onChange={(on) => onChange({ shadow: on ? { x: 0, y: 4, blur: 16, colour: "#000000", opacity: 0.25 } : null })}
      />
      {shadow && (
        <>
          <Pair>
            <NumberField label={t("offsetToTheRight")} value={shadow.x} min={-200} max={200} onChange={(x) => onChange({ shadow: { ...shadow, x } })} />
            <NumberField label={t("offsetDown")} value={shadow.y} min={-200} max={200} onChange={(y) => onChange({ shadow: { ...shadow, y } })} />
            <NumberField label={t("blur")} value={shadow.blur} min={0} max={200} onChange={(blur) => onChange({ shadow: { ...shadow, blur } })} />
            <NumberField label={t("opacity2")} value={Math.round(shadow.opacity * 100)} min={0} max={100} onChange={(percent) => onChange({ shadow: { ...shadow, opacity: percent / 100 } })} />
          </Pair>
          <PaintField label={t("shadowColour")} value={shadow.colour} onChange={(colour) => onChange({ shadow: { ...shadow, colour } })} />
        </>
      )}
    </>
  );
}
