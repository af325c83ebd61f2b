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

/** The *When* of a new rule, for an event that happens to `of`. */
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
  ["Showing", [["show", "show"], ["hide", "hide"], ["toggle", "show or hide"], ["enable", "enable"], ["disable", "disable"], ["look", "give a look to"]]],
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
  /** Elements that a learner may use, and so may be kept from using. */
  usable: readonly string[];
  variables: readonly string[];
  inputs: readonly string[];
  media: readonly string[];
  moving: readonly [element: string, move: string][];
  questions: readonly string[];
  sounds: readonly string[];
}

function first<T>(list: readonly T[], make: (one: T) => RuleAction | null): RuleAction | null {
  return list.length ? make(list[0] as T) : null;
}

type Make = (offers: Offers) => RuleAction | null;

const calculation = (action: "set" | "add" | "multiply", value: number): Make =>
  ({ variables }) => first(variables, (variable) => ({ action, variable, value }));
const shown = (action: "show" | "hide" | "toggle"): Make => ({ things }) => first(things, (what) => ({ action, what }));
const usable = (action: "enable" | "disable"): Make => ({ usable: ids }) => first(ids, (what) => ({ action, what }));
const played = (action: "play" | "pause" | "seek"): Make => ({ media }) => first(media, (what) => ({ action, what, at: 0 }));
const asked = (action: "submit" | "reset"): Make => ({ questions }) => first(questions, (question) => ({ action, question }));

/** How each action begins. */
const NEW: Readonly<Record<ActionName, Make>> = {
  go: () => ({ action: "go", go: { to: "next" } }),
  show: shown("show"), hide: shown("hide"), toggle: shown("toggle"),
  enable: usable("enable"), disable: usable("disable"),
  look: ({ things }) => first(things, (what) => ({ action: "look", what, look: "selected" })),
  set: calculation("set", 0), add: calculation("add", 1), multiply: calculation("multiply", 2),
  switch: ({ variables }) => first(variables, (variable) => ({ action: "switch", variable })),
  pick: ({ variables }) => first(variables, (variable) => ({ action: "pick", variable, low: 1, high: 6, texts: [] })),
  take: ({ variables, inputs }) => first(variables, (variable) => first(inputs, (input) => ({ action: "take", variable, input }))),
  play: played("play"), pause: played("pause"), seek: played("seek"),
  sound: ({ sounds }) => first(sounds, (media) => ({ action: "sound", media })),
  move: ({ moving }) => first(moving, ([what, move]) => ({ action: "move", what, move })),
  start_timing: () => ({ action: "start_timing", of: null }),
  stop_timing: () => ({ action: "stop_timing", of: null }),
  restart_timing: () => ({ action: "restart_timing", of: null }),
  submit: asked("submit"), reset: asked("reset"),
  start_over: () => ({ action: "start_over", what: "slide", keep: [] }),
  mark: () => ({ action: "mark", status: "completed" }),
  link: () => ({ action: "link", address: "" }),
  announce: () => ({ action: "announce", text: "" }),
  wait: () => ({ action: "wait", seconds: 1 }),
};

/** Return an action as it begins; null where the course has nothing that it could name. */
export function newAction(action: ActionName, offers: Offers): RuleAction | null {
  return NEW[action](offers);
}

/** A rule with nothing to do yet. */
export function newRule(when: When): Rule {
  return { ...DEFAULTS.Rule, id: freshId(), when };
}

/** When a rule of the program runs: when “Card 1” is clicked. */
export function whenWords(rule: ProgramRule, name: (id: string) => string): string {
  return `when ${rule.target ? `“${name(rule.target)}”` : "it"} ${EVENTS[rule.on].words}`;
}
