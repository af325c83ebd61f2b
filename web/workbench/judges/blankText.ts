/** A running text with its blanks as it is typed: words in [brackets], / between those that are all right. */
import { DEFAULTS } from "../../api/defaults";
import type { Blank, Block, RichText, Run } from "../../api/types";
import { valueName } from "../../player/render/valueNames";

export const NEW_BLANK: Blank = { ...DEFAULTS.Blank, id: "" };

/** The text as it is typed, a line for each of its blocks. */
export function written(text: RichText, blanks: readonly Blank[]): string {
  return text.blocks.map((block) => lineOf(block, blanks)).join("\n");
}

function lineOf(block: Block, blanks: readonly Blank[]): string {
  return block.runs.map((run) => {
    if (run.kind === "text") return run.text;
    if (run.kind === "value") return valueName(run.of);
    const blank = blanks.find(({ id }) => id === run.blank);
    return `[${(blank?.accepts.words ?? []).filter(Boolean).join("/")}]`;
  }).join("");
}

/**
 * Text and blanks as typed. Lines that are as they were keep everything; in the others blanks keep what is said of
 * them by their first word, else by their turn, and values by their names.
 */
export function read(typed: string, text: RichText, before: readonly Blank[], fresh: () => string): { blocks: Block[]; blanks: Blank[] } {
  const lines = typed.split("\n");
  const kept = keptBlocks(lines, text, before);
  const left = before.filter(({ id }) => !kept.some((block) => block?.runs.some((run) => run.kind === "blank" && run.blank === id)));
  const values = new Map<string, Run>(text.blocks.flatMap(({ runs }) => runs).flatMap((run) => (run.kind === "value" ? [[valueName(run.of), run] as const] : [])));
  const blanks: Blank[] = [];
  const blocks = lines.map((line, index): Block => {
    const old = kept[index];
    if (old) {
      for (const run of old.runs) if (run.kind === "blank") blanks.push(...before.filter(({ id }) => id === run.blank));
      return old;
    }
    const runs = line.split(/(\[[^[\]]*\]|\{\{ [^{}]* \}\})/).filter(Boolean).map((piece): Run => {
      const value = values.get(piece);
      if (value) return value;
      if (!piece.startsWith("[") || !piece.endsWith("]")) return { kind: "text", text: piece, bold: false, italic: false };
      const words = piece.slice(1, -1).split("/").map((word) => word.trim()).filter(Boolean);
      const same = left.findIndex(({ accepts }) => accepts.words[0] === words[0]);
      const other = left.findIndex(({ accepts }) => !typed.includes(`[${accepts.words[0] ?? ""}`));
      const index = same >= 0 ? same : other;
      const found = index < 0 ? undefined : left.splice(index, 1)[0];
      const blank = found ? { ...found, accepts: { ...found.accepts, words } } : { ...NEW_BLANK, id: fresh(), accepts: { ...NEW_BLANK.accepts, words } };
      blanks.push(blank);
      return { kind: "blank", blank: blank.id, bold: false, italic: false };
    });
    return { kind: text.blocks[index]?.kind ?? "paragraph", runs };
  });
  return { blocks, blanks };
}

/** For each line the block that it was, where it is just as before. */
function keptBlocks(lines: readonly string[], text: RichText, blanks: readonly Blank[]): (Block | undefined)[] {
  const before = text.blocks.map((block) => ({ block, line: lineOf(block, blanks) }));
  return lines.map((line) => {
    const index = before.findIndex((one) => one.line === line);
    return index < 0 ? undefined : before.splice(index, 1)[0]?.block;
  });
}

/** The ids of the blanks in a text, in its order. */
export function blanksIn(text: RichText): string[] {
  return text.blocks.flatMap(({ runs }) => runs).flatMap((run) => (run.kind === "blank" ? [run.blank] : []));
}
