/** One element as the learner meets it: in the look that its state gives, answering clicks. */
import type { ReactNode } from "react";
import type { Element, InputElement, ProgramElement } from "../../api/types";
import { isEnabled, isVisible } from "../engine/engine";
import { live } from "../engine/expression";
import type { Index } from "../engine/program";
import type { State } from "../engine/state";
import { toText, type Value } from "../engine/values";
import { ElementView } from "./ElementView";
import type { Entering } from "./InputBox";
import { boxVariables, placed, withLooks } from "./style";

interface LiveProps {
  index: Index;
  state: State;
  element: ProgramElement;
  onClick: (element: string) => void;
  onEnter: (element: string, value: Value) => void;
  /** In the flow of an overlay's panel instead of at its place. */
  flows?: boolean;
}

export function LiveElement({ index, state, element, onClick, onEnter, flows }: LiveProps): ReactNode {
  const { draw } = element;
  if (!isVisible(index, state, draw.id)) return null;
  const answer = element.question ? state.answers[element.question] : undefined;
  const chosen = Boolean(element.choice && answer?.chosen.includes(element.choice));
  const enabled = isEnabled(index, state, draw.id);
  const style = withLooks(draw, looksOf(state, draw.id, chosen, enabled));
  const box = flows ? flowing(draw.kind) : placed(draw);
  const common = {
    "data-element": draw.id,
    style: { ...box, ...boxVariables(draw, style) },
  };
  const read = draw.decoration ? "" : draw.alt;
  function entering(field: InputElement): Entering {
    return {
      value: state.variables[field.variable ?? ""] ?? "", enabled: enabled && Boolean(field.variable),
      enter: (value) => onEnter(draw.id, value),
    };
  }
  const view = (
    <ElementView
      element={draw} style={style} media={index.program.media} alt={read}
      values={(of) => valueWords(index, state, of)} live
      {...(draw.kind === "input" ? { entering: entering(draw) } : {})}
    />
  );
  if (element.control === "choice") {
    const result = chosen && answer?.locked ? answer.result ?? undefined : undefined;
    return (
      <label
        className={`zz-element zz-choice${enabled ? " zz-live" : ""}`} {...common}
        data-chosen={chosen} data-result={result}
      >
        <input
          type="radio" className="zz-hidden" name={element.question ?? undefined}
          checked={chosen} disabled={!enabled} aria-label={spoken(element, result)}
          onChange={() => onClick(draw.id)}
        />
        {view}
        <span className="zz-mark" aria-hidden />
      </label>
    );
  }
  if (element.control === "button") {
    return (
      <button
        type="button" className={`zz-element${enabled ? " zz-live" : " zz-off"}`} {...common}
        disabled={!enabled} aria-label={draw.kind === "button" ? undefined : spoken(element)}
        onClick={() => onClick(draw.id)}
      >
        {view}
      </button>
    );
  }
  const hidden = draw.decoration || isMute(draw);
  const heading = draw.kind === "text" && draw.level !== "body"
    ? { role: "heading", "aria-level": draw.level === "title" ? 1 : 2 } : {};
  return (
    <div className="zz-element" {...common} {...heading} aria-hidden={hidden || undefined}>
      {view}
    </div>
  );
}

/** Whether there is nothing to be read out: a figure without words or alternative. */
function isMute(draw: Element): boolean {
  return draw.kind === "shape" && !draw.alt && !draw.text.blocks.length;
}

/** The looks that an element has by itself or by a rule, the strongest last. */
function looksOf(state: State, id: string, chosen: boolean, enabled: boolean): string[] {
  const looks: string[] = [];
  if (state.clicked.has(id)) looks.push("visited");
  if (chosen) looks.push("selected");
  if (!enabled && !chosen) looks.push("disabled");
  const given = state.looks[id];
  if (given) looks.push(given);
  return looks;
}

function flowing(kind: string): { position: "relative"; width?: number; minHeight?: number } {
  return kind === "button"
    ? { position: "relative", width: 200, minHeight: 56 } : { position: "relative" };
}

function spoken({ draw }: ProgramElement, result?: string): string {
  let words = draw.alt || draw.name;
  if (draw.kind === "text") {
    words = draw.text.blocks
      .map((block) => block.runs.map((run) => (run.kind === "text" ? run.text : "")).join(""))
      .join(" ") || words;
  }
  return result ? `${words}, ${result}` : words;
}

function valueWords(index: Index, state: State, of: string): string {
  const value = state.variables[of];
  return toText(value ?? live(index, state, of));
}
