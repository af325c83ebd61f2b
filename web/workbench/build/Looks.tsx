/** Looks: place, size and style of one element or of several at once. */
import { Box, Separator } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Element, Style } from "../../api/types";
import { changeElements } from "../store/store";
import { FoldCard } from "../ui/parts";
import { Check, Choose, ColourField, NumberField, Pair } from "./fields";

const ALIGN = [["left", "left"], ["center", "centre"], ["right", "right"]] as const;
const VALIGN = [["top", "top"], ["middle", "middle"], ["bottom", "bottom"]] as const;
const FONT = [["text", "text"], ["heading", "heading"]] as const;
const FIT = [["contain", "whole picture"], ["cover", "fill the frame"], ["fill", "stretch"]] as const;

export function Looks({ elements }: { elements: readonly Element[] }): ReactNode {
  const ids = elements.map((element) => element.id);
  const first = elements[0] as Element;
  const { style } = first;
  const words = elements.some((e) => e.kind === "text" || e.kind === "button");
  const line = elements.every((e) => e.kind === "shape" && e.shape === "line");

  function change(label: string, part: Partial<Element>): void {
    changeElements(label, ids, (e) => ({ ...e, ...part }) as Element, `${label}-${ids.join()}`);
  }

  function restyle(part: Partial<Style>): void {
    const key = Object.keys(part).join();
    changeElements("Style", ids, (e) => ({ ...e, style: { ...e.style, ...part } }) as Element,
      `style-${key}-${ids.join()}`);
  }

  return (
    <FoldCard title="Looks">
      <Pair>
        <NumberField label="left" value={first.x} onChange={(x) => change("Place", { x })} />
        <NumberField label="top" value={first.y} onChange={(y) => change("Place", { y })} />
        <NumberField label="wide" value={first.w} min={0} onChange={(w) => change("Size", { w })} />
        <NumberField label="high" value={first.h} min={0} onChange={(h) => change("Size", { h })} />
      </Pair>
      <Separator my="1.5" />
      {words && (
        <>
          <ColourField label="text colour" value={style.text_colour} onChange={(text_colour) => restyle({ text_colour })} />
          <Pair>
            <NumberField label="size" value={style.size} min={6} max={400} onChange={(size) => restyle({ size })} />
            <NumberField label="inner" value={style.padding} min={0} onChange={(padding) => restyle({ padding })} />
          </Pair>
          <Choose label="font" value={style.font} options={FONT} onChange={(font) => restyle({ font })} />
          <Choose label="across" value={style.align} options={ALIGN} onChange={(align) => restyle({ align })} />
          <Choose label="down" value={style.valign} options={VALIGN} onChange={(valign) => restyle({ valign })} />
          <Check label="Bold" value={style.bold} onChange={(bold) => restyle({ bold })} />
          <Separator my="1.5" />
        </>
      )}
      {first.kind === "picture" && (
        <Choose
          label="fit" value={first.fit} options={FIT}
          onChange={(fit) => change("Fit", { fit } as Partial<Element>)}
        />
      )}
      {!line && (
        <ColourField
          label="fill" value={style.fill} onChange={(fill) => restyle({ fill })}
          onNone={() => restyle({ fill: null })}
        />
      )}
      <ColourField
        label={line ? "colour" : "border"} value={style.border_colour}
        onChange={(border_colour) => restyle({ border_colour, border_width: style.border_width || 2 })}
        {...(line ? {} : { onNone: () => restyle({ border_colour: null }) })}
      />
      <Pair>
        <NumberField
          label={line ? "width" : "border"} value={style.border_width} min={0} max={200}
          onChange={(border_width) => restyle({ border_width })}
        />
        {!line && (
          <NumberField label="radius" value={style.radius} min={0} onChange={(radius) => restyle({ radius })} />
        )}
      </Pair>
      {first.kind === "shape" && line && (
        <Check
          label="Rises to the right" value={first.rising}
          onChange={(rising) => change("Direction", { rising } as Partial<Element>)}
        />
      )}
      <Box mt="1">
        <NumberField
          label="see-through" value={Math.round((1 - style.opacity) * 100)} min={0} max={100}
          onChange={(percent) => restyle({ opacity: 1 - percent / 100 })}
        />
      </Box>
    </FoldCard>
  );
}
