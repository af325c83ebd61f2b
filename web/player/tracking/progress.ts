/** Saved progress. The twin of `zigzag_core/tracking/progress.py`, which describes the form. */
import type { Grader } from "../../api/types";
import { LIMITS } from "../../api/tables";
import { start } from "../engine/engine";
import { Growing } from "../engine/growing";
import { measure } from "../engine/tally";
import type { Index } from "../engine/program";
import { fnv1a } from "../engine/random";
import { NO_ANSWER, type Answer, type Result, type State, type Success } from "../engine/state";
import { fitted, number, type Value } from "../engine/values";
import { crc32, Damaged, fromBase64Url, Reader, toBase64Url, Writer } from "./bytes";
import { numbered, readPlaced, writePlaced } from "./placed";

const VERSION = "4";
/** Versions that are still read. */
const OLDER = ["1", "2", "3"];

const KINDS = ["slides", "questions", "choices", "variables", "elements"] as const;
const RESULTS: readonly (Result | null)[] = [null, "right", "wrong", "neutral", "partly"];
const SUCCESS: readonly Success[] = ["unknown", "passed", "failed"];
const MARKED = ["", "passed", "failed"] as const;
const LOOKS = ["default", "hover", "focus", "pressed", "visited", "selected", "disabled"];

class OtherCourse extends Error {}

type Names = readonly string[];
type Numbers = ReadonlyMap<string, number>;

enum Kind { No, Yes, Whole, Decimal, Text }

/** Return a state as text in `[A-Za-z0-9_-]`, as it is saved with an LMS. */
export function pack(index: Index, state: State): string {
  const lists = KINDS.map((kind) => index.program.remembered[kind] ?? []);
  const [slides, questions, choices, variables, elements] = lists.map(
    (names): Numbers => new Map(names.map((name, position) => [name, position])),
  ) as [Numbers, Numbers, Numbers, Numbers, Numbers];
  const out = new Writer();
  for (const names of lists) out.varint(names.length);
  out.u32(fingerprint(index, lists.map((names) => names.length)));
  out.u32(state.seed);
  out.u32(state.rng);
  out.varint(state.time);
  out.varint(
    Number(state.completed) | (SUCCESS.indexOf(state.success) << 1) | (MARKED.indexOf(state.marked) << 3),
  );
  const current = slides.get(state.slide ?? "");
  out.varint(current === undefined ? 0 : current + 1);
  out.bits(known(slides, state.visited));
  out.bits(known(elements, state.clicked));
  const hidden = Object.entries(state.hidden);
  out.bits(known(elements, hidden.filter(([, is]) => is).map(([name]) => name)));
  out.bits(known(elements, hidden.filter(([, is]) => !is).map(([name]) => name)));
  const looks = numbered(elements, state.looks);
  out.varint(looks.length);
  for (const [element, look] of looks) {
    out.varint(element);
    const number = LOOKS.indexOf(look);
    out.varint(number < 0 ? LOOKS.length : number);
    if (number < 0) out.text(look);
  }
  writeVariables(out, index, state, variables);
  writeAnswers(out, state, questions, choices);
  out.bits(known(slides, state.opened));
  writePlaced(out, state, elements);
  writeTime(out, state, questions);
  const sum = new Writer();
  sum.u32(crc32(out.data));
  return VERSION + toBase64Url([...out.data, ...sum.data]);
}

/** Throws `Damaged` or `OtherCourse` as the reference does. */
export function unpack(index: Index, text: string): State {
  const source = new Reader(checked(text));
  const lists = KINDS.map((kind) => index.program.remembered[kind] ?? []);
  const lengths = KINDS.map(() => source.varint());
  if (lengths.some((length, position) => length > (lists[position] as Names).length)) {
    throw new OtherCourse("the saved progress is from another course or a newer publication");
  }
  if (source.u32() !== fingerprint(index, lengths)) {
    throw new OtherCourse("the saved progress is from another course");
  }
  const [slides, questions, choices, variables, elements] = lists as unknown as [
    Names, Names, Names, Names, Names,
  ];
  const state = start(index, source.u32());
  const rng = source.u32();
  const time = source.varint();
  const flags = source.varint();
  const current = source.varint();
  const seen = new Set(named(slides, source.bits()));
  const visited = index.order.filter((slide) => seen.has(slide));
  const exists = (name: string): boolean => index.elements.has(name);
  const clicked = Growing.of(named(elements, source.bits()).filter(exists));
  const hidden: Record<string, boolean> = {};
  for (const is of [true, false]) {
    for (const name of named(elements, source.bits()).filter(exists)) hidden[name] = is;
  }
  const looks = readLooks(source, elements, exists);
  const values = { ...state.variables, ...readVariables(source, index, variables) };
  const read = text.startsWith("1") || text.startsWith("2") ? readChosen : readAnswers;
  const answers = read(source, index, questions, choices);
  const slide = slideToResume(index, current ? nameOf(slides, current - 1) : null, visited);
  const success = SUCCESS[(flags >> 1) & 3];
  const marked = MARKED[flags >> 3];
  const kept: Partial<State> = text.startsWith("1") ? {} : {
    opened: new Set(named(slides, source.bits()).filter((name) => index.position.has(name))),
    ...readPlaced(source, index, elements),
  };
  const more_time = isOlder(text) ? 1 : readTime(source, answers, questions);
  if (!success || marked === undefined) throw new Damaged("the saved progress names a result that does not exist");
  return {
    ...state, ...kept, rng, time, entered: time, slide, visited, clicked, hidden, looks,
    variables: values, answers, more_time, completed: Boolean(flags & 1), success, marked,
  };
}

function readLooks(source: Reader, elements: Names, exists: (name: string) => boolean): Record<string, string> {
  const looks: Record<string, string> = {};
  for (let left = source.varint(); left > 0; left--) {
    const element = nameOf(elements, source.varint());
    const number = source.varint();
    if (number > LOOKS.length) throw new Damaged("the saved progress names a look that does not exist");
    const look = LOOKS[number] ?? source.text();
    if (exists(element)) looks[element] = look;
  }
  return looks;
}

/** The slide that was shown; where it is gone, the last one that was seen. */
function slideToResume(index: Index, slide: string | null, visited: readonly string[]): string | null {
  return slide !== null && index.position.has(slide) ? slide : visited.at(-1) ?? null;
}

const isOlder = (text: string): boolean => OLDER.some((version) => text.startsWith(version));

function known(numbers: Numbers, names: Iterable<string>): number[] {
  const found: number[] = [];
  for (const name of names) {
    const index = numbers.get(name);
    if (index !== undefined) found.push(index);
  }
  return found.sort((a, b) => a - b);
}

function nameOf(names: Names, index: number): string {
  const name = names[index];
  if (name === undefined) {
    throw new Damaged("the saved progress names a thing that was never published");
  }
  return name;
}

function named(names: Names, indexes: readonly number[]): string[] {
  return indexes.map((index) => nameOf(names, index));
}

function fingerprint(index: Index, lengths: readonly number[]): number {
  const names = [index.program.course];
  KINDS.forEach((kind, position) => {
    names.push(...(index.program.remembered[kind] ?? []).slice(0, lengths[position]));
  });
  return fnv1a(names.join(","));
}

function checked(text: string): Uint8Array {
  if (!text.startsWith(VERSION) && !isOlder(text)) throw new Damaged("the saved progress has an unknown version");
  const packed = fromBase64Url(text.slice(1));
  const raw = packed.subarray(0, -4);
  if (packed.length < 5 || new Reader(packed.subarray(-4)).u32() !== crc32(raw)) {
    throw new Damaged("the checksum of the saved progress does not match");
  }
  return raw;
}

function writeVariables(out: Writer, index: Index, state: State, numbers: Numbers): void {
  const changed = Object.fromEntries(
    Object.entries(state.variables).filter(([name, value]) => {
      const variable = index.variables.get(name);
      return variable && value !== fitted(variable, variable.default);
    }),
  );
  const entries = numbered(numbers, changed);
  out.varint(entries.length);
  for (const [position, value] of entries) {
    out.varint(position);
    if (typeof value === "boolean") out.varint(value ? Kind.Yes : Kind.No);
    else if (typeof value === "string") {
      out.varint(Kind.Text);
      out.text(value);
    } else if (Number.isInteger(value)) {
      out.varint(Kind.Whole);
      out.signed(value);
    } else {
      out.varint(Kind.Decimal);
      out.signed(Math.round(value * 1e6));
    }
  }
}

function readVariables(source: Reader, index: Index, names: Names): Record<string, Value> {
  const values: Record<string, Value> = {};
  for (let left = source.varint(); left > 0; left--) {
    const name = nameOf(names, source.varint());
    const kind = source.varint();
    let value: Value;
    if (kind === Kind.Text) value = source.text();
    else if (kind === Kind.Whole) value = number(source.signed());
    else if (kind === Kind.Decimal) value = number(source.signed() / 1e6);
    else if (kind === Kind.No || kind === Kind.Yes) value = kind === Kind.Yes;
    else throw new Damaged("the saved progress holds a value of an unknown kind");
    const variable = index.variables.get(name);
    if (variable) values[name] = fitted(variable, value);
  }
  return values;
}

function writeAnswers(out: Writer, state: State, questions: Numbers, parts: Numbers): void {
  const answers = numbered(questions, state.answers);
  out.varint(answers.length);
  for (const [index, answer] of answers) {
    const whole = Number.isInteger(answer.points);
    out.varint(index);
    out.varint(RESULTS.indexOf(answer.result) | (Number(answer.locked) << 3) | (Number(!whole) << 4));
    out.varint(answer.attempts);
    out.signed(whole ? answer.points : Math.round(answer.points * 1e6));
    out.varint(answer.row);
    const given = answer.given.filter(([part]) => parts.has(part));
    out.varint(given.length);
    for (const [part, value] of given) {
      out.varint(parts.get(part) ?? 0);
      const named = parts.get(value);
      out.varint(named !== undefined ? named + 2 : value ? 1 : 0);
      if (named === undefined && value) out.text(value);
    }
  }
}

function readAnswers(source: Reader, index: Index, questions: Names, parts: Names): Record<string, Answer> {
  const answers: Record<string, Answer> = {};
  for (let left = source.varint(); left > 0; left--) {
    const question = nameOf(questions, source.varint());
    const flags = source.varint();
    const attempts = source.varint();
    const points = source.signed();
    const row = source.varint();
    const given: [string, string][] = [];
    for (let more = source.varint(); more > 0; more--) {
      const part = nameOf(parts, source.varint());
      const kind = source.varint();
      given.push([part, kind > 1 ? nameOf(parts, kind - 2) : kind ? source.text() : ""]);
    }
    const result = RESULTS[flags & 7];
    if (flags > 31 || result === undefined) throw new Damaged("the saved progress holds an answer of an unknown kind");
    const grader = index.questions.get(question);
    if (!grader) continue;
    answers[question] = judged(grader, {
      ...NO_ANSWER, given: stillThere(grader, given), attempts, result, row, locked: Boolean(flags & 8),
      points: bounded(grader, flags & 16 ? points / 1e6 : points),
    });
  }
  return answers;
}

/** How much longer limits are, in tenths, and the ms that questions have had. */
function writeTime(out: Writer, state: State, questions: Numbers): void {
  out.varint(Math.floor(state.more_time * 10 + 0.5));
  const used = numbered(questions, state.answers).filter(([, { used }]) => used);
  out.varint(used.length);
  for (const [index, answer] of used) {
    out.varint(index);
    out.varint(answer.used);
  }
}

function readTime(source: Reader, answers: Record<string, Answer>, questions: Names): number {
  const longer = Math.min(number(source.varint() / 10), LIMITS.most_time);
  for (let left = source.varint(); left > 0; left--) {
    const question = nameOf(questions, source.varint());
    const used = source.varint();
    const found = answers[question];
    if (found) answers[question] = { ...found, used };
  }
  return longer;
}

function bounded(grader: Grader, points: number): number {
  return Math.max(Math.min(number(points), grader.points), number(grader.floor));
}

/** With what was right and wrong counted again: that is not kept. */
function judged(grader: Grader, answer: Answer): Answer {
  if (answer.result === null) return answer;
  const { right, wrong } = measure(grader, answer.given);
  return { ...answer, right, wrong };
}

/** What was given, without what the question no longer has; an order only if it is whole. */
function stillThere(grader: Grader, given: readonly (readonly [string, string])[]): Answer["given"] {
  const parts = new Set([grader.id, ...grader.parts.map(({ id }) => id)]);
  const targets = new Set(grader.targets.map(({ id }) => id));
  const kept = given.filter(([part, value]) => parts.has(part) && (grader.form !== "pairs" || targets.has(value)));
  return grader.form === "order" && kept.length !== grader.parts.length ? [] : kept;
}

/** Answers as versions 1 and 2 have them: choices alone. */
function readChosen(source: Reader, index: Index, questions: Names, choices: Names): Record<string, Answer> {
  const answers: Record<string, Answer> = {};
  for (let left = source.varint(); left > 0; left--) {
    const question = nameOf(questions, source.varint());
    const flags = source.varint();
    const attempts = source.varint();
    const points = source.varint();
    const chosen: [string, string][] = [];
    for (let more = source.varint(); more > 0; more--) chosen.push([nameOf(choices, source.varint()), ""]);
    if (flags > 15) throw new Damaged("the saved progress holds an answer of an unknown kind");
    const grader = index.questions.get(question);
    if (!grader) continue;
    answers[question] = judged(grader, {
      ...NO_ANSWER, given: stillThere(grader, chosen), attempts, result: RESULTS[flags & 3] ?? null,
      locked: Boolean(flags & 4), points: bounded(grader, flags & 8 ? points / 1e6 : points),
    });
  }
  return answers;
}
