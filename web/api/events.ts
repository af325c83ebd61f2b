/** Made by `make schema` from the core: change it there. */

interface Start {
  // The course begins: at the slide `target`, or at the first. It is `now` (s since 1970, UTC) and so many minutes more where the learner is (`zone`).
  event: "start";
  target?: string | null;
  now?: number;
  zone?: number;
}

interface Resume {
  // The learner goes on after having been away; `now` and `zone` as at the start.
  event: "resume";
  now?: number;
  zone?: number;
}

interface Flagged {
  // A slide of a quiz gets the learner's flag, or loses it.
  event: "flagged";
  target: string;
  on: boolean;
}

interface On {
  // Something is done to one thing: an element, a slide to go to, an overlay to close.
  event: "clicked" | "double_clicked" | "slide" | "close";
  target: string;
}

interface Pointed {
  // The pointer comes onto an element, or goes `away` from it.
  event: "pointed";
  target: string;
  away: boolean;
}

interface Key {
  // A key is pressed; `key` as in `KeyboardEvent.key` of the DOM.
  event: "key";
  key: string;
}

interface Entered {
  // A value is entered into an input, or (from a rehearsal) a variable is *set* to one.
  event: "entered" | "set";
  target: string;
  value: boolean | number | string;
}

interface Answered {
  // A part of a question gets a value.
  event: "answered";
  question: string;
  part: string;
  value: boolean | number | string;
}

interface Dropped {
  // An element is dropped at an offset (px) from its place, on another one or on none.
  event: "dropped";
  target: string;
  on: string | null;
  x: number;
  y: number;
}

interface Media {
  // A video or sound started, paused or came to its end.
  event: "media";
  target: string;
  what: "started" | "paused" | "ended" | "failed";
}

interface Played {
  // A stretch (ms) of a video or sound was really played.
  event: "played";
  target: string;
  since: number;
  until: number;
}

interface Pause {
  // What moves by itself is to pause, or to go `on`.
  event: "pause";
  on: boolean;
}

interface MoreTime {
  // Time limits are `factor` times as long; 0: there are none.
  event: "more_time";
  factor: number;
}

interface Speed {
  // Clocks, moves, videos and audio run at so many per cent of their speed.
  event: "speed";
  percent: number;
}

interface Sent {
  // The report of an attempt at a quiz has arrived everywhere.
  event: "sent";
  quiz: string;
  attempt: number;
}

interface Plain {
  // Something that says all by its name.
  event: "next" | "previous" | "leave" | "postpone" | "finish";
}

interface Tick {
  // So many ms have passed.
  event: "tick";
  ms: number;
}

export type Event =
  | Start
  | Resume
  | Flagged
  | On
  | Pointed
  | Key
  | Entered
  | Answered
  | Dropped
  | Media
  | Played
  | Pause
  | MoreTime
  | Speed
  | Sent
  | Plain
  | Tick;

interface Moved {
  // Another slide is shown.
  effect: "moved";
  slide: string;
}

interface Left {
  // The course is to be left.
  effect: "leave";
}

interface Announced {
  // Words are to be told to a screen reader.
  effect: "announce";
  text: string;
}

interface Closed {
  // The way on was tried while the gate of a slide is closed.
  effect: "closed";
  slide: string;
  message: string;
}

interface PlayMedia {
  // A video or sound is to play, to pause, or to go to `at` (seconds).
  effect: "media";
  element: string;
  run: "play" | "pause" | "seek";
  at: number;
}

interface PlaySound {
  // A sound is to be heard once.
  effect: "sound";
  media: string;
}

interface OpenLink {
  // A web address is to be opened.
  effect: "link";
  address: string;
}

interface PrintSlide {
  // The slide that is shown is to be printed.
  effect: "print";
}

interface Report {
  // What an attempt at a quiz came to is to be sent; one `id` is sent once. Its `fields` are pairs of a name and a text.
  effect: "report";
  quiz: string;
  attempt: number;
  id: string;
  fields: readonly (readonly [string, string])[];
}

interface Loop {
  // Rules that set each other off were stopped.
  effect: "loop";
  rules: readonly string[];
}

interface StatusChanged {
  // Whether the course is completed, and how it went, is otherwise than before.
  effect: "status";
  completed: boolean;
  success: "unknown" | "passed" | "failed";
}

interface AnswerJudged {
  // An attempt at a question was judged. `latency` in ms.
  effect: "answered";
  question: string;
  attempt: number;
  given: readonly (readonly [string, string])[];
  result: "right" | "partly" | "wrong" | "neutral";
  points: number;
  latency: number;
}

export type Effect =
  | Moved
  | Left
  | Announced
  | Closed
  | PlayMedia
  | PlaySound
  | OpenLink
  | PrintSlide
  | Report
  | Loop
  | StatusChanged
  | AnswerJudged;

export interface Ran {
  // A rule that ran: on what event of what thing, and whether its condition held.
  event: string;
  target: string;
  rule: string;
  held: boolean;
}
