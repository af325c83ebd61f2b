/** Why something is as it is: the rule, gate, cue or pattern behind it, and what it waits for. */
import type { ProgramElement, ProgramRule } from "../../api/types";
import { evaluate, gateIsOpen, isVisible } from "../../player/engine/expression";
import type { Index } from "../../player/engine/program";
import type { State } from "../../player/engine/state";
import { toYesNo } from "../../player/engine/values";
import { whenWords } from "../does/sentences";
import { eventWords, type Moment } from "./moments";
import { t } from "../../words/rehearse";

/** A sentence of the answer; `element` leads to where it can be changed. */
export interface Reason { words: string; element?: string; slide?: string }

type Name = (id: string) => string;

/** Explain one thing at the last of `moments`: an element or overlay, or *next*. */
export function why(index: Index, moments: readonly Moment[], thing: string, name: Name): Reason[] {
  const state = moments.at(-1)?.state;
  if (!state) return [];
  if (thing === "next") return whyNext(index, state, name);
  const closed = whyClosed(index, state, thing, name);
  if (!index.elements.has(thing)) return closed.length ? closed : [{ words: t("thisIsTheSlideItself") }];
  return [
    ...closed, ...whyShown(index, moments, state, thing, name), ...whyOff(index, state, thing, name),
    ...whyLook(index, moments, state, thing),
  ];
}

/** That the overlay on which a thing is, or which it is, is closed. */
function whyClosed(index: Index, state: State, thing: string, name: Name): Reason[] {
  const overlay = index.overlayOf.get(thing) ?? (index.overlays.has(thing) ? thing : undefined);
  if (!overlay || state.overlays.includes(overlay)) return [];
  return [{ words: t("theOverlayNameIsClosed", { name: name(overlay) }) }, ...waysTo(index, "open", overlay, name)];
}

function whyOff(index: Index, state: State, thing: string, name: Name): Reason[] {
  const element = index.elements.get(thing);
  if (!element || element.control === "none" || !isVisible(index, state, thing)) return [];
  if (toYesNo(evaluate(index, state, element.enabled))) return [];
  return [{ words: t("itIsDisabledInwords", { inWords: inWords(index, state, element.enabled, name) }), element: thing }];
}

function whyLook(index: Index, moments: readonly Moment[], state: State, thing: string): Reason[] {
  const look = state.looks[thing];
  if (!look) return [];
  const given = index.elements.get(thing)?.draw.looks[look]?.name ?? look;
  const rule = lastRule(index, moments, (action) => action.do === "look" && action.element === thing);
  return [{ words: rule ? t("itHasTheLookGiven", { given, words: rule.words }) : t("itHasTheLookGiven2", { given }), element: rule?.owner ?? thing }];
}

function whyShown(index: Index, moments: readonly Moment[], state: State, thing: string, name: Name): Reason[] {
  const shown = isVisible(index, state, thing);
  const element = index.elements.get(thing);
  if (!element) return [];
  const group = index.groupOf(thing);
  if (!shown && group && !isVisible(index, state, group)) {
    return [{ words: t("itsGroupNameIsHidden", { name: name(group) }), element: group }, ...whyShown(index, moments, state, group, name)];
  }
  if (state.hidden[thing] !== undefined) return whyByRule(index, moments, thing, shown, name);
  const cue = whyByCue(index, state, element, shown);
  if (cue) return [cue];
  if (shown) return [{ words: t("itIsShownFromThe"), element: thing }];
  const condition = element.visible === false ? t("itIsHiddenAtFirst") : inWords(index, state, element.visible, name);
  return [{ words: t("itIsNotShownCondition", { condition }), element: thing }, ...waysTo(index, "show", thing, name)];
}

function whyByRule(index: Index, moments: readonly Moment[], thing: string, shown: boolean, name: Name): Reason[] {
  const rule = lastRule(index, moments, (action) => (
    (action.do === "show" || action.do === "hide" || action.do === "toggle") && action.element === thing
  ));
  const how = shown ? "shown" : "hidden";
  return [
    { words: rule ? t("itIsHowSinceAfter", { how, after: rule.after, words: rule.words }) : t("itIsHowByA", { how }), element: rule?.owner ?? thing },
    ...(shown ? [] : waysTo(index, "show", thing, name)),
  ];
}

/** What the first cue of an element says, where that is why it is shown or not. */
function whyByCue(index: Index, state: State, element: ProgramElement, shown: boolean): Reason | null {
  const span = element.spans[0];
  if (!span) return null;
  const now = state.clocks[index.clockOf(element.draw.id)]?.at ?? 0;
  const there = now >= span.at && (!span.until || now < span.until);
  if (there !== shown) return null;
  const until = span.until ? t("untilSeconds", { seconds: seconds(span.until) }) : "";
  return { words: t("itsCueShowsItFrom", { from: seconds(span.at), until, now: seconds(now) }), element: element.draw.id };
}

function whyNext(index: Index, state: State, name: Name): Reason[] {
  const slide = state.slide ?? "";
  const gate = index.slides.get(slide)?.gate;
  if (!index.ordered(state.draws).onward.get(slide) && !index.slides.get(slide)?.forks.length) {
    return [{ words: t("nextLeadsNowhereFromThis"), slide }];
  }
  if (!gate) return [{ words: t("nothingHoldsTheLearnerBack"), slide }];
  if (gateIsOpen(index, state, slide)) {
    return [{ words: state.opened.has(slide) ? t("theGateWasOpenedAnd") : t("allThatTheGateAsks"), slide }];
  }
  return [
    { words: t("theGateOfThisSlide"), slide },
    ...open(index, state, gate.condition).map((node) => ({ words: `${inWords(index, state, node, name)}.` })),
  ];
}

/** The parts of a condition that do not hold yet. */
function open(index: Index, state: State, node: unknown): unknown[] {
  if (Array.isArray(node) && node[0] === "and") return node.slice(1).flatMap((part) => open(index, state, part));
  return toYesNo(evaluate(index, state, node)) ? [] : [node];
}

const JOINED: Readonly<Record<string, string>> = { and: ", and ", or: ", or " };
const COMPARED: Readonly<Record<string, string>> = {
  "=": "is", "!=": t("isNot"), ">=": t("isAtLeast"), ">": t("isMoreThan"), "<=": t("isAtMost"), "<": t("isLessThan"),
};

/** What a condition asks of one thing (in quotes), with how far it has come; `node` is all of it. */
const ASKED: Readonly<Record<string, (index: Index, state: State, id: string, name: Name, node: unknown) => string>> = {
  variable: (_, state, id, name) => `“${name(id)}” (now ${String(state.variables[id])})`,
  clicked: (_, state, id, name) => `“${name(id)}” ${state.clicked.has(id) ? t("wasClicked") : t("hasNotBeenClickedYet")}`,
  all_seen: (index, state, id, name) => {
    const left = (index.sets.get(id)?.of ?? []).filter((one) => !state.clicked.has(one));
    return left.length ? t("stillToClickNames", { names: left.map((one) => `“${name(one)}”`).join(", ") }) : t("nameWasSeenInFull", { name: name(id) });
  },
  shown: (_, __, id, name) => t("nameIsShown", { name: name(id) }),
  locked: (_, __, id, name) => t("nameMustBeAnswered", { name: name(id) }),
  right: (_, __, id, name) => t("nameMustBeAnsweredCorrectly", { name: name(id) }),
  unjudged: (_, __, id, name) => t("nameIsToHaveAn", { name: name(id) }),
  chosen: (_, __, id, name) => t("anAnswerOfNameMust", { name: name(id) }),
  watched: (index, state, id, name, node) =>
    `what was played of “${name(id)}” (now ${Math.round(Number(evaluate(index, state, node)) * 100)} %)`,
  seconds_on: (index, state, _, __, node) => `the seconds on this slide (now ${String(evaluate(index, state, node))})`,
};

/** A condition in plain words, with how far it has come. */
function inWords(index: Index, state: State, node: unknown, name: Name): string {
  if (!Array.isArray(node)) return node === true ? "always" : node === false ? "never" : String(node);
  const [operator, a, b] = node as [string, unknown, unknown];
  const part = (other: unknown): string => inWords(index, state, other, name);
  const joined = JOINED[operator];
  if (joined) return node.slice(1).map(part).join(joined);
  if (operator === "not") return t("notPart", { part: part(a) });
  const compared = COMPARED[operator];
  if (compared) return `${part(a)} ${compared} ${part(b)}`;
  return ASKED[operator]?.(index, state, String(a), name, node) ?? operator;
}

/** What would show or open a thing: the rules that do so. */
function waysTo(index: Index, how: "show" | "open", thing: string, name: Name): Reason[] {
  return [...index.rules.values()].filter(({ rule }) => rule.then.some((action) => (
    (how === "show" && (action.do === "show" || action.do === "toggle") && action.element === thing)
    || (how === "open" && ((action.do === "open" && action.overlay === thing) || (action.do === "toggle" && action.element === thing)))
  ))).slice(0, 4).map(({ rule }) => ({
    words: how === "show" ? t("itShowsWhen", { when: whenWords(rule, name) }) : t("itOpensWhen", { when: whenWords(rule, name) }), element: rule.target ?? thing,
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
        return { words: t("theRuleWhenwords", { whenWords: whenWords(rule, name) }), owner: rule.target ?? null, after: eventWords(event, name, index) };
      }
    }
  }
  return null;
}

const seconds = (ms: number): string => `${(ms / 1000).toFixed(1)} s`;
