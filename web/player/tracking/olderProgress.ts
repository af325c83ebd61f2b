/** Saved progress of the versions 1 to 4. The twin of `zigzag_core/tracking/older_progress.py`, which describes it. */
import { LIMITS } from "../../api/tables";
import { start } from "../engine/engine";
import { Growing } from "../engine/growing";
import type { Index } from "../engine/program";
import { drawsToResume } from "../engine/quizzes";
import { NO_ANSWER, type Answer, type Offset, type Result, type State, type Stretch, type Success } from "../engine/state";
import { fitted, number, type Value } from "../engine/values";
import { Damaged } from "./coder";
import { Reader } from "./olderBytes";
import { rememberedOf, restoredAnswer, slideToResume, type Names, type Remembered } from "./remembered";

const VERSIONS = ["1", "2", "3", "4"];
const RESULTS: readonly (Result | null)[] = [null, "right", "wrong", "neutral", "partly"];
const SUCCESS: readonly Success[] = ["unknown", "passed", "failed"];
const MARKED = ["", "passed", "failed"] as const;
const LOOKS = ["default", "hover", "focus", "pressed", "visited", "selected", "disabled"];

/** Whether a text is progress of an older version. */
export const isOlder = (text: string): boolean => VERSIONS.some((version) => text.startsWith(version));

/** Return the state in `data`, as `unpack` does. */
export function unpackOlder(index: Index, version: string, data: Uint8Array): State {
  const [source, names] = [new Reader(data), rememberedOf(index)];
  const { slides, elements } = names;
  const lengths = names.lengths.map(() => source.varint());
  names.check(lengths, source.u32());
  const state = start(index, source.u32());
  const rng = source.u32();
  const time = source.varint();
  const flags = source.varint();
  const current = source.varint();
  const seen = new Set(slides.named(source.bits()));
  const visited = index.order.filter((slide) => seen.has(slide));
  const exists = (name: string): boolean => index.elements.has(name);
  const clicked = Growing.of(elements.named(source.bits()).filter(exists));
  const hidden: Record<string, boolean> = {};
  for (const is of [true, false]) {
    for (const name of elements.named(source.bits()).filter(exists)) hidden[name] = is;
  }
  const looks = readLooks(source, elements, exists);
  const variables = { ...state.variables, ...readVariables(source, index, names.variables) };
  const answers = (version < "3" ? readChosen : readAnswers)(source, index, names);
  const slide = slideToResume(index, current ? slides.name(current - 1) : null, visited);
  const success = SUCCESS[(flags >> 1) & 3];
  const marked = MARKED[flags >> 3];
  const kept: Partial<State> = version === "1" ? {} : {
    opened: new Set(slides.named(source.bits()).filter((name) => index.position.has(name))),
    ...readPlaced(source, exists, elements),
  };
  const more_time = version === "4" ? readTime(source, answers, names.questions) : 1;
  if (!success || marked === undefined) throw new Damaged("the saved progress names a result that does not exist");
  return {
    ...state, ...kept, draws: drawsToResume(index, state.draws, [], visited), rng, time, entered: time, slide, visited, clicked, hidden, looks, variables, answers,
    more_time, completed: Boolean(flags & 1), success, marked,
  };
}

function readLooks(source: Reader, elements: Names, exists: (name: string) => boolean): Record<string, string> {
  const looks: Record<string, string> = {};
  for (let left = source.varint(); left > 0; left--) {
    const element = elements.name(source.varint());
    const number = source.varint();
    if (number > LOOKS.length) throw new Damaged("the saved progress names a look that does not exist");
    const look = LOOKS[number] ?? source.text();
    if (exists(element)) looks[element] = look;
  }
  return looks;
}

function readVariables(source: Reader, index: Index, variables: Names): Record<string, Value> {
  const kinds: readonly (() => Value)[] = [
    () => false, () => true, () => number(source.signed()), () => number(source.signed() / 1e6), () => source.text(),
  ];
  const values: Record<string, Value> = {};
  for (let left = source.varint(); left > 0; left--) {
    const name = variables.name(source.varint());
    const read = kinds[source.varint()];
    if (!read) throw new Damaged("the saved progress holds a value of an unknown kind");
    const value = read();
    const variable = index.variables.get(name);
    if (variable) values[name] = fitted(variable, value);
  }
  return values;
}

function readAnswers(source: Reader, index: Index, names: Remembered): Record<string, Answer> {
  const answers: Record<string, Answer> = {};
  for (let left = source.varint(); left > 0; left--) {
    const question = names.questions.name(source.varint());
    const flags = source.varint();
    const attempts = source.varint();
    const points = source.signed();
    const row = source.varint();
    const given: [string, string][] = [];
    for (let more = source.varint(); more > 0; more--) {
      const part = names.parts.name(source.varint());
      const kind = source.varint();
      given.push([part, kind > 1 ? names.parts.name(kind - 2) : kind ? source.text() : ""]);
    }
    const result = RESULTS[flags & 7];
    if (flags > 31 || result === undefined) throw new Damaged("the saved progress holds an answer of an unknown kind");
    const grader = index.questions.get(question);
    if (!grader) continue;
    answers[question] = restoredAnswer(grader, {
      ...NO_ANSWER, given, judged: attempts ? given : null, attempts, result, row, locked: Boolean(flags & 8), points: flags & 16 ? points / 1e6 : points,
    });
  }
  return answers;
}

/** Answers as versions 1 and 2 have them: choices alone. */
function readChosen(source: Reader, index: Index, names: Remembered): Record<string, Answer> {
  const answers: Record<string, Answer> = {};
  for (let left = source.varint(); left > 0; left--) {
    const question = names.questions.name(source.varint());
    const flags = source.varint();
    const attempts = source.varint();
    const points = source.varint();
    const given: [string, string][] = [];
    for (let more = source.varint(); more > 0; more--) given.push([names.parts.name(source.varint()), ""]);
    if (flags > 15) throw new Damaged("the saved progress holds an answer of an unknown kind");
    const grader = index.questions.get(question);
    if (!grader) continue;
    answers[question] = restoredAnswer(grader, {
      ...NO_ANSWER, given, judged: attempts ? given : null, attempts, result: RESULTS[flags & 3] ?? null, locked: Boolean(flags & 4),
      points: flags & 8 ? points / 1e6 : points,
    });
  }
  return answers;
}

/** Read where elements lie, and what was watched; elements that are gone are left out. */
function readPlaced(
  source: Reader, exists: (name: string) => boolean, elements: Names,
): Pick<State, "dropped" | "offsets" | "watched"> {
  const element = (): string => elements.name(source.varint());
  const dropped: Record<string, string> = {};
  for (let left = source.varint(); left > 0; left--) {
    const [name, target] = [element(), element()];
    if (exists(name) && exists(target)) dropped[name] = target;
  }
  const offsets: Record<string, Offset> = {};
  for (let left = source.varint(); left > 0; left--) {
    const name = element();
    const offset: Offset = [number(source.signed() / 100), number(source.signed() / 100)];
    if (exists(name)) offsets[name] = offset;
  }
  const watched: Record<string, Stretch[]> = {};
  for (let left = source.varint(); left > 0; left--) {
    const name = element();
    const stretches: Stretch[] = [];
    let end = 0;
    for (let more = source.varint(); more > 0; more--) {
      const since = end + source.varint();
      end = since + source.varint();
      stretches.push([since, end]);
    }
    if (exists(name)) watched[name] = stretches;
  }
  return { dropped, offsets, watched };
}

/** Read how much longer limits are, and put the ms that questions have had into `answers`. */
function readTime(source: Reader, answers: Record<string, Answer>, questions: Names): number {
  const longer = Math.min(number(source.varint() / 10), LIMITS.most_time);
  for (let left = source.varint(); left > 0; left--) {
    const question = questions.name(source.varint());
    const used = source.varint();
    const found = answers[question];
    if (found) answers[question] = { ...found, used };
  }
  return longer;
}
