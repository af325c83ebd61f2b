/** Paper and spruce: the look of the workbench and of the practice LMS. */
import { createSystem, defineConfig } from "@chakra-ui/react";
import { defaultBaseConfig } from "@chakra-ui/react/preset-base";
import {
  animationStyles, breakpoints, buttonRecipe, codeRecipe, cssVarsPrefix, cssVarsRoot, dialogSlotRecipe, fieldSlotRecipe, globalCss, headingRecipe,
  inputRecipe, keyframes, layerStyles, linkRecipe, listSlotRecipe, menuSlotRecipe, nativeSelectSlotRecipe, popoverSlotRecipe, progressSlotRecipe,
  semanticTokens, separatorRecipe, skeletonRecipe, spinnerRecipe, tableSlotRecipe, textareaRecipe, textStyles, toastSlotRecipe, tokens,
} from "@chakra-ui/react/theme";

/**
 * The looks of those components that are used, and no others: all of them would be a third of what the shelf loads.
 * Whoever uses another component adds its recipe here; without it the component has no look at all.
 */
const usedRecipes = defineConfig({
  preflight: true, cssVarsPrefix, cssVarsRoot, globalCss,
  theme: {
    breakpoints, keyframes, tokens, semanticTokens, textStyles, layerStyles, animationStyles,
    recipes: {
      button: buttonRecipe, code: codeRecipe, heading: headingRecipe, input: inputRecipe, link: linkRecipe, separator: separatorRecipe,
      skeleton: skeletonRecipe, spinner: spinnerRecipe, textarea: textareaRecipe,
    },
    slotRecipes: {
      dialog: dialogSlotRecipe, field: fieldSlotRecipe, list: listSlotRecipe, menu: menuSlotRecipe, nativeSelect: nativeSelectSlotRecipe,
      popover: popoverSlotRecipe, progress: progressSlotRecipe, table: tableSlotRecipe, toast: toastSlotRecipe,
    },
  },
});

const both = (light: string, dark: string): { value: { base: string; _dark: string } } =>
  ({ value: { base: light, _dark: dark } });

const config = defineConfig({
  globalCss: {
    "html, body, #root": { height: "100%" },
    body: { bg: "paper", color: "ink", fontSize: "14px", lineHeight: 1.45 },
    "*": { borderColor: "edge" },
    ":focus-visible": { outline: "2px solid {colors.spruce}", outlineOffset: "2px" },
  },
  theme: {
    tokens: {
      fonts: {
        body: { value: "\"Atkinson Hyperlegible Next Variable\", Verdana, sans-serif" },
        heading: { value: "\"Bricolage Grotesque Variable\", sans-serif" },
      },
      radii: { card: { value: "8px" } },
    },
    semanticTokens: {
      colors: {
        paper: both("#FBF8F3", "#1A211E"),
        sheet: both("#FFFEFB", "#222B27"),
        table: both("#F1E9DF", "#141A18"),
        ink: both("#22302B", "#ECE7DD"),
        quiet: both("#5B665F", "#A9B3AC"),
        edge: both("#E3D9C8", "#3A4640"),
        spruce: both("#1E5B4B", "#7FC8B1"),
        "spruce.soft": both("#E1EDE6", "#2B443B"),
        onSpruce: both("#FFFFFF", "#10201A"),
        marigold: both("#E8A33D", "#E8A33D"),
        "marigold.soft": both("#FDF0DC", "#4A3B22"),
        "marigold.ink": both("#805006", "#F3C777"),
        brick: both("#AB4029", "#F09A85"),
        "brick.soft": both("#F8E5DF", "#4B2B24"),
        sky: both("#2F6F9F", "#8CC1E6"),
        "sky.soft": both("#DFEBF4", "#24394A"),
        "sky.ink": both("#1F5379", "#B4D8F2"),
      },
    },
  },
});

export const system = createSystem(defaultBaseConfig, usedRecipes, config);
