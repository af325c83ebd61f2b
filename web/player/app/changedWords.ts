/** Words on the slide that have changed by what the learner did: a counter, a text with a value in it. */
import type { Event } from "../../api/events";
import type { Block, ProgramElement } from "../../api/types";
import { evaluate, isVisible } from "../engine/expression";
import type { Index } from "../engine/program";
import type { State } from "../engine/state";
import { toText } from "../engine/values";
import { formatted } from "../render/RichTextView";
import { valueOf } from "../render/valueOf";

/** What comes again and again by itself, or with every key, would drown all else. */
const UNSAID: ReadonlySet<Event["event"]> = new Set(["tick", "played", "entered", "pointed", "start", "resume"]);

/** Return the paragraphs that read otherwise than before `event`, of what was there before and after it. */
export function changedWords(index: Index, before: State, state: State, event: Event): string[] {
  if (UNSAID.has(event.event) || state.slide !== before.slide) return [];
  return (index.onSlide.get(state.slide ?? "") ?? []).flatMap((id) => {
    const element = index.elements.get(id) as ProgramElement;
    if (!hasValues(element) || !isThere(index, before, id) || !isThere(index, state, id)) return [];
    const was = paragraphs(index, before, element);
    return paragraphs(index, state, element).filter((words, place) => words && words !== was[place]);
  });
}

function hasValues({ draw, words }: ProgramElement): boolean {
  if (words !== null && words !== undefined) return true;
  return "text" in draw && draw.text.blocks.some((block) => block.runs.some(({ kind }) => kind === "value"));
}

function isThere(index: Index, state: State, id: string): boolean {
  const overlay = index.overlayOf.get(id);
  return (overlay === undefined || state.overlays.includes(overlay)) && isVisible(index, state, id);
}

function paragraphs(index: Index, state: State, { draw, words }: ProgramElement): string[] {
  if (words !== null && words !== undefined) return [toText(evaluate(index, state, words))];
  return "text" in draw ? draw.text.blocks.map((block) => wordsOf(index, state, block)) : [];
}

function wordsOf(index: Index, state: State, block: Block): string {
  return block.runs.map((run) => {
    if (run.kind === "blank") return "";
    return run.kind === "value" ? formatted(valueOf(index, state, run.of), run.format) : run.text;
  }).join("");
}
