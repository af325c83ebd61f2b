/** Rich text from words, and words from rich text. */
import type { Block, RichText } from "../../api/types";
import { valueName } from "../../player/render/valueNames";

/** How a blank stands in plain words. */
const GAP = "____";

export function plain(text: RichText, between = " · "): string {
  return text.blocks
    .map((block) => block.runs.map((run) => (run.kind === "text" ? run.text : run.kind === "blank" ? GAP : valueName(run.of))).join(""))
    .join(between);
}

export function paragraph(words: string): Block {
  return { kind: "paragraph", runs: words ? [{ kind: "text", text: words, bold: false, italic: false }] : [] };
}

/** A paragraph for each line; no words give no text. */
export function paragraphs(words: string): RichText {
  return { blocks: words ? words.split("\n").map(paragraph) : [] };
}

export function hasWords(text: RichText): boolean {
  return text.blocks.some((block) => block.runs.length > 0);
}
