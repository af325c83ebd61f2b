/** One element as the learner meets it: in the look that its state gives, answering what is done. */
import { useRef, type CSSProperties, type MouseEvent, type ReactNode, type RefObject } from "react";
import type { Element, InputElement, ProgramElement } from "../../api/types";
import { isEnabled, isVisible } from "../engine/engine";
import { evaluate } from "../engine/expression";
import type { Index } from "../engine/program";
import type { State } from "../engine/state";
import { toNumber, toText } from "../engine/values";
import { useActing } from "./acting";
import { BlanksOf } from "./answers/Blanks";
import { letterOf, marked, markOf, solutionOf } from "./answers/marks";
import { Item, Target } from "./answers/Pairs";
import { Ground, Spot } from "./answers/Spots";
import { Solution, wordsOf as words } from "./answers/useFrame";
import { ElementView } from "./ElementView";
import type { Entering } from "./InputBox";
import { isSelected, looksOf, useTransientLooks, worn } from "./looks";
import { useMove } from "./motion";
import { Members } from "./Members";
import { boxVariables, placed, withLooks } from "./style";
import { useDragging } from "./useDragging";
import { valueOf } from "./valueOf";
import { own } from "../engine/own";

/** What is done with it is an answer. */
const ANSWERING: Partial<Record<ProgramElement["control"], (props: { element: ProgramElement }) => ReactNode>> = {
  item: Item, target: Target, spot: Spot, ground: Ground,
};

interface LiveProps {
  element: ProgramElement;
  /** In the flow of a panel instead of at its place. */
  flows?: boolean;
}

export function LiveElement({ element, flows = false }: LiveProps): ReactNode {
  const { index, state } = useActing();
  const shown = isVisible(index, state, element.draw.id);
  const { enters, leaves } = effectsOf(element);
  const Answering = ANSWERING[element.control];
  if (Answering) return shown ? <Answering element={element} /> : null;
  // What leaves in a visible way stays in the page, hidden.
  if (!shown && enters === "none" && leaves === "none") return null;
  return <Shown element={element} flows={flows} gone={!shown} enters={enters} leaves={leaves} />;
}

function Shown(
  { element, flows, gone, enters, leaves }: { element: ProgramElement; flows: boolean; gone: boolean; enters: string; leaves: string },
): ReactNode {
  const { index, state, dispatch, picked, pick } = useActing();
  const box = useRef<HTMLDivElement>(null);
  const { id } = element.draw;
  const { offset, handlers } = useDragging(element.draw);
  const [transient, watching] = useTransientLooks(element.draw);
  const answer = element.question ? own(state.answers, element.question) : undefined;
  const chosen = Boolean(answer?.given.some(([part]) => part === element.choice));
  const enabled = isEnabled(index, state, id);
  const looks = [...looksOf(index, state, element, chosen, enabled, offset !== null || picked === id), ...transient];
  const draw = spokenInstead(index, state, element, worn(element.draw, looks));
  useMove(box, element.draw, state);
  if (flows && draw.kind === "text" && !draw.text.blocks.length) return null;
  const style = withLooks(draw, looks);
  const effect = enters !== "none" || leaves !== "none" ? ` zz-comes-${enters} zz-goes-${leaves}` : "";
  const pulse = draw.pulse === "none" || state.paused ? "" : ` zz-pulse-${draw.pulse}`;
  const common = {
    "data-element": id, hidden: gone || undefined,
    style: { ...(flows ? flowing(draw) : placed(draw)), ...displaced(state, id, offset), ...boxVariables(draw, style) },
  };
  const name = `zz-element${effect}${pulse}`;
  const entering = draw.kind === "input" ? { entering: enteringOf(index, state, element, draw, enabled, dispatch) } : {};
  const view = draw.kind === "group" && element.control === "choice" ? <Members group={draw} /> : (
    <ElementView
      element={draw} style={style} media={index.program.media} alt={draw.decoration ? "" : draw.alt}
      values={(of) => valueOf(index, state, of)} live {...entering}
    />
  );
  const click = (): void => dispatch({ event: "clicked", target: id });
  const pointing = {
    onPointerEnter: () => dispatch({ event: "pointed", target: id, away: false }),
    onPointerLeave: () => dispatch({ event: "pointed", target: id, away: true }),
  };
  const heard = element.rules.some(({ on }) => on === "pointed_at" || on === "pointed_away") ? pointing : {};
  const more = { ...watching, ...merge(watching as Handlers, heard) };
  const twice = element.rules.some(({ on }) => on === "double_clicked")
    ? { onDoubleClick: () => dispatch({ event: "double_clicked", target: id }) } : {};

  if (picked !== null && picked !== id && !gone && takes(index, picked, id)) {
    const item = index.elements.get(picked)?.draw;
    return (
      <div
        {...common} ref={box} className={`${name} zz-live zz-takes`} role="button" tabIndex={0}
        aria-label={`Put ${item ? item.alt || item.name : ""} on ${words(element.draw)}`}
        onClick={(event) => { event.stopPropagation(); put(); }}
        onKeyDown={(event) => { if (event.key === "Enter" || event.key === " ") { event.preventDefault(); put(); } if (event.key === "Escape") pick(null); }}
      >
        {view}
      </div>
    );
  }
  function put(): void {
    const [x, y] = own(state.places, picked ?? "") ?? [0, 0];
    dispatch({ event: "dropped", target: picked ?? "", on: id, x, y });
    pick(null);
  }
  if (draw.drag) {
    return (
      <div
        {...common} {...more} {...handlers} {...twice} ref={box} role="button" tabIndex={enabled ? 0 : -1}
        className={`${name} zz-drags${enabled ? " zz-live" : " zz-off"}${offset ? " zz-dragged" : ""}`}
        aria-roledescription="movable" aria-pressed={picked === id} aria-label={words(draw)}
        onClick={click}
      >
        {view}
      </div>
    );
  }
  if (element.control === "wiper") {
    const share = toNumber(own(state.variables, element.variable ?? "") ?? 50);
    const wiped = { ...common, style: { ...common.style, "--wiped": `${100 - share}%` } };
    return (
      <div {...wiped} ref={box} className={`${name} zz-wiper`}>
        {view}
        <input
          type="range" min={0} max={100} value={share} aria-label={words(draw)} disabled={!enabled}
          onChange={(event) => dispatch({ event: "entered", target: id, value: Number(event.target.value) })}
        />
      </div>
    );
  }
  if (element.control === "choice") {
    const result = markOf(index, state, element.question ?? "", element.choice ?? "");
    const letter = letterOf(index, state, element.question ?? "", element.choice ?? "");
    const single = index.questions.get(element.question ?? "")?.at_most === 1;
    return (
      <label
        className={`${name} zz-choice${draw.kind === "group" ? " zz-grouped" : ""}${single ? "" : " zz-several"}${enabled ? " zz-live" : ""}`} {...common} {...more}
        data-chosen={chosen} data-result={result}
      >
        <input
          type={single ? "radio" : "checkbox"} className="zz-hidden" name={element.question ?? undefined}
          checked={chosen} disabled={!enabled} aria-label={marked(letter ? `${letter}: ${words(draw)}` : words(draw), result)}
          onChange={click}
        />
        {view}
        <span className="zz-mark" aria-hidden data-letter={letter || undefined} />
      </label>
    );
  }
  if (element.control === "button" || element.control === "check") {
    const selected = isSelected(index, state, element);
    const check = element.control === "check" ? { role: "checkbox", "aria-checked": selected } : {};
    const reveals = element.reveals ? { "aria-expanded": isOpen(index, state, element.reveals) } : {};
    return (
      <button
        type="button" ref={box as unknown as RefObject<HTMLButtonElement>}
        className={`${name}${enabled ? " zz-live" : " zz-off"}${element.control === "check" ? " zz-ticks" : ""}`}
        {...common} {...more} {...twice} {...check} {...reveals} data-selected={selected || undefined}
        disabled={!enabled} aria-label={draw.kind === "button" && !element.words ? undefined : words(draw)}
        onClick={(event: MouseEvent) => { event.stopPropagation(); click(); }}
      >
        {view}
        {element.control === "check" && <span className="zz-tick" aria-hidden>{selected ? "✓" : ""}</span>}
      </button>
    );
  }
  const hidden = draw.decoration || isMute(draw);
  const heading = draw.kind === "text" && draw.level !== "body"
    ? { role: "heading", "aria-level": draw.level === "title" ? 1 : 2 } : {};
  const told = element.words ? { "aria-live": "polite" as const } : {};
  return (
    <div className={name} {...common} {...more} {...twice} {...heading} {...told} ref={box} aria-hidden={hidden || undefined}>
      {element.control === "field" && <Solution words={solutionOf(index, state, element.question ?? "", element.choice ?? "")} />}
      {element.control === "blanks" ? <BlanksOf question={element.question ?? ""}>{view}</BlanksOf> : view}
    </div>
  );
}

type Handlers = Record<string, unknown>;

/** Both handlers where two want the same event. */
function merge(first: Handlers, second: Handlers): Handlers {
  return Object.fromEntries(Object.entries(second).map(([name, handler]) => {
    const other = first[name] as ((event: unknown) => void) | undefined;
    return [name, other ? (event: unknown) => { other(event); (handler as (event: unknown) => void)(event); } : handler];
  }));
}

function effectsOf({ draw, spans }: ProgramElement): { enters: string; leaves: string } {
  const span = spans[0];
  return span ? { enters: span.enters, leaves: span.leaves } : { enters: draw.enters, leaves: draw.leaves };
}

function takes(index: Index, item: string, target: string): boolean {
  return index.elements.get(item)?.draw.drag?.targets.includes(target) ?? false;
}

function isOpen(index: Index, state: State, name: string): boolean {
  return index.overlays.has(name) ? state.overlays.includes(name) : isVisible(index, state, name);
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
  const [x, y] = own(state.places, id) ?? [0, 0];
  const [dx, dy] = offset ?? [0, 0];
  return x + dx || y + dy ? { translate: `${x + dx}px ${y + dy}px` } : {};
}

function enteringOf(
  index: Index, state: State, element: ProgramElement, field: InputElement, enabled: boolean,
  dispatch: ReturnType<typeof useActing>["dispatch"],
): Entering {
  const { question, choice: part } = element;
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

/** Whether there is nothing to be read out: a figure without words or alternative. */
function isMute(draw: Element): boolean {
  return draw.kind === "shape" && !draw.alt && !draw.text.blocks.length;
}

function flowing({ kind, w, h }: Element): CSSProperties {
  if (kind === "picture") return { position: "relative", width: w, height: h };
  return kind === "button" ? { position: "relative", minWidth: 200, minHeight: 56 } : { position: "relative" };
}
