/** The theme as custom properties, which every slide carries for what is on it. */
import type { CSSProperties } from "react";
import type { Theme } from "../../api/types";

const FALLBACK: Record<Theme["fonts"]["text"], string> = {
  "Atkinson Hyperlegible Next": "Verdana, sans-serif",
  "Bricolage Grotesque": "\"Trebuchet MS\", sans-serif",
  "Source Serif 4": "Georgia, serif",
  Nunito: "\"Trebuchet MS\", sans-serif",
  Fraunces: "Georgia, serif",
  Rubik: "Verdana, sans-serif",
};

/** A theme as CSS variables: fonts, and each colour by its role. */
export function themeVariables({ colours, fonts }: Theme): CSSProperties {
  const variables: Record<string, string> = {
    "--zz-text": family(fonts.text), "--zz-heading": family(fonts.heading),
  };
  for (const [role, colour] of Object.entries(colours)) variables[`--zz-${role}`] = colour;
  return variables;
}

function family(name: Theme["fonts"]["text"]): string {
  return `"${name} Variable", "${name}", ${FALLBACK[name]}`;
}

/** A colour of the document as CSS: itself, or the theme's of that name. */
export function paint(colour: string): string {
  return colour.startsWith("#") ? colour : `var(--zz-${colour})`;
}

/** A colour of the document as `#rrggbb`. */
export function hex(colour: string, theme: Theme): string {
  return colour.startsWith("#") ? colour
    : theme.colours[colour as keyof Theme["colours"]] ?? "#000000";
}
