/** Between the document's rich text and the editor's. */
import type { JSONContent } from "@tiptap/core";
import type { Block, RichText, Run, ValueFormat } from "../../../api/types";

const LISTS = { bullet: "bulletList", number: "orderedList" } as const;

/** The text for the editor; `said` gives the words that stand in its blanks. */
export function toEditor(text: RichText, blankWords: ReadonlyMap<string, string> = NOTHING): JSONContent {
  const content: JSONContent[] = [];
  for (const block of text.blocks) {
    const paragraph: JSONContent = { type: "paragraph", content: block.runs.flatMap((run) => toNode(run, blankWords)) };
    if (block.kind === "paragraph") {
      content.push(paragraph);
      continue;
    }
    const type = LISTS[block.kind];
    const item: JSONContent = { type: "listItem", content: [paragraph] };
    const last = content.at(-1);
    if (last?.type === type) last.content?.push(item);
    else content.push({ type, content: [item] });
  }
  return { type: "doc", content: content.length ? content : [{ type: "paragraph" }] };
}

const NOTHING: ReadonlyMap<string, string> = new Map();

function toNode(run: Run, blankWords: ReadonlyMap<string, string>): JSONContent[] {
  const marks = [
    ...(run.bold ? [{ type: "bold" }] : []), ...(run.italic ? [{ type: "italic" }] : []),
  ];
  if (run.kind === "value") return [{ type: "value", attrs: { of: run.of, format: run.format ?? null }, marks }];
  if (run.kind === "blank") return [{ type: "blank", attrs: { blank: run.blank, words: blankWords.get(run.blank) ?? "" }, marks }];
  return run.text ? [{ type: "text", text: run.text, marks }] : [];
}

/** The rich text that the text editor's document stands for. */
export function fromEditor(document: JSONContent): RichText {
  return { blocks: (document.content ?? []).flatMap((node) => blocksOf(node, "paragraph")) };
}

/** Nested lists come out flat, in order: rich text has one level. */
function blocksOf(node: JSONContent, kind: Block["kind"]): Block[] {
  switch (node.type) {
    case "bulletList": return (node.content ?? []).flatMap((item) => blocksOf(item, "bullet"));
    case "orderedList": return (node.content ?? []).flatMap((item) => blocksOf(item, "number"));
    case "listItem": return (node.content ?? []).flatMap((inner) => blocksOf(inner, kind));
    default: return [{ kind, runs: (node.content ?? []).map(runOf) }];
  }
}

/** The words that stand in the blanks of what is being edited. */
export function saidInBlanks(node: JSONContent): Map<string, string> {
  const own: [string, string][] = node.type === "blank" ? [[String(node.attrs?.blank ?? ""), String(node.attrs?.words ?? "")]] : [];
  return new Map([...own, ...(node.content ?? []).flatMap((inner) => [...saidInBlanks(inner)])]);
}

function runOf(node: JSONContent): Run {
  const has = (type: string): boolean => node.marks?.some((mark) => mark.type === type) ?? false;
  const emphasis = { bold: has("bold"), italic: has("italic") };
  if (node.type === "blank") return { kind: "blank", blank: String(node.attrs?.blank ?? ""), ...emphasis };
  return node.type === "value"
    ? { kind: "value", of: String(node.attrs?.of ?? ""), format: (node.attrs?.format ?? null) as ValueFormat | null, ...emphasis }
    : { kind: "text", text: node.text ?? "", ...emphasis };
}
