/** What a path of a change leads to, in words. */
import type { Json } from "./changes";
import type { Document } from "./model";
import { t } from "../../words/store";

type Fields = Record<string, Json>;

/** Return the name of the innermost thing on a path that has one, and the slide that it is on. */
export function namesOn(path: readonly string[], { course, slides }: Document): string {
  let found: Json = { course, slides };
  let name = "";
  for (const step of path) {
    found = within(found, step);
    name = nameOf(found) ?? name;
  }
  const slide = path[0] === "slides" ? slides[path[1] ?? ""]?.title : undefined;
  if (!name || name === slide) return slide ? t("theSlideSlide", { slide }) : t("whatItBelongsTo");
  return slide ? t("nameOnSlide", { name, slide }) : `“${name}”`;
}

function within(holder: Json, step: string): Json {
  if (Array.isArray(holder)) return holder.find((item: Json) => (item as Fields | null)?.id === step);
  return typeof holder === "object" && holder !== null ? (holder as Fields)[step] : undefined;
}

function nameOf(value: Json): string | null {
  if (typeof value !== "object" || value === null) return null;
  const { name, title } = value as Fields;
  return typeof name === "string" && name ? name : typeof title === "string" && title ? title : null;
}
