/** The current slide as the learner meets it: drawn by the state, answering clicks and keys. */
import type { ReactNode } from "react";
import type { ProgramSlide } from "../../api/types";
import { choiceOrder } from "../engine/engine";
import type { Index } from "../engine/program";
import type { State } from "../engine/state";
import { Backdrop } from "./Backdrop";
import { LiveElement } from "./LiveElement";
import { OverlayView } from "./OverlayView";

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
