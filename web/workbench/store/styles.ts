/** Named styles and the theme: follow, update, make, copy and apply. */
import type { Element, NamedStyle, Style, Theme } from "../../api/types";
import { freshId } from "./ids";
import { apply, changeCourse, changeElements, currentSlide, useCourse } from "./store";
import { t } from "../../words/store";

const { getState: get } = useCourse;

type Look = Pick<Element, "style" | "looks"> & { named_style: string | null };

/** Let the selected elements follow a named style in everything, or none any more. */
export function followStyle(id: string | null): void {
  const named = get().course.styles.find((style) => style.id === id);
  changeElements(named ? t("styleName", { name: named.name }) : t("noNamedStyle"), get().selection.selected, (element) => ({
    ...element, named_style: named?.id ?? null,
    ...(named ? { style: named.style, looks: named.looks } : {}),
  }));
}

/** Change a named style; all that follow it change with it. */
export function changeStyle(id: string, change: Partial<NamedStyle>, merge?: string): void {
  const styles = get().course.styles.map((style) => (style.id === id ? { ...style, ...change } : style));
  changeCourse(t("changeStyle"), { styles }, merge);
}

/** Let the style of `element` become what its named style is for all. */
export function updateStyleFrom(element: Element): void {
  if (element.named_style) changeStyle(element.named_style, { style: element.style, looks: element.looks });
}

/** Make a named style of how `element` looks; it follows it from now on. */
export function makeStyle(element: Element, name: string): void {
  const { course } = get();
  const made: NamedStyle = { id: freshId(), name, use: null, style: element.style, looks: element.looks };
  changeCourse(t("newStyle"), { styles: [...course.styles, made] });
  changeElements(t("newStyle"), [element.id], (e) => ({ ...e, named_style: made.id }));
}

/** What followed the style keeps its look, and follows nothing any more. */
export function removeStyle(id: string): void {
  const { course, slides } = get();
  const free = (elements: Element[]): Element[] => elements.map((e) => (e.named_style === id ? { ...e, named_style: null } : e));
  const following = Object.values(slides).filter(({ elements }) => elements.some((e) => e.named_style === id));
  apply(t("removeStyle"), {
    course: {
      ...course, styles: course.styles.filter((style) => style.id !== id),
      layouts: course.layouts.map((layout) => ({ ...layout, elements: free(layout.elements) })),
    },
    slides: Object.fromEntries(following.map((slide) => [slide.id, { ...slide, elements: free(slide.elements) }])),
  });
}

let copied: Look | null = null;

/** Copy the look of what is selected. */
export function copyStyle(): void {
  const element = currentSlide()?.elements.find((e) => e.id === get().selection.selected[0]);
  if (element) copied = { style: element.style, looks: element.looks, named_style: element.named_style ?? null };
}

/** Give what is selected the look that was copied. */
export function applyStyle(): void {
  const look = copied;
  if (look) changeElements(t("applyStyle"), get().selection.selected, (element) => ({ ...element, ...look }));
}

/** Change a part of the style of elements. */
export function restyle(elements: readonly Element[], part: Partial<Style>): void {
  const ids = elements.map((element) => element.id);
  changeElements(t("style"), ids, (e) => ({ ...e, style: { ...e.style, ...part } }) as Element,
    `style-${Object.keys(part).join()}-${ids.join()}`);
}

/** Change a part of the theme. */
export function changeTheme(change: Partial<Theme>, merge?: string): void {
  changeCourse(t("theme"), { theme: { ...get().course.theme, ...change } }, merge);
}

/** Themes to begin with: colours that go together and can be read on each other. */
export const THEMES: readonly Theme[] = [
  {
    name: t("paperAndSpruce"), fonts: { text: "Atkinson Hyperlegible Next", heading: "Bricolage Grotesque" },
    colours: { ink: "#22302b", quiet: "#5b665f", paper: "#fbf8f3", sheet: "#fffdf7", primary: "#1e5b4b", on_primary: "#ffffff", soft: "#e1ede6", accent: "#e8a33d", edge: "#c9bda6" },
  },
  {
    name: t("lakeAndBirch"), fonts: { text: "Nunito", heading: "Nunito" },
    colours: { ink: "#1d2b36", quiet: "#52636f", paper: "#f6f9fb", sheet: "#ffffff", primary: "#1f5f8b", on_primary: "#ffffff", soft: "#deebf4", accent: "#e07a3f", edge: "#b9c9d4" },
  },
  {
    name: t("clayAndCream"), fonts: { text: "Source Serif 4", heading: "Fraunces" },
    colours: { ink: "#33241d", quiet: "#6e5b50", paper: "#fbf4ea", sheet: "#fffaf2", primary: "#9a3f26", on_primary: "#ffffff", soft: "#f4e0d2", accent: "#d49a2a", edge: "#d8c3ab" },
  },
  {
    name: t("heather"), fonts: { text: "Atkinson Hyperlegible Next", heading: "Rubik" },
    colours: { ink: "#2b2436", quiet: "#625a70", paper: "#faf7fb", sheet: "#ffffff", primary: "#65408c", on_primary: "#ffffff", soft: "#ece2f4", accent: "#d9822b", edge: "#cabfd6" },
  },
  {
    name: t("nightWatch"), fonts: { text: "Rubik", heading: "Rubik" },
    colours: { ink: "#eef1f4", quiet: "#b4bec9", paper: "#18212b", sheet: "#222e3a", primary: "#8fd0bd", on_primary: "#10201a", soft: "#2b3f45", accent: "#f2b450", edge: "#465564" },
  },
  {
    name: t("slateAndSignal"), fonts: { text: "Rubik", heading: "Bricolage Grotesque" },
    colours: { ink: "#20242a", quiet: "#575e68", paper: "#f4f5f6", sheet: "#ffffff", primary: "#2d3a4a", on_primary: "#ffffff", soft: "#e2e6ea", accent: "#d6452b", edge: "#c2c8cf" },
  },
];
