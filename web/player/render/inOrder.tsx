import type { ReactNode } from "react";
import type { ProgramElement } from "../../api/types";
import { choiceOrder, isVisible } from "../engine/engine";
import { useActing } from "./acting";
import { Ranking } from "./answers/Ranking";
import { LiveElement } from "./LiveElement";
import { own } from "../engine/own";

/** Elements in running order: members within their groups, answers where the first of them is. */
export function inOrder(elements: readonly ProgramElement[], group: string | null = null): ReactNode[] {
  const done = new Set<string>();
  const nodes: ReactNode[] = [];
  for (const element of elements) {
    const { draw } = element;
    const together = element.control === "choice" || element.control === "ranked";
    const question = together ? element.question : null;
    if (question) {
      if (group !== null || done.has(question)) continue;
      done.add(question);
      const Parts = element.control === "ranked" ? Ranking : Choices;
      nodes.push(<Parts key={question} elements={elements} question={question} />);
    } else if ((draw.group ?? null) !== group) {
      continue;
    } else if (draw.kind === "group" && !ANSWERING.has(element.control)) {
      nodes.push(<LiveGroup key={draw.id} element={element} elements={elements} />);
    } else {
      nodes.push(<LiveElement key={draw.id} element={element} />);
    }
  }
  return nodes;
}

/** A group that is an answer is drawn as one thing, by its part of the question. */
const ANSWERING = new Set<ProgramElement["control"]>(["item", "target", "spot", "ground"]);

/**
 * A group: one thing for those who hear it. With a text alternative and nothing to operate in it,
 * that is read instead of its members; where it can be clicked, a button lies over all of it.
 */
function LiveGroup(
  { element, elements }: { element: ProgramElement; elements: readonly ProgramElement[] },
): ReactNode {
  const { index, state } = useActing();
  const { draw } = element;
  if (!isVisible(index, state, draw.id)) return null;
  const members = elements.filter((other) => other.draw.group === draw.id);
  const clickable = isOperated(element);
  const asOne = isStill(members) && (clickable || draw.decoration || draw.alt !== "");
  const role = clickable || draw.decoration ? {}
    : { role: asOne ? "img" : "group", "aria-label": draw.alt || draw.name };
  const [x, y] = own(state.offsets, draw.id) ?? [0, 0];
  const moved = x || y ? { translate: `${x}px ${y}px` } : {};
  return (
    <div data-group={draw.id} {...role} aria-hidden={draw.decoration || undefined} style={{ opacity: draw.style.opacity }}>
      <div aria-hidden={asOne || undefined} className="zz-members" style={moved}>{inOrder(elements, draw.id)}</div>
      {clickable && (
        <LiveElement
          element={{ ...element, draw: { ...draw, z: Math.max(...members.map((m) => m.draw.z)) } }}
        />
      )}
    </div>
  );
}

function isOperated({ control, draw }: ProgramElement): boolean {
  return control === "button" || control === "check" || Boolean(draw.drag);
}

/** Whether there is nothing to operate in a group, and no group. */
function isStill(members: readonly ProgramElement[]): boolean {
  return members.every(({ control, draw }) => control === "none" && draw.kind !== "group");
}

/** The choices in the learner's order: each takes the place at which that turn stands. */
function Choices(
  { elements, question }: { elements: readonly ProgramElement[]; question: string },
): ReactNode {
  const { index, state } = useActing();
  const grader = index.questions.get(question);
  const byPart = new Map(elements.map((element) => [element.part, element]));
  const slots = (grader?.parts ?? []).map(({ id }) => byPart.get(id)?.draw);
  return (
    <div role={grader?.at_most === 1 ? "radiogroup" : "group"} aria-label={grader?.prompt}>
      {choiceOrder(index, state, question).map((part, turn) => {
        const element = byPart.get(part);
        const slot = slots[turn];
        if (!element || !slot) return null;
        const moved = { ...element, draw: { ...element.draw, x: slot.x, y: slot.y } };
        return <LiveElement key={part} element={moved} />;
      })}
    </div>
  );
}
