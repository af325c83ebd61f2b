/** Rich text from words, and words from rich text. */
import type { Block, RichText, Run } from "../../api/types";
import { valueName } from "../../player/render/valueNames";

/** How a blank stands in plain words. */
const GAP = "____";

/** Return the words of a rich text, `between` its blocks. */
export function plain(text: RichText, between = " · "): string {
  return text.blocks
    .map((block) => block.runs.map((run) => (run.kind === "text" ? run.text : run.kind === "blank" ? GAP : valueName(run.of))).join(""))
    .join(between);
}

function paragraph(words: string): Block {
  return { kind: "paragraph", runs: words ? [{ kind: "text", text: words, bold: false, italic: false }] : [] };
}

/** The line `words` in the place of `old`: blanks and values that still stand in it stay what they are. */
export function reworded(words: string, old: Block | undefined): Block {
  const atoms = old?.runs.filter((run) => run.kind !== "text") ?? [];
  if (!old || !atoms.length) return { ...paragraph(words), kind: old?.kind ?? "paragraph" };
  const runs: Run[] = [];
  let rest = words;
  for (const atom of atoms) {
    const sign = atom.kind === "blank" ? GAP : valueName(atom.of);
    const at = rest.indexOf(sign);
    if (at < 0) continue;
    runs.push(...paragraph(rest.slice(0, at)).runs, atom);
    rest = rest.slice(at + sign.length);
  }
  return { ...old, runs: [...runs, ...paragraph(rest).runs] };
}

/** A paragraph for each line; no words give no text. */
export function paragraphs(words: string): RichText {
  return { blocks: words ? words.split("\n").map(paragraph) : [] };
}

/** Return whether there is anything in a rich text to read. */
export function hasWords(text: RichText): boolean {
  return text.blocks.some((block) => block.runs.length > 0);
}
