import { useEffect, useRef, type KeyboardEvent, type ReactNode } from "react";
import type { ProgramElement } from "../../../api/types";
import { choiceOrder } from "../../engine/engine";
import { isEnabled } from "../../engine/expression";
import { useActing } from "../acting";
import { marked } from "./marks";
import { Solution, useFrame, wordsOf } from "./useFrame";
import { usePointerDrag } from "./usePointerDrag";

type Spot = { x: number; y: number; w: number; h: number };

/** Things to be put in order: each stands in the place of its turn; dragged, moved by arrows, or picked. */
export function Ranking({ elements, question }: { elements: readonly ProgramElement[]; question: string }): ReactNode {
  const { index, state } = useActing();
  const grader = index.questions.get(question);
  const byPart = new Map(elements.filter((e) => e.question === question).map((e) => [e.part, e]));
  const slots = (grader?.parts ?? []).flatMap(({ id }) => byPart.get(id)?.draw ?? []);
  const order = choiceOrder(index, state, question);
  return (
    <div role="list" aria-label={grader?.prompt}>
      {order.map((part, turn) => {
        const element = byPart.get(part);
        const slot = slots[turn];
        return element && slot
          ? <Ranked key={part} element={element} turn={turn} slot={slot} slots={slots} question={question} /> : null;
      })}
    </div>
  );
}

function Ranked(
  { element, turn, slot, slots, question }: {
    element: ProgramElement; turn: number; slot: Spot; slots: readonly Spot[]; question: string;
  },
): ReactNode {
  const { index, state, scale, dispatch, picked, pick } = useActing();
  const { id } = element.draw;
  const box = useRef<HTMLDivElement>(null);
  const byKey = useRef(false);
  const part = element.part ?? "";
  const enabled = isEnabled(index, state, id);
  const move = (which: string, to: number): void => {
    if (to >= 0 && to < slots.length) dispatch({ event: "answered", question, part: which, value: String(to) });
  };
  const other = picked === null ? undefined : index.elements.get(picked);
  const takes = picked !== id && other?.control === "ranked" && other.question === question;
  const { offset, handlers } = usePointerDrag(scale, enabled, () => {
    if (takes && other) {
      move(other.part ?? "", turn);
      pick(null);
    } else pick(picked === id ? null : id);
  }, (x, y) => {
    pick(null);
    move(part, nearest(box.current, x, y, slots, scale));
  });
  const { draw, mark, solution, view, style } = useFrame(element, picked === id || offset !== null);
  useEffect(() => {
    // What is moved by a key keeps the focus, wherever the page now has it.
    if (byKey.current) box.current?.focus({ preventScroll: true });
    byKey.current = false;
  }, [turn]);
  function onKeyDown(event: KeyboardEvent): void {
    const step = { ArrowUp: -1, ArrowLeft: -1, ArrowDown: 1, ArrowRight: 1 }[event.key];
    if (!enabled) return;
    if (step) {
      byKey.current = true;
      move(part, turn + step);
    } else if (event.key === "Escape" && picked === id) pick(null);
    else if (event.key === "Enter" || event.key === " ") {
      if (takes && other) {
        move(other.part ?? "", turn);
        pick(null);
      } else pick(picked === id ? null : id);
    } else return;
    event.preventDefault();
    event.stopPropagation();
  }
  const [dx, dy] = offset ?? [0, 0];
  return (
    <div role="listitem">
      <div
        {...handlers} ref={box} role="button" tabIndex={enabled ? 0 : -1} aria-disabled={!enabled} data-element={id} data-result={mark}
        aria-pressed={picked === id} aria-roledescription={index.say("movable")}
        aria-label={marked(index.say, index.say("item_place", { item: wordsOf(draw), n: turn + 1, count: slots.length }), mark, solution)} onKeyDown={onKeyDown}
        className={`zz-element zz-item${enabled ? " zz-live zz-drags" : ""}${offset ? " zz-dragged" : ""}${picked === id ? " zz-picked" : ""}${takes ? " zz-takes" : ""}`}
        style={{ ...style, left: slot.x, top: slot.y, ...(offset ? { translate: `${dx}px ${dy}px` } : {}) }}
      >
        {view}
        <Solution words={solution} />
      </div>
    </div>
  );
}

/** The number of the slot whose middle is nearest to a place of the window. */
function nearest(box: HTMLElement | null, x: number, y: number, slots: readonly Spot[], scale: number): number {
  const frame = box?.closest(".zz-slide")?.getBoundingClientRect();
  if (!frame) return -1;
  const far = slots.map((slot) => Math.hypot(
    (x - frame.left) / scale - slot.x - slot.w / 2, (y - frame.top) / scale - slot.y - slot.h / 2,
  ));
  return far.indexOf(Math.min(...far));
}
