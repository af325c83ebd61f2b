/** Blanks typed into a text, words of a row, and the steps back from one answer to another. */
import { describe, expect, test } from "vitest";
import type { Blank, Block, RichText, TextElement } from "../api/types";
import { changesTo } from "../player/render/answers/UndoDrop";
import { withWords } from "../workbench/editor/order/rowText";
import { blanksIn, NEW_BLANK, read, written } from "../workbench/judges/blankText";

const words = (text: string, bold = false): Block["runs"][number] => ({ kind: "text", text, bold, italic: false });
const gap = (blank: string): Block["runs"][number] => ({ kind: "blank", blank, bold: false, italic: false });
const score: Block["runs"][number] = { kind: "value", of: "score", format: null, bold: false, italic: false };
const blank = (id: string, ...accepted: string[]): Blank => ({ ...NEW_BLANK, id, how: "bank", accepts: { ...NEW_BLANK.accepts, words: accepted } });

const TEXT: RichText = { blocks: [
  { kind: "bullet", runs: [words("Hang "), gap("one"), words(" up, "), words("now", true)] },
  { kind: "paragraph", runs: [words("You have "), score, words(" and "), gap("two")] },
] };
const BLANKS = [blank("one", "boots", "ropes"), blank("two", "time")];
let made = 0;
const fresh = (): string => `new${++made}`;

describe("a text with blanks", () => {
  test("is typed with brackets, values by their names", () => {
    expect(written(TEXT, BLANKS)).toBe("Hang [boots/ropes] up, now\nYou have {{ score }} and [time]");
  });

  test("comes back as it was where nothing was changed", () => {
    expect(read(written(TEXT, BLANKS), TEXT, BLANKS, fresh)).toEqual({ blocks: TEXT.blocks, blanks: BLANKS });
  });

  test("keeps emphasis of other lines, values, and what was said of a blank", () => {
    const typed = "Hang [boots/ropes] up, now\nYou had {{ score }}, a [day] and [time]";
    const { blocks, blanks } = read(typed, TEXT, BLANKS, fresh);
    expect(blocks[0]).toEqual(TEXT.blocks[0]);
    expect(blocks[1]?.runs).toContainEqual(score);
    expect(blanks.map(({ accepts }) => accepts.words[0])).toEqual(["boots", "day", "time"]);
    expect(blanks[2]).toEqual(BLANKS[1]);
    expect(blanksIn({ blocks })).toEqual(blanks.map(({ id }) => id));
  });

  test("lets blanks go that are typed no more", () => {
    expect(read("Hang it up", TEXT, BLANKS, fresh).blanks).toEqual([]);
  });

  test("keeps its blanks when its words are changed in the running order", () => {
    const element = { kind: "text", text: TEXT } as TextElement;
    const changed = withWords(element, "Hang ____ away\nYou have {{ score }} or ____") as TextElement;
    expect(blanksIn(changed.text)).toEqual(["one", "two"]);
    expect(changed.text.blocks[0]?.kind).toBe("bullet");
    expect(changed.text.blocks[1]?.runs).toContainEqual(score);
  });
});

/** What the engine makes of putting and taking away, where nothing limits it. */
function after(given: readonly (readonly [string, string])[], changes: readonly (readonly [string, string])[]): [string, string][] {
  let now = given.map(([part, target]): [string, string] => [part, target]);
  for (const [part, value] of changes) {
    if (value.startsWith("-")) now = now.filter(([name, on]) => name !== part || on !== value.slice(1));
    else now = [...now, [part, value]];
  }
  return now;
}

describe("a drop that is undone", () => {
  test.each([
    [[["a", "x"]], []],
    [[["b", "x"]], [["a", "x"]]],
    [[["a", "x"], ["c", "y"], ["b", "x"]], [["a", "x"], ["b", "x"], ["c", "y"]]],
    [[["a", "x"], ["a", "y"]], [["a", "x"]]],
  ] as [[string, string][], [string, string][]][])("leads from %j back to %j", (from, to) => {
    expect(after(from, changesTo(from, to))).toEqual(to);
  });
});
