/** The words of rules: what may happen, what may be done, and what each needs. */
import { DEFAULTS } from "../../api/defaults";
import type { ProgramRule, Rule, RuleAction, When } from "../../api/types";
import { freshId } from "../store/ids";
import { t } from "../../words/does";

export type Owner =
  | { kind: "element"; id: string; name: string; element: string }
  | { kind: "overlay" | "slide" | "quiz" | "course"; id: string; name: string };

type EventName = When["event"];

/** What may happen: its words after the thing's name, and what kind of thing it happens to. */
export const EVENTS: Record<EventName, { words: string; to: "element" | "overlay" | "slide" | "question" | "set" | "variable" | "time" | "key" | "quiz" | "turn" | "ending" | "reply" }> = {
  clicked: { words: t("isClicked"), to: "element" },
  double_clicked: { words: t("isDoubleClicked"), to: "element" },
  pointed_at: { words: t("isPointedAt"), to: "element" },
  pointed_away: { words: t("isNoLongerPointedAt"), to: "element" },
  entered: { words: t("isChanged"), to: "element" },
  dropped: { words: t("isDroppedOn"), to: "element" },
  dropped_elsewhere: { words: t("isDroppedElsewhere"), to: "element" },
  media_started: { words: t("startsToPlay"), to: "element" },
  media_paused: { words: t("isPaused"), to: "element" },
  media_reached: { words: t("hasPlayed"), to: "element" },
  media_ended: { words: t("hasEnded"), to: "element" },
  overlay_opened: { words: t("whenOpenedAgain"), to: "overlay" },
  overlay_closed: { words: t("closes"), to: "overlay" },
  slide_entered: { words: t("isEntered"), to: "slide" },
  slide_left: { words: t("isLeft"), to: "slide" },
  timing_ended: { words: t("timingHasEnded"), to: "time" },
  cue_reached: { words: t("reachesTheCue"), to: "time" },
  timer: { words: t("timeHasPassed"), to: "time" },
  key_pressed: { words: t("keyIsPressed"), to: "key" },
  all_seen: { words: t("wasSeenInFull"), to: "set" },
  variable_changed: { words: t("changes"), to: "variable" },
  answered_right: { words: t("isAnsweredCorrectly"), to: "question" },
  answered_partly: { words: t("isAnsweredPartlyCorrectly"), to: "question" },
  answered_wrong: { words: t("isAnsweredIncorrectly"), to: "question" },
  answered_last: { words: t("hasNoAttemptsLeft"), to: "question" },
  time_up: { words: t("hasNoTimeLeft"), to: "question" },
  answered: { words: t("isAnswered"), to: "question" },
  answered_nothing: { words: t("isSubmittedWithoutAnAnswer"), to: "question" },
  judged: { words: t("isJudged"), to: "question" },
  quiz_passed: { words: t("isPassed"), to: "quiz" },
  quiz_failed: { words: t("isFailed"), to: "quiz" },
  quiz_finished: { words: t("isFinished"), to: "quiz" },
  turn_reached: { words: t("isReached"), to: "turn" },
  reply_given: { words: t("isReplied"), to: "reply" },
  dialogue_ended: { words: t("endsTheDialogue"), to: "ending" },
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
  [t("visibility"), [["show", t("show")], ["hide", t("hide")], ["toggle", t("showOrHide")], ["enable", t("enable")], ["disable", t("disable")], ["look", t("giveALookTo")]]],
  [t("navigation"), [["go", t("goTo")], ["start_over", t("startOver")], ["link", t("openTheWebPage")], ["print", t("printTheSlide")]]],
  [t("variables"), [
    ["set", t("set2")], ["add", t("addTo")], ["multiply", t("multiply")], ["switch", t("toggle")], ["pick", t("pickAtRandom")],
    ["take", t("store")],
  ]],
  [t("mediaAndMotion"), [
    ["play", t("play")], ["pause", t("pause")], ["seek", t("jumpIn")], ["sound", t("playTheSound")], ["move", t("move2")],
    ["start_timing", t("startTheTimingOf")], ["stop_timing", t("stopTheTimingOf")],
    ["restart_timing", t("restartTheTimingOf")],
  ]],
  [t("questions"), [["submit", t("submit2")], ["reset", t("reset")]]],
  [t("messagesAndStatus"), [["announce", t("announceToScreenReaders")], ["mark", t("markTheCourseAs")]]],
  [t("waiting"), [["wait", t("wait")]]],
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
  print: () => ({ action: "print" }),
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
  return t("whenThingWords", { thing: rule.target ? `“${name(rule.target)}”` : t("it"), words: EVENTS[rule.on].words });
}
