/** The current slide as the learner meets it: drawn by the state, answering clicks and keys. */
import type { ReactNode } from "react";
import type { ProgramElement, ProgramSlide } from "../../api/types";
import { choiceOrder, isVisible } from "../engine/engine";
import type { Index } from "../engine/program";
import type { State } from "../engine/state";
import type { Value } from "../engine/values";
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
  onEnter: (element: string, value: Value) => void;
}

export function LiveSlide(props: Props): ReactNode {
  const { index, state, slide, scale } = props;
  const open = slide.overlays.filter((overlay) => state.overlays.includes(overlay.id));
  const blocked = open.some((overlay) => overlay.blocks);
  return (
    <Backdrop
      size={index.program.size} theme={index.program.theme} background={slide.background}
      media={index.program.media} scale={scale}
    >
      <div inert={blocked}>{inOrder(props)}</div>
      {open.map((overlay) => (
        <OverlayView key={overlay.id} overlay={overlay} {...props} />
      ))}
    </Backdrop>
  );
}

/**
 * The elements in running order; the choices of a question stand together where its first is, the
 * members of a group within it.
 */
function inOrder(props: Props, group: string | null = null): ReactNode[] {
  const { index, state, slide, onClick, onEnter } = props;
  const done = new Set<string>();
  const nodes: ReactNode[] = [];
  for (const element of slide.elements) {
    const { draw } = element;
    const question = element.control === "choice" ? element.question : null;
    if (question) {
      if (group !== null || done.has(question)) continue;
      done.add(question);
      nodes.push(<Choices key={question} {...{ index, state, slide, question, onClick, onEnter }} />);
    } else if ((draw.group ?? null) !== group) {
      continue;
    } else if (draw.kind === "group") {
      nodes.push(<LiveGroup key={draw.id} element={element} {...props} />);
    } else {
      nodes.push(<LiveElement key={draw.id} {...{ index, state, element, onClick, onEnter }} />);
    }
  }
  return nodes;
}

/**
 * A group: one thing for those who hear it. With a text alternative and nothing to operate in it,
 * that is read instead of its members; where it can be clicked, a button lies over all of it.
 */
function LiveGroup({ element, ...props }: Props & { element: ProgramElement }): ReactNode {
  const { index, state, slide, onClick, onEnter } = props;
  const { draw } = element;
  if (!isVisible(index, state, draw.id)) return null;
  const members = slide.elements.filter((other) => other.draw.group === draw.id);
  const still = members.every((other) => other.control === "none" && other.draw.kind !== "group");
  const clickable = element.control === "button";
  const asOne = still && (clickable || draw.decoration || draw.alt !== "");
  const role = clickable || draw.decoration ? {}
    : { role: asOne ? "img" : "group", "aria-label": draw.alt || draw.name };
  return (
    <div data-group={draw.id} {...role} aria-hidden={draw.decoration || undefined} style={{ opacity: draw.style.opacity }}>
      <div aria-hidden={asOne || undefined}>{inOrder(props, draw.id)}</div>
      {clickable && (
        <LiveElement
          element={{ ...element, draw: { ...draw, z: Math.max(...members.map((m) => m.draw.z)) } }}
          {...{ index, state, onClick, onEnter }}
        />
      )}
    </div>
  );
}

interface ChoicesProps {
  index: Index;
  state: State;
  slide: ProgramSlide;
  question: string;
  onClick: (element: string) => void;
  onEnter: (element: string, value: Value) => void;
}

/** The choices in the learner's order: each takes the place at which that turn stands. */
function Choices({ index, state, slide, question, onClick, onEnter }: ChoicesProps): ReactNode {
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
        return <LiveElement key={choice} {...{ index, state, onClick, onEnter }} element={moved} />;
      })}
    </div>
  );
}
