/** From an element's style and looks to CSS. */
import type { CSSProperties } from "react";
import type { Element, Shadow, Style, StylePatch } from "../../api/types";
import { paint } from "./theme";

/** Looks that follow from pointer and keyboard; CSS alone switches them, so none can stick. */
const TRANSIENT = ["hover", "focus", "pressed"] as const;

type Variables = CSSProperties & Record<`--${string}`, string | number>;

/** Return `style` with the looks (by name, the strongest last) laid over it. */
export function withLooks(element: Element, looks: readonly string[]): Style {
  let style = element.style;
  for (const look of looks) {
    const patch = element.looks[look];
    if (patch) style = { ...style, ...given(patch) };
  }
  return style;
}

function given(patch: StylePatch): Partial<Style> {
  return Object.fromEntries(
    Object.entries(patch).filter(([, value]) => value !== null && value !== undefined),
  );
}

/** Return the custom properties that `slide.css` draws a box from, for every transient look. */
export function boxVariables(element: Element, style: Style): Variables {
  const variables: Variables = { ...boxOf("", style) };
  for (const look of TRANSIENT) {
    const patch = element.looks[look];
    if (patch) Object.assign(variables, boxOf(`-${look}`, given(patch)));
  }
  return variables;
}

function boxOf(suffix: string, style: Partial<Style>): Variables {
  const found: Variables = {};
  if (style.fill) found[`--fill${suffix}`] = paint(style.fill);
  if (style.border_colour) found[`--border${suffix}`] = paint(style.border_colour);
  if (style.border_width !== undefined) found[`--border-width${suffix}`] = `${style.border_width}px`;
  if (style.text_colour) found[`--ink${suffix}`] = paint(style.text_colour);
  if (style.opacity !== undefined) found[`--opacity${suffix}`] = style.opacity;
  if (style.radius !== undefined) found[`--radius${suffix}`] = `${style.radius}px`;
  if (style.border_style && style.border_style !== "solid") found["--border-style"] = style.border_style;
  if (style.shadow) found["--shadow"] = shadow(style.shadow);
  return found;
}

function shadow({ x, y, blur, colour, opacity }: Shadow): string {
  const share = Math.round(opacity * 100);
  return `${x}px ${y}px ${blur}px color-mix(in srgb, ${paint(colour)} ${share}%, transparent)`;
}

/** Left is where a line begins, right where it ends, also in what is written from the right. */
const ALIGN = { left: "start", center: "center", right: "end" } as const;

/** Return how text stands in its box. */
export function textStyle(style: Style): CSSProperties {
  return {
    fontSize: style.size,
    fontWeight: style.bold ? 700 : 400,
    fontStyle: style.italic ? "italic" : "normal",
    lineHeight: style.line_height,
    fontFamily: style.font === "heading" ? "var(--zz-heading)" : "var(--zz-text)",
    textAlign: ALIGN[style.align],
    justifyContent: { top: "flex-start", middle: "center", bottom: "flex-end" }[style.valign],
    padding: style.padding,
  };
}

/** Position, size, turn and stacking of an element as CSS. */
export function placed(element: Element): CSSProperties {
  return {
    left: element.x, top: element.y, width: element.w, height: element.h, zIndex: element.z,
    ...(element.turn ? { transform: `rotate(${element.turn}deg)` } : {}),
  };
}
