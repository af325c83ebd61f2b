import type { CSSProperties, ReactNode } from "react";
import type { Element, Grader, ProgramElement } from "../../../api/types";
import { isEnabled } from "../../engine/expression";
import { useActing } from "../acting";
import { ElementView } from "../ElementView";
import { looksOf, worn } from "../looks";
import { Members } from "../Members";
import { boxVariables, placed, withLooks } from "../style";
import { valueOf } from "../valueOf";
import { answerOf, markOf, solutionOf, type Mark } from "./marks";

interface Frame {
  draw: Element;
  grader: Grader | undefined;
  part: string;
  enabled: boolean;
  mark: Mark;
  /** What would have been right, where that is to be shown. */
  solution: string;
  view: ReactNode;
  style: CSSProperties;
}

/** What every element that answers shares: its look, its place, its drawing. */
export function useFrame(element: ProgramElement, lifted: boolean): Frame {
  const { index, state } = useActing();
  const { id } = element.draw;
  const question = element.question ?? "";
  const part = element.part ?? "";
  const grader = index.questions.get(question);
  const chosen = grader?.form !== "order" && answerOf(state, question).given.some(([name, on]) => name === part || on === part);
  const enabled = isEnabled(index, state, id);
  const looks = looksOf(index, state, element, chosen, enabled, lifted);
  const draw = worn(element.draw, looks);
  const style = withLooks(draw, looks);
  return {
    draw, part, enabled, grader, mark: markOf(index, state, question, part),
    solution: solutionOf(index, state, question, part),
    style: { ...placed(draw), ...boxVariables(draw, style) },
    view: draw.kind === "group" ? <Members group={draw} />
      : <ElementView element={draw} style={style} media={index.mediaOn(state.slide)} alt={draw.decoration ? "" : draw.alt} values={(of) => valueOf(index, state, of)} live />,
  };
}

/** What would have been right, written below it. */
export function Solution({ words }: { words: string }): ReactNode {
  return words ? <span className="zz-solution" aria-hidden>{words}</span> : null;
}

/** The words by which a screen reader names an element. */
export function wordsOf(draw: Element): string {
  if (draw.kind === "button" || draw.kind === "input") return draw.label || draw.name;
  if (draw.kind !== "text" && draw.kind !== "shape") return draw.alt || draw.name;
  const text = draw.text.blocks
    .map((block) => block.runs.map((run) => (run.kind === "text" ? run.text : "")).join("")).join(" ");
  return draw.kind === "text" ? text || draw.name : draw.alt || text || draw.name;
}
