/** What a screen reader is told of an event: one place for all of it, so that nothing is said twice. */
import type { Effect, Event } from "../../api/events";
import type { Grader } from "../../api/types";
import { own } from "../engine/own";
import type { Index } from "../engine/program";
import { NO_ANSWER, type State } from "../engine/state";
import { timeWarning } from "../engine/timeWarning";
import { isRight, standing } from "../render/answers/places";
import { wordsOf } from "../render/answers/useFrame";
import { changedWords } from "./changedWords";

/** Return what is to be said after `event` led from one state to another; empty for nothing. */
export function saying(index: Index, before: State, state: State, event: Event, effects: readonly Effect[]): string {
  const said = effects.flatMap((effect) => {
    if (effect.effect === "closed") return [effect.message || index.say("still_to_do")];
    return effect.effect === "announce" ? [effect.text] : [];
  });
  if (!said.length) said.push(...lying(index, before, state, event));
  said.push(...opened(index, before, state), ...sent(index, before, state, effects), ...changedWords(index, before, state, event));
  const warning = timeWarning(index, before, state);
  if (warning) said.push(warning);
  return said.join(" ");
}

/** Where something lies after it was put there, or taken away. */
function lying(index: Index, before: State, state: State, event: Event): string[] {
  if (event.event === "dropped") return dropped(index, state, event.target);
  if (event.event !== "answered" || state.answers === before.answers) return [];
  return placed(index, index.questions.get(event.question), state, event.part);
}

function dropped(index: Index, state: State, element: string): string[] {
  const on = own(state.dropped, element);
  if (!index.elements.get(element)?.draw.drag) return [];
  if (on !== undefined) return [index.say("lies_on", { item: wordsFor(index, element), target: wordsFor(index, on) })];
  return own(state.offsets, element) ? [] : [index.say("is_back", { item: wordsFor(index, element) })];
}

/** Whether a place was found, where that shows at once, and what is left. */
function marked({ say }: Index, grader: Grader, state: State, name: string): string[] {
  const { given, locked } = own(state.answers, grader.id) ?? NO_ANSWER;
  const words = locked ? "" : standing(grader, given, say);
  if (!grader.found_at_once) return words ? [`${words}.`] : [];
  return [say(isRight(grader, name) ? "found" : "nothing_there"), ...(words ? [`${words}.`] : [])];
}

function placed(index: Index, grader: Grader | undefined, state: State, name: string): string[] {
  if (grader?.form === "spots") return marked(index, grader, state, name);
  const part = grader?.parts.find(({ id }) => id === name);
  if (!grader || !part || grader.form !== "pairs") return [];
  const on = (own(state.answers, grader.id)?.given ?? []).filter(([one]) => one === name)
    .flatMap(([, target]) => grader.targets.find(({ id }) => id === target)?.words ?? []);
  const how = grader.arrange === "line" ? "lies_with" : "lies_on";
  return [on.length ? index.say(how, { item: part.words, target: on.join(", ") }) : index.say("is_back", { item: part.words })];
}

/** Overlays that have opened without taking the focus. */
function opened(index: Index, before: State, state: State): string[] {
  if (state.overlays === before.overlays) return [];
  return state.overlays.filter((name) => !before.overlays.includes(name)).flatMap((name) => {
    const overlay = index.overlays.get(name);
    return overlay && !overlay.blocks && !overlay.panel ? [index.say("is_open", { title: overlay.title })] : [];
  });
}

/** An answer that nobody judges, where no panel says that it was sent. */
function sent({ say }: Index, before: State, state: State, effects: readonly Effect[]): string[] {
  const taken = effects.some((effect) => effect.effect === "answered" && effect.result === "neutral");
  return taken && state.overlays.length <= before.overlays.length ? [say("answer_sent")] : [];
}

function wordsFor(index: Index, element: string): string {
  const draw = index.elements.get(element)?.draw;
  return draw ? wordsOf(draw) : "";
}
