/** The current slide as the learner meets it: drawn by the state, answering clicks and keys. */
import type { ReactNode } from "react";
import type { ProgramElement, ProgramSlide } from "../../api/types";
import { choiceOrder, isEnabled, isVisible } from "../engine/engine";
import { live } from "../engine/expression";
import type { Index } from "../engine/program";
import type { State } from "../engine/state";
import { toText } from "../engine/values";
import { Backdrop } from "./Backdrop";
import { ElementView } from "./ElementView";
import { OverlayView } from "./OverlayView";
import { boxVariables, placed, withLooks } from "./style";

interface Props {
  index: Index;
  state: State;
  slide: ProgramSlide;
  scale: number;
  onClick: (element: string) => void;
  onClose: (overlay: string) => void;
}

export function LiveSlide(props: Props): ReactNode {
  const { index, state, slide, scale } = props;
  const open = slide.overlays.filter((overlay) => state.overlays.includes(overlay.id));
  const blocked = open.some((overlay) => overlay.blocks);
  return (
    <Backdrop
      size={index.program.size} background={slide.background}
      media={index.program.media} scale={scale}
    >
      <div inert={blocked}>{inOrder(props)}</div>
      {open.map((overlay) => (
        <OverlayView key={overlay.id} overlay={overlay} {...props} />
      ))}
    </Backdrop>
  );
}

/** The elements in running order; the choices of a question stand together where its first is. */
function inOrder({ index, state, slide, onClick }: Props): ReactNode[] {
  const done = new Set<string>();
  const nodes: ReactNode[] = [];
  for (const element of slide.elements) {
    const question = element.control === "choice" ? element.question : null;
    if (!question) {
      nodes.push(
        <LiveElement key={element.draw.id} {...{ index, state, element, onClick }} />,
      );
    } else if (!done.has(question)) {
      done.add(question);
      nodes.push(<Choices key={question} {...{ index, state, slide, question, onClick }} />);
    }
  }
  return nodes;
}

interface ChoicesProps {
  index: Index;
  state: State;
  slide: ProgramSlide;
  question: string;
  onClick: (element: string) => void;
}

/** The choices in the learner's order: each takes the place at which that turn stands. */
function Choices({ index, state, slide, question, onClick }: ChoicesProps): ReactNode {
  const grader = index.questions.get(question);
  const byChoice = new Map(slide.elements.map((element) => [element.choice, element]));
  const slots = (grader?.choices ?? []).map((choice) => byChoice.get(choice)?.draw);
  return (
    <div role="radiogroup" aria-label={grader?.prompt}>
      {choiceOrder(index, state, question).map((choice, turn) => {
        const element = byChoice.get(choice);
        const slot = slots[turn];
        if (!element || !slot) return null;
        const moved = { ...element, draw: { ...element.draw, x: slot.x, y: slot.y } };
        return <LiveElement key={choice} {...{ index, state, onClick }} element={moved} />;
      })}
    </div>
  );
}

interface LiveProps {
  index: Index;
  state: State;
  element: ProgramElement;
  onClick: (element: string) => void;
  /** In the flow of an overlay's panel instead of at its place. */
  flows?: boolean;
}

export function LiveElement({ index, state, element, onClick, flows }: LiveProps): ReactNode {
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
  const view = (
    <ElementView
      element={draw} style={style} media={index.program.media} alt={read}
      values={(of) => valueWords(index, state, of)}
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
  const hidden = draw.decoration || (draw.kind === "shape" && !draw.alt);
  const heading = draw.kind === "text" && draw.level !== "body"
    ? { role: "heading", "aria-level": draw.level === "title" ? 1 : 2 } : {};
  return (
    <div className="zz-element" {...common} {...heading} aria-hidden={hidden || undefined}>
      {view}
    </div>
  );
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
