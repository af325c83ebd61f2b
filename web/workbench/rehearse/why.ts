/** Why something is as it is: the rule, gate, cue or pattern behind it, and what it waits for. */
import type { ProgramRule } from "../../api/types";
import { evaluate, gateIsOpen, isVisible } from "../../player/engine/expression";
import type { Index } from "../../player/engine/program";
import type { State } from "../../player/engine/state";
import { toYesNo } from "../../player/engine/values";
import { whenWords } from "../does/sentences";
import { eventWords, type Moment } from "./moments";

/** A sentence of the answer; `element` leads to where it can be changed. */
export interface Reason { words: string; element?: string; slide?: string }

type Name = (id: string) => string;

/** Explain one thing at the last of `moments`: an element or overlay, or *next*. */
export function why(index: Index, moments: readonly Moment[], thing: string, name: Name): Reason[] {
  const state = moments.at(-1)?.state;
  if (!state) return [];
  if (thing === "next") return whyNext(index, state, name);
  const reasons: Reason[] = [];
  const overlay = index.overlayOf.get(thing) ?? (index.overlays.has(thing) ? thing : undefined);
  if (overlay && !state.overlays.includes(overlay)) {
    reasons.push({ words: `The overlay “${name(overlay)}” is closed.` }, ...waysTo(index, "open", overlay, name));
  }
  if (!index.elements.has(thing)) return reasons.length ? reasons : [{ words: "This is the slide itself: it is always there." }];
  reasons.push(...whyShown(index, moments, state, thing, name));
  const element = index.elements.get(thing);
  if (element && isVisible(index, state, thing) && element.control !== "none" && !toYesNo(evaluate(index, state, element.enabled))) {
    reasons.push({ words: `It is switched off: ${inWords(index, state, element.enabled, name)}.`, element: thing });
  }
  const look = state.looks[thing];
  if (look) {
    const given = element?.draw.looks[look]?.name ?? look;
    const rule = lastRule(index, moments, (action) => action.do === "look" && action.element === thing);
    reasons.push({ words: `It has the look “${given}”${rule ? `, given by: ${rule.words}` : ""}.`, element: rule?.owner ?? thing });
  }
  return reasons;
}

function whyShown(index: Index, moments: readonly Moment[], state: State, thing: string, name: Name): Reason[] {
  const shown = isVisible(index, state, thing);
  const element = index.elements.get(thing);
  if (!element) return [];
  const group = index.groupOf(thing);
  if (!shown && group && !isVisible(index, state, group)) {
    return [{ words: `Its group “${name(group)}” is hidden.`, element: group }, ...whyShown(index, moments, state, group, name)];
  }
  if (state.hidden[thing] !== undefined) {
    const rule = lastRule(index, moments, (action) => (
      (action.do === "show" || action.do === "hide" || action.do === "toggle") && action.element === thing
    ));
    const how = shown ? "shown" : "hidden";
    return [
      { words: rule ? `It is ${how} since ${rule.after}: ${rule.words}.` : `It is ${how} by a rule.`, element: rule?.owner ?? thing },
      ...(shown ? [] : waysTo(index, "show", thing, name)),
    ];
  }
  const span = element.spans[0];
  if (span) {
    const now = state.clocks[index.clockOf(thing)]?.at ?? 0;
    const until = span.until ? ` until ${seconds(span.until)}` : "";
    const there = now >= span.at && (!span.until || now < span.until);
    if (there === shown) return [{ words: `Its cue shows it from ${seconds(span.at)}${until}; the timing is at ${seconds(now)}.`, element: thing }];
  }
  if (!shown) {
    const condition = element.visible === false ? "it is hidden at first" : inWords(index, state, element.visible, name);
    return [{ words: `It is not shown: ${condition}.`, element: thing }, ...waysTo(index, "show", thing, name)];
  }
  return [{ words: "It is shown from the start, and nothing has hidden it.", element: thing }];
}

function whyNext(index: Index, state: State, name: Name): Reason[] {
  const slide = state.slide ?? "";
  const gate = index.slides.get(slide)?.gate;
  if (!index.onward.get(slide) && !index.slides.get(slide)?.forks.length) {
    return [{ words: "Next leads nowhere from this slide.", slide }];
  }
  if (!gate) return [{ words: "Nothing holds the learner back here: the slide has no gate.", slide }];
  if (gateIsOpen(index, state, slide)) {
    return [{ words: state.opened.has(slide) ? "The gate was opened, and it stays open." : "All that the gate asks for is done.", slide }];
  }
  return [
    { words: "The gate of this slide is closed. It waits for this:", slide },
    ...open(index, state, gate.condition).map((node) => ({ words: `${inWords(index, state, node, name)}.` })),
  ];
}

/** The parts of a condition that do not hold yet. */
function open(index: Index, state: State, node: unknown): unknown[] {
  if (Array.isArray(node) && node[0] === "and") return node.slice(1).flatMap((part) => open(index, state, part));
  return toYesNo(evaluate(index, state, node)) ? [] : [node];
}

/** A condition in plain words, with how far it has come. */
function inWords(index: Index, state: State, node: unknown, name: Name): string {
  if (!Array.isArray(node)) return node === true ? "always" : node === false ? "never" : String(node);
  const [operator, a, b] = node as [string, unknown, unknown];
  const part = (other: unknown): string => inWords(index, state, other, name);
  switch (operator) {
    case "and": return node.slice(1).map(part).join(", and ");
    case "or": return node.slice(1).map(part).join(", or ");
    case "not": return `not: ${part(a)}`;
    case "variable": return `“${name(String(a))}” (now ${String(state.variables[String(a)])})`;
    case "clicked": return `“${name(String(a))}” ${state.clicked.has(String(a)) ? "was clicked" : "has not been clicked yet"}`;
    case "all_seen": {
      const left = (index.sets.get(String(a))?.of ?? []).filter((id) => !state.clicked.has(id));
      return left.length ? `still to click: ${left.map((id) => `“${name(id)}”`).join(", ")}` : `“${name(String(a))}” was seen in full`;
    }
    case "shown": return `“${name(String(a))}” is shown`;
    case "locked": return `“${name(String(a))}” is to be answered`;
    case "right": return `“${name(String(a))}” is to be answered right`;
    case "chosen": return `an answer of “${name(String(a))}” is to be chosen`;
    case "watched": return `what was played of “${name(String(a))}” (now ${Math.round(Number(evaluate(index, state, node)) * 100)} %)`;
    case "seconds_on": return `the seconds on this slide (now ${String(evaluate(index, state, node))})`;
    case "=": return `${part(a)} is ${part(b)}`;
    case "!=": return `${part(a)} is not ${part(b)}`;
    case ">=": return `${part(a)} is at least ${part(b)}`;
    case ">": return `${part(a)} is more than ${part(b)}`;
    case "<=": return `${part(a)} is at most ${part(b)}`;
    case "<": return `${part(a)} is less than ${part(b)}`;
  }
  return operator;
}

/** What would show or open a thing: the rules that do so. */
function waysTo(index: Index, how: "show" | "open", thing: string, name: Name): Reason[] {
  return [...index.rules.values()].filter(({ rule }) => rule.then.some((action) => (
    (how === "show" && (action.do === "show" || action.do === "toggle") && action.element === thing)
    || (how === "open" && ((action.do === "open" && action.overlay === thing) || (action.do === "toggle" && action.element === thing)))
  ))).slice(0, 4).map(({ rule }) => ({
    words: `It ${how === "show" ? "shows" : "opens"} ${whenWords(rule, name)}.`, element: rule.target ?? thing,
  }));
}

/** The last rule that did something, and after what. */
function lastRule(
  index: Index, moments: readonly Moment[], does: (action: ProgramRule["then"][number]) => boolean,
): { words: string; owner: string | null; after: string } | null {
  const name: Name = (id) => index.elements.get(id)?.draw.name ?? index.overlays.get(id)?.title ?? index.slides.get(id)?.title ?? "it";
  for (const { event, log } of [...moments].reverse()) {
    for (const { rule: id, held } of [...log].reverse()) {
      const rule = index.rules.get(id)?.rule;
      if (rule?.[held ? "then" : "otherwise"].some(does)) {
        return { words: `the sentence ${whenWords(rule, name)}`, owner: rule.target ?? null, after: eventWords(event, name, index) };
      }
    }
  }
  return null;
}

const seconds = (ms: number): string => `${(ms / 1000).toFixed(1)} s`;
