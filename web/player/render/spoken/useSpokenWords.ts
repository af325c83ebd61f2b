/** Highlights the words of a text while they are spoken. */
import { useEffect, type RefObject } from "react";
import type { Element, ProgramMedia } from "../../../api/types";
import type { Index } from "../../engine/program";
import { isOver, playerOf } from "../players";
import { timedWords, wordAt, type TimedWord } from "./timedWords";

type Speech = NonNullable<ProgramMedia["speech"]>;

/** The name under which the style sheet knows the words that are spoken now. */
const NAME = "zz-spoken";

/** `box` holds the words of `draw`, which may be spoken by a video or audio. */
export function useSpokenWords(box: RefObject<HTMLElement | null>, draw: Element, { elements, program }: Index): void {
  const by = draw.kind === "text" ? draw.spoken_by ?? null : null;
  const speaker = by ? elements.get(by)?.draw : undefined;
  const file = speaker && "media" in speaker ? speaker.media : null;
  const speech = file ? program.media[file]?.speech : null;
  useEffect(() => {
    // A browser that knows no highlights shows the words as they are.
    if (!by || !speech || !box.current || !("highlights" in CSS)) return undefined;
    const mark = new Mark(box.current, speech);
    let frame = 0;
    const look = (): void => {
      mark.at(heardAt(by));
      frame = requestAnimationFrame(look);
    };
    look();
    return () => {
      cancelAnimationFrame(frame);
      mark.at(null);
    };
  }, [box, by, speech]);
}

/** Where the video or audio of an element is (ms); null before it began and behind its end. */
function heardAt(element: string): number | null {
  const media = playerOf(element);
  return !media || isOver(media) || (media.paused && media.currentTime === 0) ? null : media.currentTime * 1000;
}

/** The mark on the word of a text that is heard. */
class Mark {
  private range: Range | null = null;
  private word: TimedWord | undefined;
  private text = "";
  private words: readonly TimedWord[] = [];

  constructor(private readonly box: HTMLElement, private readonly speech: Speech) {}

  at(ms: number | null): void {
    const nodes = ms === null ? [] : textNodes(this.box);
    const text = nodes.map(({ data }) => data).join("");
    if (text !== this.text) [this.text, this.words] = [text, timedWords(text, this.speech)];
    const word = ms === null ? undefined : wordAt(this.words, ms);
    if (word === this.word && (!this.range || this.range.startContainer.isConnected)) return;
    if (this.range) all().delete(this.range);
    this.word = word;
    this.range = word ? rangeOver(nodes, word) : null;
    if (this.range) all().add(this.range);
  }
}

/** What is marked on the page. */
function all(): Highlight {
  const there = CSS.highlights.get(NAME) ?? new Highlight();
  CSS.highlights.set(NAME, there);
  return there;
}

function textNodes(box: HTMLElement): Text[] {
  const walker = document.createTreeWalker(box, NodeFilter.SHOW_TEXT);
  const found: Text[] = [];
  while (walker.nextNode()) found.push(walker.currentNode as Text);
  return found;
}

/** The letters of a word, where the text is made of these nodes. */
function rangeOver(nodes: readonly Text[], { from, to }: TimedWord): Range {
  const range = document.createRange();
  let before = 0;
  for (const node of nodes) {
    const after = before + node.data.length;
    if (from >= before && from < after) range.setStart(node, from - before);
    if (to > before && to <= after) range.setEnd(node, to - before);
    before = after;
  }
  return range;
}
