/** Saving what was drawn of quizzes. The twin of `zigzag_core/tracking/draws.py`. */
import type { Index } from "../engine/program";
import type { Draw, State } from "../engine/state";
import { Damaged, type Reader, type Writer } from "./coder";
import type { Names } from "./remembered";

/** Write the draws of a run; a quiz is known by the slides that were drawn of it. */
export function writeDraws(out: Writer, { draws }: State, slides: Names): void {
  out.number(draws.length, "draws");
  for (const draw of draws) {
    out.number(draw.attempt, "attempt");
    writeOrder(out, slides, draw.slides.flatMap((name) => slides.numbers.get(name) ?? []));
    out.members(slides.known(draw.seen), "seen before");
  }
}

/** The draws that were written when so many slides were `known`, without slides that are in no quiz any more. */
export function readDraws(source: Reader, index: Index, slides: Names, known: number): readonly Draw[] {
  const { quizzes } = index.program;
  const quizOf = new Map(quizzes.flatMap((quiz) => quiz.slides.map((slide) => [slide, quiz.id] as const)));
  const found = new Map<string, Draw>();
  for (let left = source.count("draws"); left > 0; left--) {
    const attempt = source.number("attempt");
    const drawn = slides.named(readOrder(source, known));
    const seen = slides.named(source.members("seen before"));
    const first = drawn.find((slide) => quizOf.has(slide));
    const quiz = first === undefined ? undefined : quizOf.get(first);
    if (quiz === undefined || found.has(quiz)) continue;
    const own = (slide: string): boolean => quizOf.get(slide) === quiz;
    found.set(quiz, { quiz, slides: drawn.filter(own), attempt, seen: seen.filter(own) });
  }
  return quizzes.flatMap(({ id }) => found.get(id) ?? []);
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
