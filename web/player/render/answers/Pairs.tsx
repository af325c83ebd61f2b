/** Items that are put on targets: by pointer, or picked and then put, by key or single click. */
import { LIMITS } from "../../../api/tables";
import type { CSSProperties, KeyboardEvent, ReactNode } from "react";
import type { Element, Grader, ProgramElement } from "../../../api/types";
import { isEnabled } from "../../engine/expression";
import type { Index } from "../../engine/program";
import type { State } from "../../engine/state";
import { focusElement, useActing } from "../acting";
import { answerOf, marked } from "./marks";
import { tiles } from "./tiles";
import { Solution, useFrame, wordsOf } from "./useFrame";
import { thingAt, usePointerDrag } from "./usePointerDrag";

/** What putting an item on a target, or picking it up first, needs to know and to do. */
function useItem(element: ProgramElement) {
  const { index, state, scale, dispatch, picked, pick, aim } = useActing();
  const { id } = element.draw;
  const question = element.question ?? "";
  const part = element.part ?? "";
  const lifted = picked === id;
  const enabled = isEnabled(index, state, id);
  const asked = index.questions.get(question);
  const endless = asked?.parts.some((other) => other.id === part && other.endless) ?? false;
  const put = (target: string): void => {
    dispatch({ event: "answered", question, part, value: target });
    pick(null);
  };
  const lift = (): void => pick(lifted ? null : id);
  const targets = asked?.targets ?? [];
  const under = (x: number, y: number): string | null => (
    thingAt(x, y, "data-element", targets.map((target) => target.element), LIMITS.reach * scale)
  );
  const { offset, handlers } = usePointerDrag(
    scale, enabled, lift,
    (x, y) => {
      const on = under(x, y);
      const target = targets.find((one) => one.element === on)?.id ?? "";
      aim(null);
      if (target || !endless) put(target);
      else pick(null);
    },
    // Where it may be put is seen while it is on its way.
    () => pick(id),
    (x, y) => aim(under(x, y)),
  );
  const given = answerOf(state, question).given.filter(([name]) => name === part);
  return { index, state, id, question, part, lifted, enabled, endless, put, lift, drop: () => pick(null), offset, handlers, given };
}

/** Something to put on a target: by dragging, or picked up and put down by click or key. */
export function Item({ element }: { element: ProgramElement }): ReactNode {
  const item = useItem(element);
  const { index, state, part, lifted, enabled, offset, given } = item;
  const { draw, grader, mark, solution, view, style } = useFrame(element, lifted || offset !== null);
  if (!grader) return null;
  const line = grader.arrange === "line";
  const on = given.map(([, target]) => wordsFor(grader, target)).join(", ");
  const home = { left: draw.x, top: draw.y };
  const lies = given.length > 0 && !item.endless && !line;
  const at = lies ? placeOn(index, state, grader, part, draw) : home;
  const moved = offset && !line ? { translate: `${offset[0]}px ${offset[1]}px` } : {};
  return (
    <>
      {line && <Lines grader={grader} state={state} index={index} part={part} from={draw} pull={offset} />}
      {item.endless && !line && (
        <Copies item={item} grader={grader} draw={draw} mark={mark} style={style}>{view}</Copies>
      )}
      <PutBack item={item} style={{ ...style, ...home }} />
      <div
        {...item.handlers} role="button" tabIndex={enabled ? 0 : -1} data-element={item.id} data-result={mark} aria-disabled={!enabled}
        className={itemClasses(item)} aria-pressed={lifted} aria-roledescription={index.say("movable")} style={{ ...style, ...at, ...moved }}
        onKeyDown={(event) => onItemKey(event, item)}
        aria-label={marked(index.say, on ? index.say(line ? "item_with" : "item_on", { item: wordsOf(draw), target: on }) : wordsOf(draw), mark, solution)}
      >
        {view}
        <Solution words={solution} />
      </div>
    </>
  );
}

/** The copies of an endless item on their targets; a click takes one off. */
function Copies({ item, grader, draw, mark, style, children }: {
  item: ReturnType<typeof useItem>; grader: Grader; draw: Element; mark: string | undefined; style: CSSProperties; children: ReactNode;
}): ReactNode {
  return item.given.map(([, target]) => (
    <button
      key={target} type="button" className="zz-element zz-item zz-copy" disabled={!item.enabled} data-result={mark}
      aria-label={item.index.say("take_off", { item: wordsOf(draw), target: wordsFor(grader, target) })}
      style={{ ...style, ...placeOn(item.index, item.state, grader, item.part, draw, target) }}
      onClick={(event) => { event.stopPropagation(); item.put(`-${target}`); }}
    >
      {children}
    </button>
  ));
}

/** At the place of an item that is picked up and lies elsewhere: a way back to it. */
function PutBack({ item, style }: { item: ReturnType<typeof useItem>; style: CSSProperties }): ReactNode {
  if (!item.lifted || item.offset !== null || !item.given.length) return null;
  return (
    <button type="button" className="zz-element zz-takes" style={{ ...style, zIndex: 9_000 }} onClick={() => { item.put(""); focusElement(item.id); }}>
      <span className="zz-back">{item.index.say("put_back")}</span>
    </button>
  );
}

function itemClasses({ enabled, offset, lifted }: ReturnType<typeof useItem>): string {
  return `zz-element zz-item${enabled ? " zz-live zz-drags" : ""}${offset ? " zz-dragged" : ""}${lifted ? " zz-picked" : ""}`;
}

function onItemKey(event: KeyboardEvent, item: ReturnType<typeof useItem>): void {
  if (event.key === "Enter" || event.key === " ") item.lift();
  else if (event.key === "Escape" && item.lifted) item.drop();
  else if ((event.key === "Delete" || event.key === "Backspace") && item.given.length) item.put("");
  else return;
  event.preventDefault();
  event.stopPropagation();
}

/** A target: takes what is dropped on it, or what is picked up when it is clicked. */
export function Target({ element }: { element: ProgramElement }): ReactNode {
  const { index, state, dispatch, picked, pick, aimed } = useActing();
  const { draw, grader, part, enabled, view, style } = useFrame(element, false);
  const item = picked === null ? undefined : index.elements.get(picked);
  const question = element.question ?? "";
  const takes = enabled && item !== undefined && belongs(item, grader, question, part);
  const on = answerOf(state, question).given.filter(([, target]) => target === part)
    .map(([name]) => wordsOfPart(grader, name)).join(", ");
  const put = (): void => {
    if (item) dispatch({ event: "answered", question, part: item.part ?? "", value: part });
    pick(null);
    focusElement(item?.draw.id);
  };
  function onKeyDown(event: KeyboardEvent): void {
    if (event.key === "Enter" || event.key === " ") put();
    else if (event.key === "Escape") pick(null);
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
  const operated = takes && item
    ? { role: "button", tabIndex: 0, "aria-label": index.say("put_on", { item: wordsOf(item.draw), target: wordsOf(draw) }), onClick: put, onKeyDown }
    : { role: "group", "aria-label": on ? `${wordsOf(draw)}: ${on}` : wordsOf(draw) };
  // One and the same box either way: were it exchanged while something is dragged, the pointer would be lost.
  return (
    <div {...operated} data-element={draw.id} style={style} className={`zz-element zz-target${takes ? " zz-live zz-takes" : ""}${aimed === draw.id ? " zz-aimed" : ""}`}>
      {view}
    </div>
  );
}

/** Whether `item` may be put on the target `part` of a question. */
function belongs(item: ProgramElement, grader: Grader | undefined, question: string, part: string): boolean {
  if (item.control !== "item" || item.question !== question) return false;
  const only = grader?.targets.find(({ id }) => id === part)?.only ?? [];
  return !only.length || only.includes(item.part ?? "");
}

function wordsOfPart(grader: Grader | undefined, part: string): string {
  return grader?.parts.find(({ id }) => id === part)?.words ?? "";
}

function wordsFor(grader: Grader, target: string): string {
  return grader.targets.find(({ id }) => id === target)?.words ?? "";
}

/** Where an item lies on its target: in the middle, on the others, or beside them; above it always. */
function placeOn(index: Index, state: State, grader: Grader, part: string, draw: Element, wanted?: string): CSSProperties {
  const { given } = answerOf(state, grader.id);
  const target = wanted ?? given.find(([name]) => name === part)?.[1];
  const box = index.elements.get(grader.targets.find(({ id }) => id === target)?.element ?? "")?.draw;
  if (!box) return { left: draw.x, top: draw.y };
  const there = given.filter(([, on]) => on === target).map(([name]) => name);
  const position = there.indexOf(part);
  const zIndex = Math.max(draw.z, box.z + 1 + position);
  if (grader.arrange === "tile") {
    const items = there.map((name) => (name === part ? draw : itemOf(index, grader, name) ?? draw));
    const { scale = 1, ...tile } = tiles(box, items)[position] ?? {};
    return { ...tile, zIndex, ...(scale < 1 ? { scale: String(scale) } : {}) };
  }
  const by = grader.arrange === "stack" ? position * 10 : 0;
  return { left: box.x + (box.w - draw.w) / 2 + by, top: box.y + (box.h - draw.h) / 2 + by, zIndex };
}

function itemOf(index: Index, grader: Grader, part: string): Element | undefined {
  for (const id of index.onSlide.get(grader.slide) ?? []) {
    const element = index.elements.get(id);
    if (element?.control === "item" && element.question === grader.id && element.part === part) return element.draw;
  }
  return undefined;
}

/** The lines from an item to what it is matched with, and the one that is being pulled. */
function Lines(
  { grader, state, index, part, from, pull }: {
    grader: Grader; state: State; index: Index; part: string; from: Element; pull: readonly [number, number] | null;
  },
): ReactNode {
  const ends = answerOf(state, grader.id).given.filter(([name]) => name === part).flatMap(([, target]) => {
    const box = index.elements.get(grader.targets.find(({ id }) => id === target)?.element ?? "")?.draw;
    return box ? [edges(from, box)] : [];
  });
  const middle = [from.x + from.w / 2, from.y + from.h / 2] as const;
  return (
    <svg className="zz-lines" aria-hidden style={{ zIndex: from.z }}>
      {ends.map(([x, y, tx, ty], position) => <line key={position} x1={x} y1={y} x2={tx} y2={ty} />)}
      {pull && <line x1={middle[0]} y1={middle[1]} x2={middle[0] + pull[0]} y2={middle[1] + pull[1]} strokeDasharray="8 6" />}
    </svg>
  );
}

/** From the edge of one box to that of the other, at their sides or at top and bottom. */
function edges(a: Element, b: Element): [number, number, number, number] {
  const [ax, ay, bx, by] = [a.x + a.w / 2, a.y + a.h / 2, b.x + b.w / 2, b.y + b.h / 2];
  if (a.x + a.w <= b.x) return [a.x + a.w, ay, b.x, by];
  if (b.x + b.w <= a.x) return [a.x, ay, b.x + b.w, by];
  return ay < by ? [ax, a.y + a.h, bx, b.y] : [ax, a.y, bx, b.y + b.h];
}
