/** What an element comes to in a run: its look, its words, its box, and what it hears. */
import { useRef, type CSSProperties, type ReactNode, type RefObject } from "react";
import type { Element, InputElement, ProgramElement } from "../../../api/types";
import { isEnabled } from "../../engine/expression";
import { evaluate } from "../../engine/expression";
import { own } from "../../engine/own";
import type { Index } from "../../engine/program";
import type { State } from "../../engine/state";
import { toText } from "../../engine/values";
import { useActing, type Acting } from "../acting";
import { ElementView } from "../ElementView";
import type { Entering } from "../InputBox";
import { looksOf, useTransientLooks, worn } from "../looks";
import { Members } from "../Members";
import { useMove } from "../motion";
import { useSpokenWords } from "../spoken/useSpokenWords";
import { boxVariables, placed, withLooks } from "../style";
import { useDragging } from "../useDragging";
import { valueOf } from "../valueOf";

export interface Appearing { enters: string; leaves: string }

export interface ShownProps extends Appearing {
  element: ProgramElement;
  flows: boolean;
  /** It has left in a visible way, and stays in the page, hidden. */
  gone: boolean;
}

/** All that the ways of drawing an element have in common. */
export interface Shown {
  acting: Acting;
  element: ProgramElement;
  draw: Element;
  enabled: boolean;
  chosen: boolean;
  offset: readonly [number, number] | null;
  box: RefObject<HTMLDivElement | null>;
  name: string;
  common: { "data-element": string; hidden: true | undefined; style: CSSProperties };
  /** Looks that come and go, and being pointed at. */
  heard: Handlers;
  dragging: ReturnType<typeof useDragging>["handlers"];
  twice: Handlers;
  view: ReactNode;
  click: () => void;
}

/** Return what an element comes to; null for a text in a panel that has no words. */
export function useShown({ element, flows, gone, enters, leaves }: ShownProps): Shown | null {
  const acting = useActing();
  const { index, state, dispatch, picked } = acting;
  const box = useRef<HTMLDivElement>(null);
  const { id } = element.draw;
  const { offset, handlers: dragging } = useDragging(element.draw);
  const chosen = isChosen(state, element);
  const enabled = isEnabled(index, state, id);
  const [transient, watching] = useTransientLooks(element.draw, enabled);
  const looks = [...looksOf(index, state, element, chosen, enabled, offset !== null || picked === id), ...transient];
  const draw = spokenInstead(index, state, element, worn(element.draw, looks));
  useMove(box, element.draw, state);
  useSpokenWords(box, element.draw, index);
  if (flows && draw.kind === "text" && !draw.text.blocks.length) return null;
  const style = withLooks(draw, looks);
  const common = {
    "data-element": id, hidden: gone || undefined,
    style: { ...(flows ? flowing(draw) : placed(draw)), ...displaced(state, id, offset), ...boxVariables(draw, style) },
  };
  const entering = draw.kind === "input" ? { entering: enteringOf(index, state, element, draw, enabled, dispatch) } : {};
  const view = draw.kind === "group" && element.control === "choice" ? <Members group={draw} /> : (
    <ElementView
      element={draw} style={style} media={index.mediaOn(state.slide)} alt={draw.decoration ? "" : draw.alt}
      values={(of) => valueOf(index, state, of)} live {...entering}
    />
  );
  const pointing = hears(element, "pointed_at", "pointed_away") ? {
    onPointerEnter: () => dispatch({ event: "pointed", target: id, away: false }),
    onPointerLeave: () => dispatch({ event: "pointed", target: id, away: true }),
  } : {};
  return {
    acting, element, draw, enabled, chosen, offset, box, common, dragging, view,
    name: `zz-element${comings(enters, leaves)}${pulse(draw, state)}${acting.aimed === id ? " zz-aimed" : ""}`,
    heard: { ...watching, ...merge(watching as Handlers, pointing) },
    twice: hears(element, "double_clicked") ? { onDoubleClick: () => dispatch({ event: "double_clicked", target: id }) } : {},
    click: () => dispatch({ event: "clicked", target: id }),
  };
}

function isChosen(state: State, { question, part }: ProgramElement): boolean {
  const answer = question ? own(state.answers, question) : undefined;
  return Boolean(answer?.given.some(([one]) => one === part));
}

function hears({ rules }: ProgramElement, ...events: string[]): boolean {
  return rules.some(({ on }) => events.includes(on));
}

function comings(enters: string, leaves: string): string {
  return enters !== "none" || leaves !== "none" ? ` zz-comes-${enters} zz-goes-${leaves}` : "";
}

function pulse(draw: Element, state: State): string {
  return draw.pulse === "none" || state.paused ? "" : ` zz-pulse-${draw.pulse}`;
}

/** How an element comes and goes: as its first cue has it, else as it says itself. */
export function effectsOf({ draw, spans }: ProgramElement): Appearing {
  const span = spans[0];
  return span ? { enters: span.enters, leaves: span.leaves } : { enters: draw.enters, leaves: draw.leaves };
}

type Handlers = Record<string, unknown>;

/** Both handlers where two want the same event. */
function merge(first: Handlers, second: Handlers): Handlers {
  return Object.fromEntries(Object.entries(second).map(([name, handler]) => {
    const other = first[name] as ((event: unknown) => void) | undefined;
    return [name, other ? (event: unknown) => { other(event); (handler as (event: unknown) => void)(event); } : handler];
  }));
}

/** Words that the run gives the element instead of its own. */
function spokenInstead(index: Index, state: State, element: ProgramElement, draw: Element): Element {
  if (element.row_of && draw.kind === "text") {
    const row = index.questions.get(element.row_of)?.rows[(own(state.answers, element.row_of)?.row ?? 0) - 1];
    return row?.words ? { ...draw, text: row.words } : draw;
  }
  if (element.words === null || element.words === undefined) return draw;
  const text = toText(evaluate(index, state, element.words));
  if (draw.kind === "button") return { ...draw, label: text };
  if (draw.kind !== "text" && draw.kind !== "shape") return draw;
  const run = { kind: "text" as const, text, bold: false, italic: false };
  return { ...draw, text: { blocks: [{ kind: "paragraph", runs: [run] }] } };
}

function displaced(state: State, id: string, offset: readonly [number, number] | null): CSSProperties {
  const [x, y] = own(state.offsets, id) ?? [0, 0];
  const [dx, dy] = offset ?? [0, 0];
  return x + dx || y + dy ? { translate: `${x + dx}px ${y + dy}px` } : {};
}

function enteringOf(
  index: Index, state: State, element: ProgramElement, field: InputElement, enabled: boolean,
  dispatch: Acting["dispatch"],
): Entering {
  const { question, part } = element;
  if (element.control === "field" && question && part) {
    const value = own(state.answers, question)?.given.find(([name]) => name === part)?.[1] ?? "";
    return {
      value, enabled, most: index.questions.get(question)?.at_most ?? 250, at_once: true,
      enter: (entered) => dispatch({ event: "answered", question, part, value: entered }),
    };
  }
  return {
    value: own(state.variables, field.variable ?? "") ?? "", enabled: enabled && index.variables.has(field.variable ?? ""),
    enter: (value) => dispatch({ event: "entered", target: field.id, value }),
  };
}

function flowing({ kind, w, h }: Element): CSSProperties {
  if (kind === "picture") return { position: "relative", width: w, height: h };
  return kind === "button" ? { position: "relative", minWidth: 200, minHeight: 56 } : { position: "relative" };
}
