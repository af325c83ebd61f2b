/** Saved progress. The twin of `zigzag_core/tracking/progress.py`, which describes the form. */
import { LIMITS } from "../../api/tables";
import { start } from "../engine/engine";
import { drawsToResume } from "../engine/quizzes";
import { Growing } from "../engine/growing";
import type { Index } from "../engine/program";
import { NO_ANSWER, type Answer, type Offset, type Result, type State, type Stretch, type Success, type Time, type Waiting } from "../engine/state";
import { same } from "../engine/tally";
import { fitted, number, type Value } from "../engine/values";
import { crc32, Damaged, fromBase64Url, Reader, toBase64Url, Writer } from "./coder";
import { NO_QUIZZES, readDraws, writeDraws } from "./draws";
import { isOlder, unpackOlder } from "./olderProgress";
import { rememberedOf, restoredAnswer, slideToResume, type Names, type Remembered } from "./remembered";

const VERSION = "5";

const RESULTS: readonly (Result | null)[] = [null, "right", "wrong", "neutral", "partly"];
const SUCCESS: readonly Success[] = ["unknown", "passed", "failed"];
const MARKED = ["", "passed", "failed"] as const;
const BRANCHES = ["timer", "then", "otherwise"] as const;
const LOOKS = ["default", "hover", "focus", "pressed", "visited", "selected", "disabled"];

type Of<T> = Readonly<Record<string, T>>;

/** Return a state as text in `[A-Za-z0-9_-]`, as it is saved with an LMS. */
export function pack(index: Index, state: State): string {
  const names = rememberedOf(index);
  const out = new Writer();
  for (const length of names.lengths) out.number(length, "lengths");
  out.plain(names.own, 32);
  out.plain(state.seed, 32);
  out.plain(state.rng, 32);
  writeWay(out, state, names);
  writeElements(out, state, names.elements);
  writeVariables(out, index, state, names.variables);
  writeAnswers(out, state, names);
  writeTiming(out, state);
  const raw = out.done();
  const sum = crc32(raw);
  return VERSION + toBase64Url([...raw, sum & 255, (sum >>> 8) & 255, (sum >>> 16) & 255, sum >>> 24]);
}

/** Throws `Damaged` or `OtherCourse` as the reference does. */
export function unpack(index: Index, text: string): State {
  if (!text.startsWith(VERSION) && !isOlder(text)) throw new Damaged("the saved progress has an unknown version");
  const data = checked(text.slice(1));
  if (isOlder(text)) return unpackOlder(index, text.charAt(0), data);
  const [source, names] = [new Reader(data), rememberedOf(index)];
  const lengths = names.lengths.map(() => source.number("lengths"));
  names.check(lengths, source.plain(32));
  const fresh = start(index, source.plain(32));
  const rng = source.plain(32);
  const { shown, disables, ...way } = readWay(source, index, names, fresh.draws, lengths[0] ?? 0);
  const elements = readElements(source, index, names.elements, disables);
  const variables = { ...fresh.variables, ...readVariables(source, index, names.variables) };
  const answers = readAnswers(source, index, names);
  const state: State = { ...fresh, rng, ...way, ...elements, variables, answers };
  const timing = readTiming(source, index, state);
  return state.slide === shown ? { ...state, ...timing } : { ...state, entered: state.time };
}

function checked(body: string): Uint8Array {
  const packed = fromBase64Url(body);
  const raw = packed.subarray(0, -4);
  const [a, b, c, d] = packed.subarray(-4) as unknown as [number, number, number, number];
  if (packed.length < 5 || ((a | (b << 8) | (c << 16) | (d << 24)) >>> 0) !== crc32(raw)) {
    throw new Damaged("the checksum of the saved progress does not match");
  }
  return raw;
}

/** Quizzes are drawn; it is written how far their attempts are; and when they were over, with flags. */
const [DRAWN, TAKING, TIMES] = [1 << 7, 1 << 8, 1 << 9] as const;

/** The time, the results, and where the learner is and has been. */
function writeWay(out: Writer, state: State, names: Remembered): void {
  out.number(state.time, "time");
  out.number(state.time - state.entered, "time");
  out.number(
    Number(state.completed) | (SUCCESS.indexOf(state.success) << 1) | (MARKED.indexOf(state.marked) << 3) | (Number(state.retake) << 5)
    | (Number(Object.keys(state.disabled).length > 0) << 6) | (state.draws.length ? DRAWN | TAKING | TIMES : 0),
    "flags",
  );
  if (state.draws.length) writeDraws(out, state, names.slides);
  const { numbers } = names.slides;
  out.number((numbers.get(state.slide ?? "") ?? -1) + 1, "slide");
  out.number((numbers.get(state.back ?? "") ?? -1) + 1, "slide");
  out.members(names.slides.known(state.visited), "visited");
  out.members(names.slides.known(state.opened), "opened");
  const path = state.path.map((slide) => numbers.get(slide)).filter((slide) => slide !== undefined);
  out.number(path.length, "path");
  writeNear(out, path, "path step");
  out.number(Math.floor(state.more_time * 10 + 0.5), "more time");
}

/** Return what of the state is the way, the slide that was shown, and whether things are disabled. */
function readWay(source: Reader, index: Index, names: Remembered, first: State["draws"], known: number) {
  const time = source.number("time");
  const entered = time - source.number("time");
  const flags = source.number("flags");
  const success = SUCCESS[(flags >> 1) & 3];
  const marked = MARKED[(flags >> 3) & 3];
  if (flags >= TIMES << 1 || !success || marked === undefined) throw new Damaged("the saved progress names a result that does not exist");
  const quizzes = flags & DRAWN ? readDraws(source, index, names.slides, known, (flags & TAKING) > 0, (flags & TIMES) > 0) : NO_QUIZZES;
  const slide = (): string | null => {
    const given = source.number("slide");
    return given ? names.slides.name(given - 1) : null;
  };
  const [shown, back] = [slide(), slide()];
  const exists = (name: string): boolean => index.position.has(name);
  const seen = new Set(names.slides.named(source.members("visited")));
  const visited = index.order.filter((name) => seen.has(name));
  const opened = names.slides.named(source.members("opened"));
  const path = names.slides.named(readNear(source, source.count("path"), "path step"));
  const more_time = Math.min(number(source.number("more time") / 10), LIMITS.most_time);
  return {
    shown, ...quizzes, draws: drawsToResume(index, first, quizzes.draws, visited), time, entered, completed: Boolean(flags & 1), success, marked, retake: Boolean(flags & 32), disables: Boolean(flags & 64), visited, more_time,
    slide: slideToResume(index, shown, visited), back: back !== null && exists(back) ? back : null,
    opened: new Set(opened.filter(exists)), path: path.filter(exists),
  };
}

/** What was clicked, shown, hidden, disabled, given a look, moved and played. */
function writeElements(out: Writer, state: State, elements: Names): void {
  out.members(elements.known(state.clicked), "clicked");
  const names = Object.keys(state.hidden);
  out.members(elements.known(names.filter((name) => state.hidden[name])), "hidden");
  out.members(elements.known(names.filter((name) => !state.hidden[name])), "shown");
  const disabled = Object.keys(state.disabled);
  if (disabled.length) out.members(elements.known(disabled), "disabled");
  for (const look of numbered(out, elements, state.looks, "looks")) {
    const known = LOOKS.indexOf(look);
    out.number(known < 0 ? LOOKS.length : known, "look");
    if (known < 0) out.text(look, "own look");
  }
  const dropped: Record<string, number> = {};
  for (const [name, on] of Object.entries(state.dropped)) {
    const target = elements.numbers.get(on);
    if (target !== undefined) dropped[name] = target;
  }
  writeNear(out, numbered(out, elements, dropped, "dropped"), "target");
  for (const offset of numbered(out, elements, state.offsets, "offsets")) {
    for (const part of offset) out.signed(Math.floor(part * 100 + 0.5), "offset");
  }
  for (const stretches of numbered(out, elements, state.watched, "watched")) {
    out.number(stretches.length, "stretches");
    let end = 0;
    for (const [since, until] of stretches) {
      out.number(since - end, "gap");
      out.number(until - since, "stretch");
      end = until;
    }
  }
  for (const at of numbered(out, elements, state.positions, "positions")) out.number(at, "position");
}

/** Return the fields of the state for elements that still exist. */
function readElements(source: Reader, index: Index, elements: Names, disables: boolean) {
  const exists = (name: string): boolean => index.elements.has(name);
  const there = (name: string): string[] => elements.named(source.members(name)).filter(exists);
  const clicked = Growing.of(there("clicked"));
  const hidden = Object.fromEntries([
    ...there("hidden").map((name) => [name, true] as const), ...there("shown").map((name) => [name, false] as const),
  ]);
  const disabled = Object.fromEntries((disables ? there("disabled") : []).map((name) => [name, true] as const));
  const looks = readEach(source, elements, exists, "looks", (): string => {
    const look = source.number("look");
    if (look > LOOKS.length) throw new Damaged("the saved progress names a look that does not exist");
    return LOOKS[look] ?? source.text("own look");
  });
  const lying = elements.named(source.members("dropped"));
  const targets = elements.named(readNear(source, lying.length, "target"));
  const dropped = Object.fromEntries(
    lying.map((name, n) => [name, targets[n] as string] as const).filter(([name, on]) => exists(name) && exists(on)),
  );
  const part = (): number => number(source.signed("offset") / 100);
  const offsets = readEach(source, elements, exists, "offsets", (): Offset => [part(), part()]);
  const watched = readEach(source, elements, exists, "watched", (): Stretch[] => {
    const stretches: Stretch[] = [];
    let end = 0;
    for (let left = source.count("stretches"); left > 0; left--) {
      const since = end + source.number("gap");
      end = since + source.number("stretch");
      stretches.push([since, end]);
    }
    return stretches;
  });
  const positions = readEach(source, elements, exists, "positions", () => source.number("position"));
  return { clicked, hidden, disabled, looks, dropped, offsets, watched, positions };
}

enum Type { No, Yes, Number, Text }

/** The variables that differ from their defaults. */
function writeVariables(out: Writer, index: Index, state: State, variables: Names): void {
  const changed = Object.fromEntries(
    Object.entries(state.variables).filter(([name, value]) => {
      const variable = index.variables.get(name);
      return variable && value !== fitted(variable, variable.default);
    }),
  );
  for (const value of numbered(out, variables, changed, "variables")) {
    if (typeof value === "boolean") out.number(value ? Type.Yes : Type.No, "type");
    else if (typeof value === "string") {
      out.number(Type.Text, "type");
      out.text(value, "text");
    } else {
      out.number(Type.Number, "type");
      writeDecimal(out, value, "number");
    }
  }
}

function readVariables(source: Reader, index: Index, variables: Names): Record<string, Value> {
  const values: Record<string, Value> = {};
  for (const name of variables.named(source.members("variables"))) {
    const type = source.number("type");
    let value: Value;
    if (type === Type.Text) value = source.text("text");
    else if (type === Type.Number) value = readDecimal(source, "number");
    else if (type === Type.No || type === Type.Yes) value = type === Type.Yes;
    else throw new Damaged("the saved progress holds a value of an unknown type");
    const variable = index.variables.get(name);
    if (variable) values[name] = fitted(variable, value);
  }
  return values;
}

function writeAnswers(out: Writer, state: State, names: Remembered): void {
  const { numbers } = names.parts;
  let before = -1;
  for (const answer of numbered(out, names.questions, state.answers, "answers")) {
    const result = RESULTS.indexOf(answer.result);
    out.number(result, "result");
    const again = answer.judged !== null && !same(answer.given, answer.judged);
    out.number(Number(answer.locked) | (Number(again) << 1) | (answer.slips << 2), `locked ${result}`);
    out.number(answer.attempts, `attempts ${result}`);
    writeDecimal(out, answer.points, `points ${result}`);
    out.number(answer.row, "row");
    out.number(answer.used, "used");
    const given = answer.given.filter(([part]) => numbers.has(part));
    out.number(given.length, "given");
    for (const [name, value] of given) {
      const part = numbers.get(name) as number;
      out.signed(part - before - 1, "part");
      before = part;
      const on = numbers.get(value);
      out.number(on !== undefined ? 2 : value ? 1 : 0, "value");
      if (on !== undefined) out.signed(on - part, "on");
      else if (value) out.text(value, "said");
    }
  }
}

function readAnswers(source: Reader, index: Index, names: Remembered): Record<string, Answer> {
  const answers: Record<string, Answer> = {};
  let before = -1;
  for (const question of names.questions.named(source.members("answers"))) {
    const number = source.number("result");
    const result = RESULTS[number];
    if (result === undefined) throw new Damaged("the saved progress holds an answer of an unknown kind");
    const [flags, attempts] = [source.number(`locked ${number}`), source.number(`attempts ${number}`)];
    const points = readDecimal(source, `points ${number}`);
    const [row, used] = [source.number("row"), source.number("used")];
    const given: [string, string][] = [];
    for (let left = source.count("given"); left > 0; left--) {
      before += source.signed("part") + 1;
      const kind = source.number("value");
      const value = kind > 1 ? names.parts.name(before + source.signed("on")) : kind ? source.text("said") : "";
      given.push([names.parts.name(before), value]);
    }
    const grader = index.questions.get(question);
    if (grader) {
      answers[question] = restoredAnswer(grader, {
        ...NO_ANSWER, given, attempts, result, points, locked: Boolean(flags & 1), row, used, slips: flags >>> 2,
        judged: flags & 2 || !attempts ? null : given,
      });
    }
  }
  return answers;
}

/** Overlays that are open, clocks, timers and waits. The slide itself is an empty name. */
function writeTiming(out: Writer, state: State): void {
  const owner = (name: string): void => out.text(name === state.slide ? "" : name, "owner");
  out.number(state.overlays.length, "overlays");
  state.overlays.forEach(owner);
  const clocks = Object.entries(state.clocks).sort(([a], [b]) => (a < b ? -1 : 1));
  out.number(clocks.length, "clocks");
  for (const [name, { at, runs }] of clocks) {
    owner(name);
    out.number(at, "clock");
    out.number(Number(runs), "runs");
  }
  out.number(state.waiting.length, "waiting");
  for (const wait of state.waiting) {
    owner(wait.owner);
    out.text(wait.rule, "rule");
    out.signed(wait.due - state.time, "due");
    out.number(BRANCHES.indexOf(wait.branch), "branch");
    out.number(wait.index, "action");
  }
}

/** Return the fields of the state for what the slide still has. */
function readTiming(source: Reader, index: Index, state: State): Pick<State, "overlays" | "clocks" | "waiting"> {
  const here = state.slide ?? "";
  const owner = (): string => source.text("owner") || here;
  const overlays: string[] = [];
  for (let left = source.count("overlays"); left > 0; left--) {
    const name = owner();
    if (index.overlays.has(name) && index.home.get(name) === here) overlays.push(name);
  }
  const clocks: Record<string, Time> = {};
  for (let left = source.count("clocks"); left > 0; left--) {
    const name = owner();
    const time = { at: source.number("clock"), runs: Boolean(source.number("runs")) };
    if (index.clocks.has(name)) clocks[name] = time;
  }
  const waiting: Waiting[] = [];
  for (let left = source.count("waiting"); left > 0; left--) {
    const [name, rule] = [owner(), source.text("rule")];
    const [due, branch, action] = [source.signed("due"), BRANCHES[source.number("branch")], source.number("action")];
    if (branch === undefined) throw new Damaged("the saved progress waits for a thing of an unknown kind");
    if (index.rules.has(rule)) waiting.push({ due: state.time + due, owner: name, rule, branch, index: action });
  }
  return { overlays, clocks, waiting };
}

/** Write which of `names` have values, by number; return their values in this order. */
function numbered<T>(out: Writer, names: Names, values: Of<T>, name: string): T[] {
  const found = names.known(Object.keys(values));
  out.members(found, name);
  return found.map((number) => values[names.names[number] as string] as T);
}

/** Read what `numbered` wrote, with a value for each; what is gone is left out. */
function readEach<T>(
  source: Reader, names: Names, exists: (name: string) => boolean, name: string, read: () => T,
): Record<string, T> {
  const found: Record<string, T> = {};
  for (const one of names.named(source.members(name))) {
    const value = read();
    if (exists(one)) found[one] = value;
  }
  return found;
}

/** Write numbers by how far each is from the one after the last. */
function writeNear(out: Writer, numbers: readonly number[], name: string): void {
  let before = -1;
  for (const one of numbers) {
    out.signed(one - before - 1, name);
    before = one;
  }
}

function readNear(source: Reader, count: number, name: string): number[] {
  const numbers: number[] = [];
  let before = -1;
  for (let left = count; left > 0; left--) {
    before += source.signed(name) + 1;
    numbers.push(before);
  }
  return numbers;
}

/** Write a number of the engine: how many decimals it has, and its digits. */
function writeDecimal(out: Writer, value: number, name: string): void {
  let [digits, decimals] = [Math.floor(value * 1e6 + 0.5), 6];
  while (decimals && digits % 10 === 0) [digits, decimals] = [digits / 10, decimals - 1];
  out.number(decimals, `${name} decimals`);
  out.signed(digits, name);
}

function readDecimal(source: Reader, name: string): number {
  const decimals = source.number(`${name} decimals`);
  if (decimals > 6) throw new Damaged("the saved progress holds a number with too many decimals");
  return number((source.signed(name) * 10 ** (6 - decimals)) / 1e6);
}
