/** The line of events: every moment of a rehearsal, to step back to. */
import { LIMITS } from "../../api/tables";
import type { Grader } from "../../api/types";
import { isVisible } from "../../player/engine/engine";
import type { Index } from "../../player/engine/program";
import type { Effect, Event, Ran } from "../../api/events";
import type { State } from "../../player/engine/state";
import { fromFrames } from "../../player/rehearsal";
import type { RehearsalMessage } from "../../player/tracking/rehearsalTracker";
import { t } from "../../words/rehearse";

export interface Moment {
  event: Event;
  state: State;
  effects: readonly Effect[];
  log: readonly Ran[];
  message: RehearsalMessage;
}

/** A message of the preview as a moment of the line; null where nothing happened. */
export function momentOf(message: RehearsalMessage): Moment | null {
  if (!message.event) return null;
  return { event: message.event, state: fromFrames(message.state), effects: message.effects, log: message.log, message };
}

/** The moments with one more; what is typed into one field letter by letter stays one moment. */
export function withMoment(moments: readonly Moment[], next: Moment): readonly Moment[] {
  const last = moments.at(-1);
  const typed = last && field(last.event) !== null && field(last.event) === field(next.event);
  return [...(typed && !last.log.length && !next.log.length ? moments.slice(0, -1) : moments), next];
}

/** What an event types into, as one text; null where it types nothing. */
function field(event: Event): string | null {
  if (event.event === "answered") return JSON.stringify([event.question, event.part]);
  return event.event === "entered" ? JSON.stringify([event.target]) : null;
}

/** Whether the moments reach back to the start of the course: then they can be kept as a walkthrough. */
export function isWhole(moments: readonly Moment[]): boolean {
  return moments[0]?.event.event === "start";
}

type Name = (id: string) => string;
type Words = { readonly [E in Event as E["event"]]: (event: E, name: Name, index: Index) => string };

const WORDS: Words = {
  start: () => "start",
  clicked: ({ target }, name) => t("nameClicked", { name: name(target) }),
  double_clicked: ({ target }, name) => t("nameDoubleClicked", { name: name(target) }),
  pointed: ({ target, away }, name) => away ? t("nameNoLongerPointedAt", { name: name(target) }) : t("namePointedAt", { name: name(target) }),
  key: ({ key }) => t("keyKey", { key }),
  entered: ({ target, value }, name) => t("nameSetToValue", { name: name(target), value: String(value) }),
  set: ({ target, value }, name) => t("nameSetHereToValue", { name: name(target), value: String(value) }),
  answered: ({ question, part, value }, _, index) => answerWords(index.questions.get(question), part, String(value)),
  dropped: ({ target, on }, name) => on ? t("nameDroppedOnOn", { name: name(target), on: name(on) }) : t("nameDropped", { name: name(target) }),
  media: ({ target, what }, name) => `“${name(target)}” ${what}`,
  played: ({ target }, name) => t("namePlays", { name: name(target) }),
  next: () => t("next"),
  previous: () => t("back"),
  slide: ({ target }, name) => t("toName", { name: name(target) }),
  close: ({ target }, name) => t("nameClosed", { name: name(target) }),
  pause: ({ on }) => (on ? t("goOn") : "pause"),
  resume: () => "resume",
  leave: () => "leave",
  sent: () => t("theReportArrived"),
  flagged: ({ target, on }, name) => t(on ? "nameGetsAFlag" : "nameLosesItsFlag", { name: name(target) }),
  postpone: () => t("later"),
  finish: () => t("finishTheQuiz"),
  more_time: ({ factor }) => (factor ? t("timeLimitsFactorTimesAs", { factor }) : t("noTimeLimits")),
  speed: ({ percent }) => t("percentTimesAsFast", { percent: percent / 100 }),
  tick: () => t("timePasses"),
};

/** What happened, in a few words. */
export function eventWords(event: Event, name: Name, index: Index): string {
  return (WORDS[event.event] as (event: Event, name: Name, index: Index) => string)(event, name, index);
}

/** What was put where, in the words of the question. */
function answerWords(grader: Grader | undefined, part: string, value: string): string {
  if (!grader) return t("anAnswer");
  const words = grader.parts.find(({ id }) => id === part)?.words ?? grader.name;
  const target = (id: string): string => grader.targets.find((one) => one.id === id)?.words ?? "nothing";
  const away = value.startsWith("-");
  switch (grader.form) {
    case "order": return t("wordsPutInPlacePlace", { words, place: Number(value) + 1 });
    case "pairs": return value === "" ? t("wordsTakenBack", { words }) : away ? t("wordsOffTarget", { words, target: target(value.slice(1)) }) : t("wordsOnTarget", { words, target: target(value) });
    case "spots": return away ? t("aMarkTakenAway") : part === grader.id ? t("clickedOutsideAllHotspots") : t("wordsMarked", { words });
    default: return value === "" ? t("wordsEmptied", { words }) : `“${words}”: ${value}`;
  }
}

type Expected = { after: number; what: "slide" | "shown" | "hidden" | "open" | "variable"; of: string; value: null | string | number | boolean };

/** What changed from moment to moment, as a walkthrough keeps it; time is added up between them. */
export function recorded(index: Index, moments: readonly Moment[]): { events: Record<string, unknown>[]; expected: Expected[] } {
  const events: Record<string, unknown>[] = [];
  const expected: Expected[] = [];
  let before: State | null = null;
  for (const { event, state } of moments) {
    const passed = state.time - (before?.time ?? 0) - (event.event === "tick" ? event.ms : 0);
    if (passed > 0) events.push({ event: "tick", ms: passed });
    events.push(kept(event));
    const after = events.length - 1;
    expected.push(...changes(index, before, state).map(([what, of, value = null]): Expected => ({ after, what, of, value })));
    before = state;
  }
  return { events, expected };
}

/** The event as a walkthrough can keep it: engines use no more of a long answer than this. */
function kept(event: Event): Record<string, unknown> {
  return Object.fromEntries(Object.entries(event).map(([name, value]: [string, unknown]) => (
    [name, typeof value === "string" ? Array.from(value).slice(0, LIMITS.longest_in_event).join("") : value]
  )));
}

type Changed = [what: Expected["what"], of: string, value?: Expected["value"]];

/** What is otherwise than before: the slide, overlays, what is shown, variables. */
function changes(index: Index, before: State | null, state: State): Changed[] {
  const slide: Changed[] = state.slide && state.slide !== before?.slide ? [["slide", state.slide]] : [];
  const opened = state.overlays.filter((overlay) => !before?.overlays.includes(overlay)).map((overlay): Changed => ["open", overlay]);
  if (!before) return [...slide, ...opened];
  const variables = Object.entries(state.variables).filter(([name, value]) => before.variables[name] !== value)
    .map(([name, value]): Changed => ["variable", name, value]);
  return [...slide, ...opened, ...shownOrHidden(index, before, state), ...variables];
}

/** What of the slide is shown and was not, or the other way round; nothing where the slide is new. */
function shownOrHidden(index: Index, before: State, state: State): Changed[] {
  if (!state.slide || state.slide !== before.slide) return [];
  return (index.onSlide.get(state.slide) ?? []).flatMap((element): Changed[] => {
    const is = isVisible(index, state, element);
    return is === isVisible(index, before, element) ? [] : [[is ? "shown" : "hidden", element]];
  });
}
