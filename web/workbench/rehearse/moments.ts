/** The line of events: every moment of a rehearsal, to step back to. */
import type { Grader } from "../../api/types";
import { isVisible } from "../../player/engine/engine";
import type { Index } from "../../player/engine/program";
import type { Effect, Event, Ran, State } from "../../player/engine/state";
import { fromFrames } from "../../player/rehearsal";
import type { RehearsalMessage } from "../../player/tracking/rehearsalTracker";

export interface Moment {
  event: Event;
  state: State;
  effects: readonly Effect[];
  log: readonly Ran[];
  message: RehearsalMessage;
}

export function momentOf(message: RehearsalMessage): Moment | null {
  if (!message.event) return null;
  return { event: message.event, state: fromFrames(message.state), effects: message.effects, log: message.log, message };
}

/** What happened, in a few words. */
export function eventWords(event: Event, name: (id: string) => string, index: Index): string {
  switch (event.event) {
    case "start": return "start";
    case "clicked": return `“${name(event.target)}” clicked`;
    case "double_clicked": return `“${name(event.target)}” double-clicked`;
    case "pointed": return `“${name(event.target)}” ${event.away ? "no longer " : ""}pointed at`;
    case "key": return `key ${event.key}`;
    case "entered": return `“${name(event.target)}” set to ${String(event.value)}`;
    case "set": return `“${name(event.target)}” set here to ${String(event.value)}`;
    case "answered": return answerWords(index.questions.get(event.question), event.part, String(event.value));
    case "dropped": return `“${name(event.target)}” dropped${event.on ? ` on “${name(event.on)}”` : ""}`;
    case "media": return `“${name(event.target)}” ${event.what}`;
    case "played": return `“${name(event.target)}” plays`;
    case "next": return "Next";
    case "previous": return "Back";
    case "slide": return `to “${name(event.target)}”`;
    case "close": return `“${name(event.target)}” closed`;
    case "pause": return event.on ? "go on" : "pause";
    case "resume": return "resume";
    case "leave": return "leave";
    case "more_time": return event.factor ? `time limits ${event.factor} times as long` : "no time limits";
    case "tick": return "time passes";
  }
}

/** What was put where, in the words of the question. */
function answerWords(grader: Grader | undefined, part: string, value: string): string {
  if (!grader) return "an answer";
  const words = grader.parts.find(({ id }) => id === part)?.words ?? grader.name;
  const target = (id: string): string => grader.targets.find((one) => one.id === id)?.words ?? "nothing";
  const away = value.startsWith("-");
  switch (grader.form) {
    case "order": return `“${words}” put in place ${Number(value) + 1}`;
    case "pairs": return value === "" ? `“${words}” taken back` : away ? `“${words}” off “${target(value.slice(1))}”` : `“${words}” on “${target(value)}”`;
    case "spots": return away ? "a mark taken away" : part === grader.id ? "clicked beside all places" : `“${words}” marked`;
    default: return value === "" ? `“${words}” emptied` : `“${words}”: ${value}`;
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
    events.push({ ...event });
    const after = events.length - 1;
    const expect = (what: Expected["what"], of: string, value: Expected["value"] = null): void => {
      expected.push({ after, what, of, value });
    };
    if (state.slide && state.slide !== before?.slide) expect("slide", state.slide);
    for (const overlay of state.overlays) if (!before?.overlays.includes(overlay)) expect("open", overlay);
    if (state.slide && state.slide === before?.slide) {
      for (const element of index.onSlide.get(state.slide) ?? []) {
        const [was, is] = [isVisible(index, before, element), isVisible(index, state, element)];
        if (was !== is) expect(is ? "shown" : "hidden", element);
      }
    }
    for (const [name, value] of Object.entries(state.variables)) {
      if (before && before.variables[name] !== value) expect("variable", name, value);
    }
    before = state;
  }
  return { events, expected };
}
