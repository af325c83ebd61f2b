/**
 * The ways in which an element is operated: each draws what `useShown` gives. They are functions
 * and no components, so that the element stays the same node when it comes to be operated otherwise.
 */
import type { KeyboardEvent, MouseEvent, ReactNode, RefObject } from "react";
import type { Element, ProgramElement } from "../../../api/types";
import { isVisible } from "../../engine/engine";
import { own } from "../../engine/own";
import type { Index } from "../../engine/program";
import type { State } from "../../engine/state";
import { toNumber } from "../../engine/values";
import { BlanksOf } from "../answers/Blanks";
import { letterOf, marked, markOf, solutionOf } from "../answers/marks";
import { Solution, wordsOf as words } from "../answers/useFrame";
import { focusElement } from "../acting";
import { isSelected } from "../looks";
import type { Shown } from "./shown";

type Control = (shown: Shown) => ReactNode;

/** Something that another element can be put on while that one is picked up. */
export function taking({ acting, element, box, name, common, view }: Shown): ReactNode {
  const { index, state, dispatch, picked, pick } = acting;
  const item = index.elements.get(picked ?? "")?.draw;
  const put = (): void => {
    const [x, y] = own(state.offsets, picked ?? "") ?? [0, 0];
    dispatch({ event: "dropped", target: picked ?? "", on: element.draw.id, x, y });
    pick(null);
    focusElement(picked);
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.key === "Escape") pick(null);
    if (event.key !== "Enter" && event.key !== " ") return;
    event.preventDefault();
    put();
  };
  return (
    <div
      {...common} ref={box} className={`${name} zz-live zz-takes`} role="button" tabIndex={0}
      aria-label={index.say("put_on", { item: item ? item.alt || item.name : "", target: words(element.draw) })}
      onClick={(event) => { event.stopPropagation(); put(); }} onKeyDown={onKeyDown}
    >
      {view}
    </div>
  );
}

/** Whether `target` takes what is picked up. */
export function takes(index: Index, picked: string | null, target: string): boolean {
  if (picked === null || picked === target) return false;
  return index.elements.get(picked)?.draw.drag?.targets.includes(target) ?? false;
}

/** Something that is dragged, by pointer or by keys. */
export const dragged: Control = ({ acting, draw, enabled, offset, box, name, common, heard, dragging, twice, view, click }) => {
  const { picked, state, index } = acting;
  const on = index.elements.get(own(state.dropped, draw.id) ?? "")?.draw;
  return (
    <div
      {...common} {...heard} {...dragging} {...twice} ref={box} role="button" tabIndex={enabled ? 0 : -1}
      className={`${name} zz-drags${enabled ? " zz-live" : " zz-off"}${offset ? " zz-dragged" : ""}`}
      aria-roledescription={index.say("movable")} aria-pressed={picked === draw.id} aria-label={on ? index.say("item_on", { item: words(draw), target: words(on) }) : words(draw)}
      aria-disabled={!enabled || undefined} onClick={click}
    >
      {view}
    </div>
  );
};

const wiper: Control = ({ acting, element, draw, enabled, box, name, common, view }) => {
  const { state, dispatch } = acting;
  const share = toNumber(own(state.variables, element.variable ?? "") ?? 50);
  const wiped = { ...common, style: { ...common.style, "--wiped": `${100 - share}%` } };
  return (
    <div {...wiped} ref={box} className={`${name} zz-wiper`}>
      {view}
      <input
        type="range" min={0} max={100} value={share} aria-label={words(draw)} disabled={!enabled}
        onChange={(event) => dispatch({ event: "entered", target: draw.id, value: Number(event.target.value) })}
      />
    </div>
  );
};

const choice: Control = ({ acting, element, draw, enabled, chosen, name, common, heard, view, click }) => {
  const { index, state } = acting;
  const question = element.question ?? "";
  const part = element.part ?? "";
  const result = markOf(index, state, question, part);
  const letter = letterOf(index, state, question, part);
  const single = index.questions.get(question)?.at_most === 1;
  const classes = [name, "zz-choice", draw.kind === "group" && "zz-grouped", !single && "zz-several", enabled && "zz-live"];
  return (
    <label className={classes.filter(Boolean).join(" ")} {...common} {...heard} data-chosen={chosen} data-result={result}>
      <input
        type={single ? "radio" : "checkbox"} className="zz-hidden" name={element.question ?? undefined}
        checked={chosen} disabled={!enabled} aria-label={marked(acting.index.say, letter ? `${letter}: ${words(draw)}` : words(draw), result)}
        onChange={click}
      />
      {view}
      <span className="zz-mark" aria-hidden data-letter={letter || undefined} />
    </label>
  );
};

const button: Control = ({ acting, element, draw, enabled, box, name, common, heard, twice, view, click }) => {
  const { index, state } = acting;
  const selected = isSelected(index, state, element);
  const ticks = element.control === "check";
  const check = ticks ? { role: "checkbox", "aria-checked": selected } : {};
  const reveals = element.reveals ? { "aria-expanded": isOpen(index, state, element.reveals) } : {};
  return (
    <button
      type="button" ref={box as unknown as RefObject<HTMLButtonElement>}
      className={`${name}${enabled ? " zz-live" : " zz-off"}${ticks ? " zz-ticks" : ""}`}
      {...common} {...heard} {...twice} {...check} {...reveals} data-selected={selected || undefined}
      disabled={!enabled} aria-label={draw.kind === "button" && !element.words ? undefined : words(draw)}
      onClick={(event: MouseEvent) => { event.stopPropagation(); click(); }}
    >
      {view}
      {ticks && <span className="zz-tick" aria-hidden>{selected ? "✓" : ""}</span>}
    </button>
  );
};

/** What is only seen or read, fields and texts with blanks among them. */
export const plain: Control = ({ acting, element, draw, box, name, common, heard, twice, view }) => {
  const { index, state } = acting;
  const question = element.question ?? "";
  return (
    <div
      className={name} {...common} {...heard} {...twice} {...heading(draw)} ref={box}
      aria-hidden={draw.decoration || isMute(draw) || undefined}
    >
      {element.control === "field" && <Solution words={solutionOf(index, state, question, element.part ?? "")} />}
      {element.control === "blanks" ? <BlanksOf question={question}>{view}</BlanksOf> : view}
    </div>
  );
};

/** How elements of each control are drawn; all others are plain. */
export const CONTROLS: Partial<Record<ProgramElement["control"], Control>> = {
  wiper, choice, button, check: button,
};

function heading(draw: Element): { role?: string; "aria-level"?: number } {
  if (draw.kind !== "text" || draw.level === "body") return {};
  return { role: "heading", "aria-level": draw.level === "title" ? 1 : 2 };
}

function isOpen(index: Index, state: State, name: string): boolean {
  return index.overlays.has(name) ? state.overlays.includes(name) : isVisible(index, state, name);
}

/** Whether there is nothing to be read out: a figure without words or alternative. */
function isMute(draw: Element): boolean {
  return draw.kind === "shape" && !draw.alt && !draw.text.blocks.length;
}
