/** Saving what was drawn of quizzes. The twin of `zigzag_core/tracking/draws.py`. */
import type { Index } from "../engine/program";
import { own } from "../engine/own";
import { NOT_BEGUN, type Draw, type Earlier, type State, type Taking } from "../engine/state";
import { number } from "../engine/values";
import { now } from "../engine/wall";
import { Damaged, type Reader, type Writer } from "./coder";
import type { Names } from "./remembered";

/** Write the draws of a run; a quiz is known by the slides that were drawn of it. */
export function writeDraws(out: Writer, state: State, slides: Names): void {
  const { draws, taking } = state;
  out.number(draws.length, "draws");
  for (const draw of draws) {
    out.number(draw.attempt, "attempt");
    writeOrder(out, slides, draw.slides.flatMap((name) => slides.numbers.get(name) ?? []));
    out.members(slides.known(draw.seen), "seen before");
    out.members(slides.known(draw.kept), "kept");
    const howFar = own(taking, draw.quiz) ?? NOT_BEGUN;
    writeTaking(out, howFar);
    out.number(howFar.over, "over");
  }
  out.members(slides.known(state.flagged), "flagged");
  out.number(now(state) || state.saved, "saved");
}

type SavedQuizzes = Pick<State, "draws" | "taking" | "flagged" | "saved">;

/** What progress without quizzes has of them. */
export const NO_QUIZZES: SavedQuizzes = { draws: [], taking: {}, flagged: new Set(), saved: 0 };

/**
 * What was written of quizzes when so many slides were `known`, without slides that are in no quiz any more. Older
 * progress has not how far the attempts are (`withTaking`), or when they were over and what has a flag (`withTimes`).
 */
export function readDraws(
  source: Reader, index: Index, slides: Names, known: number, withTaking: boolean, withTimes: boolean,
): SavedQuizzes {
  const { quizzes } = index.program;
  const quizOf = new Map(quizzes.flatMap((quiz) => quiz.slides.map((slide) => [slide, quiz.id] as const)));
  const found = new Map<string, Draw>();
  const taking: Record<string, Taking> = {};
  for (let left = source.count("draws"); left > 0; left--) {
    const attempt = source.number("attempt");
    const drawn = slides.named(readOrder(source, known));
    const seen = slides.named(source.members("seen before"));
    const kept = withTaking ? slides.named(source.members("kept")) : [];
    const begun = withTaking ? readTaking(source) : NOT_BEGUN;
    const howFar = withTimes ? { ...begun, over: source.number("over") } : begun;
    const first = drawn.find((slide) => quizOf.has(slide));
    const quiz = first === undefined ? undefined : quizOf.get(first);
    if (quiz === undefined || found.has(quiz)) continue;
    const ofIt = (slide: string): boolean => quizOf.get(slide) === quiz;
    found.set(quiz, { quiz, slides: drawn.filter(ofIt), attempt, seen: seen.filter(ofIt), kept: kept.filter(ofIt) });
    if (howFar.used || howFar.asked || howFar.finished || howFar.over || howFar.earlier.count) taking[quiz] = howFar;
  }
  const flagged = withTimes ? slides.named(source.members("flagged")) : [];
  const saved = withTimes ? source.number("saved") : 0;
  return { draws: quizzes.flatMap(({ id }) => found.get(id) ?? []), taking, flagged: new Set(flagged.filter((slide) => quizOf.has(slide))), saved };
}

function writeTaking(out: Writer, { asked, finished, sent, used, earlier }: Taking): void {
  out.number(Number(asked) | (Number(finished) << 1) | (Number(sent) << 2), "taking");
  out.number(used, "used in quiz");
  out.number(earlier.count, "attempts before");
  if (!earlier.count) return;
  for (const share of [earlier.first, earlier.best, earlier.last, earlier.total]) out.number(Math.floor(share * 1e6 + 0.5), "results before");
}

function readTaking(source: Reader): Taking {
  const flags = source.number("taking");
  const used = source.number("used in quiz");
  if (flags > 7) throw new Damaged("the saved progress has a quiz in a state that does not exist");
  const count = source.number("attempts before");
  const earlier: Earlier = count ? { count, first: share(source), best: share(source), last: share(source), total: share(source) } : NOT_BEGUN.earlier;
  return { used, asked: Boolean(flags & 1), finished: Boolean(flags & 2), over: 0, sent: Boolean(flags & 4), earlier };
}

function share(source: Reader): number {
  return number(source.number("results before") / 1e6);
}

/** Write numbers that are all different: rising ones as a set, others evenly. */
function writeOrder(out: Writer, slides: Names, numbers: readonly number[]): void {
  const rising = numbers.every((number, at) => at === 0 || (numbers[at - 1] as number) < number);
  out.plain(Number(rising), 1);
  if (rising) {
    out.members(numbers, "drawn");
    return;
  }
  out.number(numbers.length, "drawn");
  for (const number of numbers) out.plain(number, bits(slides.names.length));
}

function readOrder(source: Reader, known: number): number[] {
  if (source.plain(1)) return source.members("drawn");
  const numbers = Array.from({ length: source.count("drawn") }, () => source.plain(bits(known)));
  if (new Set(numbers).size < numbers.length) throw new Damaged("the saved progress has a slide twice in a quiz");
  return numbers;
}

/** So many bits tell each of `count` things from the others. */
function bits(count: number): number {
  return count > 1 ? 32 - Math.clz32(count - 1) : 0;
}
