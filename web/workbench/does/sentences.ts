/** The words of rules: what may happen, what may be done, and what each needs. */
import { DEFAULTS } from "../../api/defaults";
import type { ProgramRule, Rule, RuleAction, When } from "../../api/types";
import { freshId } from "../store/ids";

export type Owner =
  | { kind: "element"; id: string; name: string; element: string }
  | { kind: "overlay" | "slide" | "course"; id: string; name: string };

type EventName = When["event"];

/** What may happen: its words after the thing's name, and what kind of thing it happens to. */
export const EVENTS: Record<EventName, { words: string; to: "element" | "overlay" | "slide" | "question" | "set" | "variable" | "time" | "key" }> = {
  clicked: { words: "is clicked", to: "element" },
  double_clicked: { words: "is double-clicked", to: "element" },
  pointed_at: { words: "is pointed at", to: "element" },
  pointed_away: { words: "is no longer pointed at", to: "element" },
  entered: { words: "gets a new value", to: "element" },
  dropped: { words: "is dropped on", to: "element" },
  dropped_elsewhere: { words: "is dropped elsewhere", to: "element" },
  media_started: { words: "starts to play", to: "element" },
  media_paused: { words: "is paused", to: "element" },
  media_reached: { words: "has played", to: "element" },
  media_ended: { words: "has ended", to: "element" },
  overlay_opened: { words: "opens", to: "overlay" },
  overlay_closed: { words: "closes", to: "overlay" },
  slide_entered: { words: "is entered", to: "slide" },
  slide_left: { words: "is left", to: "slide" },
  timing_ended: { words: "timing has ended", to: "time" },
  cue_reached: { words: "reaches the cue", to: "time" },
  timer: { words: "time has passed", to: "time" },
  key_pressed: { words: "key is pressed", to: "key" },
  all_seen: { words: "was seen in full", to: "set" },
  variable_changed: { words: "changes", to: "variable" },
  answered_right: { words: "is answered right", to: "question" },
  answered_partly: { words: "is answered partly right", to: "question" },
  answered_wrong: { words: "is answered wrong", to: "question" },
  answered_last: { words: "has no tries left", to: "question" },
  time_up: { words: "has no time left", to: "question" },
  answered: { words: "is answered", to: "question" },
  answered_nothing: { words: "is submitted without an answer", to: "question" },
  judged: { words: "is judged", to: "question" },
};

export function newWhen(event: EventName, of: string[]): When {
  switch (event) {
    case "key_pressed": return { event, key: "Enter" };
    case "dropped": return { event, of, on: null };
    case "cue_reached": return { event, cue: of[0] ?? "none" };
    case "media_reached": return { event, of, at: 5 };
    case "timer": return { event, after: 5, again: false };
    default: return { event, of };
  }
}

type ActionName = RuleAction["action"];

/** What may be done, in the groups in which it is offered. */
export const ACTIONS: readonly [group: string, actions: readonly [ActionName, string][]][] = [
  ["Showing", [["show", "show"], ["hide", "hide"], ["toggle", "show or hide"], ["look", "give a look to"]]],
  ["Going", [["go", "go to"], ["start_over", "start over"], ["link", "open the web page"]]],
  ["Counting", [
    ["set", "set"], ["add", "add to"], ["multiply", "multiply"], ["switch", "switch"], ["pick", "pick at random"],
    ["take", "take over"],
  ]],
  ["Playing", [
    ["play", "play"], ["pause", "pause"], ["seek", "jump in"], ["sound", "play the sound"], ["move", "move"],
    ["start_timing", "start the timing of"], ["stop_timing", "stop the timing of"],
    ["restart_timing", "restart the timing of"],
  ]],
  ["Asking", [["submit", "submit"], ["reset", "reset"]]],
  ["Telling", [["announce", "say to a screen reader"], ["mark", "mark the course as"]]],
  ["Timing", [["wait", "wait"]]],
];

/** What an action needs to name, offered as it is made; null where the course has none of it. */
export interface Offers {
  things: readonly string[];
  variables: readonly string[];
  inputs: readonly string[];
  media: readonly string[];
  moving: readonly [element: string, move: string][];
  questions: readonly string[];
  sounds: readonly string[];
}

export function newAction(action: ActionName, offers: Offers): RuleAction | null {
  const first = <T>(list: readonly T[], make: (one: T) => RuleAction): RuleAction | null => (
    list.length ? make(list[0] as T) : null
  );
  switch (action) {
    case "go": return { action, go: { to: "next" } };
    case "show":
    case "hide":
    case "toggle": return first(offers.things, (what) => ({ action, what }));
    case "look": return first(offers.things, (what) => ({ action, what, look: "selected" }));
    case "set": return first(offers.variables, (variable) => ({ action, variable, value: 0 }));
    case "add": return first(offers.variables, (variable) => ({ action, variable, value: 1 }));
    case "multiply": return first(offers.variables, (variable) => ({ action, variable, value: 2 }));
    case "switch": return first(offers.variables, (variable) => ({ action, variable }));
    case "pick": return first(offers.variables, (variable) => ({ action, variable, low: 1, high: 6, texts: [] }));
    case "take": return first(offers.variables, (variable) => first(offers.inputs, (input) => ({ action, variable, input })) as RuleAction);
    case "play":
    case "pause":
    case "seek": return first(offers.media, (what) => ({ action, what, at: 0 }));
    case "sound": return first(offers.sounds, (media) => ({ action, media }));
    case "move": return first(offers.moving, ([what, move]) => ({ action, what, move }));
    case "start_timing":
    case "stop_timing":
    case "restart_timing": return { action, of: null };
    case "submit":
    case "reset": return first(offers.questions, (question) => ({ action, question }));
    case "start_over": return { action, what: "slide", keep: [] };
    case "mark": return { action, status: "completed" };
    case "link": return { action, address: "" };
    case "announce": return { action, text: "" };
    case "wait": return { action, seconds: 1 };
  }
}

export function newRule(when: When): Rule {
  return { ...DEFAULTS.Rule, id: freshId(), when };
}

/** When a rule of the program runs: when “Card 1” is clicked. */
export function whenWords(rule: ProgramRule, name: (id: string) => string): string {
  return `when ${rule.target ? `“${name(rule.target)}”` : "it"} ${EVENTS[rule.on].words}`;
}
