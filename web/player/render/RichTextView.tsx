import type { ReactNode } from "react";
import type { Block, RichText, Run, ValueFormat } from "../../api/types";
import { BlankView } from "./answers/BlankView";
import { toNumber, toText, toYesNo, type Value } from "../engine/values";

/** Gives the present value of what stands in a text. */
export type ValueWords = (of: string) => Value;

/** Rich text as HTML elements: data in, nodes out, so that no markup can slip through. */
export function RichTextView({ text, values }: { text: RichText; values: ValueWords }): ReactNode {
  return groups(text.blocks).map((group, index) => {
    if (group.kind === "paragraph") {
      return <p key={index}><Runs block={group.blocks[0] as Block} values={values} /></p>;
    }
    const items = group.blocks.map((block, item) => (
      <li key={item}><Runs block={block} values={values} /></li>
    ));
    return group.kind === "bullet" ? <ul key={index}>{items}</ul> : <ol key={index}>{items}</ol>;
  });
}

/** Adjacent items of a kind form one list; each paragraph stands alone. */
function groups(blocks: readonly Block[]): { kind: Block["kind"]; blocks: Block[] }[] {
  const found: { kind: Block["kind"]; blocks: Block[] }[] = [];
  for (const block of blocks) {
    const last = found.at(-1);
    if (last && last.kind === block.kind && block.kind !== "paragraph") last.blocks.push(block);
    else found.push({ kind: block.kind, blocks: [block] });
  }
  return found;
}

function Runs({ block, values }: { block: Block; values: ValueWords }): ReactNode {
  // A paragraph without words keeps its line.
  if (!block.runs.length) return <br />;
  return block.runs.map((run, index) => <RunView key={index} run={run} values={values} />);
}

function RunView({ run, values }: { run: Run; values: ValueWords }): ReactNode {
  if (run.kind === "blank") return <BlankView blank={run.blank} />;
  let node: ReactNode = run.kind === "value" ? formatted(values(run.of), run.format) : run.text;
  if (run.italic) node = <em>{node}</em>;
  if (run.bold) node = <strong>{node}</strong>;
  return node;
}

/** A value in the words that its format has for it. */
export function formatted(value: Value, format: ValueFormat | null | undefined): string {
  if (!format) return toText(value);
  if (typeof value === "boolean") return (value ? format.yes : format.no) || toText(value);
  if (typeof value === "string") {
    return format.yes || format.no ? (toYesNo(value) ? format.yes : format.no) || value : value;
  }
  const decimals = format.decimals ?? null;
  const number = decimals === null ? toText(value) : toNumber(value).toFixed(decimals);
  const words = value === 1 ? format.one : format.many;
  return words ? words.replaceAll("#", number) : number;
}
