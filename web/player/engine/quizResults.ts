/** What an attempt at a quiz has come to. The twin of `engine/quiz_results.py`, which says why. */
import type { OF_QUIZ } from "../../api/tables";
import { LIMITS } from "../../api/tables";
import type { Grader, ProgramBand, ProgramQuiz } from "../../api/types";
import { isJudged, mostOf } from "./grade";
import { own } from "./own";
import type { Index } from "./program";
import { NO_ANSWER, NOT_BEGUN, type Answer, type Earlier, type State, type Success, type Taking } from "./state";
import { number, type Value } from "./values";
import { day, now } from "./wall";

/** How far a quiz is. */
export function takingOf(state: State, quiz: ProgramQuiz): Taking {
  return own(state.taking, quiz.id) ?? NOT_BEGUN;
}

/** The questions of a quiz that the learner gets. */
export function gradersOf(index: Index, state: State, quiz: ProgramQuiz): readonly Grader[] {
  return index.ordered(state.draws).graders(quiz.id);
}

/** The share (0..1) of all points that the present attempt has; 0 where it gives none. */
export function share(index: Index, state: State, quiz: ProgramQuiz): number {
  return shareOf(state, gradersOf(index, state, quiz));
}

/** The share (0..1) of the points that counts, of all attempts. */
function counted(index: Index, state: State, quiz: ProgramQuiz): number {
  const { earlier, finished } = takingOf(state, quiz);
  const found = finished || !earlier.count || quiz.counts === "best" ? withOne(earlier, share(index, state, quiz)) : earlier;
  return quiz.counts === "mean" ? number(found.total / found.count) : found[quiz.counts];
}

/** What attempts came to, with one more. */
export function withOne(earlier: Earlier, result: number): Earlier {
  return {
    count: earlier.count + 1, first: earlier.count ? earlier.first : result, best: Math.max(earlier.best, result), last: result,
    total: number(earlier.total + result),
  };
}

/** By how many points earlier attempts change what the answers come to now. */
export function countedBefore(index: Index, state: State): number {
  let change = 0;
  for (const quiz of index.program.quizzes) {
    if (!takingOf(state, quiz).earlier.count) continue;
    const graders = gradersOf(index, state, quiz);
    change += number(counted(index, state, quiz) * most(graders)) - points(state, graders);
  }
  return change;
}

/** The score of a course (per cent) that its quizzes make, by weight or the best of them. */
export function courseScore(index: Index, state: State): number | null {
  const found = index.program.quizzes.filter((quiz) => most(gradersOf(index, state, quiz)) > 0)
    .map((quiz) => [quiz.weight, counted(index, state, quiz)] as const);
  if (index.program.scoring === "best") return found.length ? percent(Math.max(...found.map(([, share]) => share))) : null;
  const weight = found.reduce((sum, [own]) => sum + own, 0);
  return weight ? percent(number(found.reduce((sum, [own, share]) => sum + own * share, 0) / weight)) : null;
}

/** How a quiz stands, in the words of SCORM 1.2 for an objective; and its score in per cent, once it was begun, if it gives points. */
export function standing(index: Index, state: State, quiz: ProgramQuiz): { status: string; score: number | null } {
  const graders = gradersOf(index, state, quiz);
  const { earlier, used } = takingOf(state, quiz);
  const over = earlier.count > 0 || isFinished(index, state, quiz);
  const begun = over || used > 0 || unanswered(index, state, quiz).length < graders.length;
  const score = most(graders) > 0 ? percent(counted(index, state, quiz)) : null;
  if (passed(index, state, quiz)) return { status: "passed", score };
  if (over) return { status: score === null ? "completed" : "failed", score };
  return begun ? { status: "incomplete", score } : { status: "not attempted", score: null };
}

/** From how many per cent on a quiz is passed. */
function passMark(index: Index, quiz: ProgramQuiz): number {
  return quiz.pass_mark ?? index.program.pass_mark;
}

/** Whether the result that counts reaches the pass mark. */
export function passed(index: Index, state: State, quiz: ProgramQuiz): boolean {
  return most(gradersOf(index, state, quiz)) > 0 && percent(counted(index, state, quiz)) >= passMark(index, quiz);
}

/** Whether the present attempt reaches the pass mark; null where it gives no points. */
export function reached(index: Index, state: State, quiz: ProgramQuiz): boolean | null {
  return most(gradersOf(index, state, quiz)) > 0 ? percent(share(index, state, quiz)) >= passMark(index, quiz) : null;
}

/** Whether a pass mark of the quiz's own is not reached yet. */
export function keepsFromPassing(index: Index, state: State, quiz: ProgramQuiz): boolean {
  return typeof quiz.pass_mark === "number" && !passed(index, state, quiz) && most(gradersOf(index, state, quiz)) > 0;
}

/** A share in per cent, with two decimals. */
export function percent(of: number): number {
  return Math.floor(of * 10_000 + 0.5) / 100;
}

/** The number of the present attempt, from 1. */
export function attempt(state: State, quiz: ProgramQuiz): number {
  return state.draws.find((draw) => draw.quiz === quiz.id)?.attempt ?? 1;
}

/** The questions of the present attempt that have no answer. */
export function unanswered(index: Index, state: State, quiz: ProgramQuiz): readonly Grader[] {
  return gradersOf(index, state, quiz).filter((grader) => !hasAnswer(answerTo(state, grader.id)) && !isClosed(state, grader));
}

/** Whether a question that one way asks and another does not is not open any more. */
export function isClosed(state: State, { closed_by }: Grader): boolean {
  return closed_by.some((name) => own(state.variables, name) === true);
}

/** The minutes, rounded up, until the next attempt may begin. */
export function minutesToWait(state: State, quiz: ProgramQuiz): number {
  const { over } = takingOf(state, quiz);
  const here = now(state);
  return typeof quiz.wait === "number" && over && here ? Math.max(-Math.floor((here - over - quiz.wait * 60) / 60), 0) : 0;
}

/** The band that the present attempt is in: with all its questions, or those of a set. */
function bandOf(index: Index, state: State, quiz: ProgramQuiz, of: string | null = null): ProgramBand | undefined {
  const graders = of === null ? gradersOf(index, state, quiz) : gradersIn(index, state, quiz, slidesOf(quiz, of));
  const reached = { percent: () => percent(shareOf(state, graders)), points: () => number(points(state, graders)), right: () => right(state, graders) }[quiz.banded]();
  return [...quiz.bands].reverse().find((band) => (band.of ?? null) === of && reached >= band.least);
}

/** What *set_score* (per cent) or *set_right* gives for a set of questions. */
export function ofSet(index: Index, state: State, operator: "set_score" | "set_right", name: string): number {
  for (const quiz of index.program.quizzes) {
    const set = quiz.sets.find(({ id }) => id === name);
    if (!set) continue;
    const graders = gradersIn(index, state, quiz, slidesOf(quiz, name));
    return operator === "set_score" ? percent(shareOf(state, graders)) : right(state, graders);
  }
  return 0;
}

/** Whether the result is in the band `name` of its quiz. */
export function inBand(index: Index, state: State, name: string): boolean {
  const quiz = index.program.quizzes.find(({ bands }) => bands.some(({ id }) => id === name));
  const of = quiz?.bands.find(({ id }) => id === name)?.of ?? null;
  return quiz !== undefined && bandOf(index, state, quiz, of)?.id === name;
}

/** Begins the name of the score of all questions with a tag. */
const TAG = "tag:";

/** The score (per cent) that the id of a set, or a tag after `TAG`, stands for; null for any other name. */
export function ofPart(index: Index, state: State, name: string): number | null {
  if (!name.startsWith(TAG)) {
    return index.program.quizzes.some(({ sets }) => sets.some(({ id }) => id === name)) ? ofSet(index, state, "set_score", name) : null;
  }
  const quiz = index.quizFor(state.slide ?? "");
  const tag = quiz?.tags.find((one) => one.name === name.slice(TAG.length));
  return quiz && tag ? percent(shareOf(state, gradersIn(index, state, quiz, tag.slides))) : 0;
}

function slidesOf(quiz: ProgramQuiz, set: string): string[] {
  return quiz.sets.find(({ id }) => id === set)?.units.flatMap((unit) => unit.slides) ?? [];
}

/** The questions that the learner gets on some slides of a quiz. */
function gradersIn(index: Index, state: State, quiz: ProgramQuiz, slides: readonly string[]): readonly Grader[] {
  const inside = new Set(slides);
  return gradersOf(index, state, quiz).filter(({ slide }) => inside.has(slide));
}

function answerTo(state: State, question: string): Answer {
  return own(state.answers, question) ?? NO_ANSWER;
}

function points(state: State, graders: readonly Grader[]): number {
  return graders.reduce((sum, { id, purpose }) => (purpose === "scored" ? sum + answerTo(state, id).points : sum), 0);
}

function most(graders: readonly Grader[]): number {
  return graders.reduce((sum, grader) => sum + mostOf(grader), 0);
}

function shareOf(state: State, graders: readonly Grader[]): number {
  const of = most(graders);
  return of ? number(Math.max(points(state, graders) / of, 0)) : 0;
}

function right(state: State, graders: readonly Grader[]): number {
  return graders.filter(({ id }) => answerTo(state, id).result === "right").length;
}

function hasAnswer({ attempts, given }: Answer): boolean {
  return attempts > 0 || given.length > 0;
}

/** Whether it was finished, or nothing in it can be answered any more. */
function isFinished(index: Index, state: State, quiz: ProgramQuiz): boolean {
  const graders = gradersOf(index, state, quiz);
  return takingOf(state, quiz).finished || (graders.length > 0 && graders.every((grader) => answerTo(state, grader.id).locked || isClosed(state, grader)));
}

function resultOf(index: Index, state: State, quiz: ProgramQuiz): Exclude<Success, "unknown"> | "open" | "finished" {
  if (passed(index, state, quiz)) return "passed";
  if (!isFinished(index, state, quiz)) return "open";
  return most(gradersOf(index, state, quiz)) > 0 ? "failed" : "finished";
}

export type OfQuiz = (typeof OF_QUIZ)[number];

const NOTHING: Partial<Record<OfQuiz, Value>> = { quiz_result: "open", quiz_band: "", quiz_day: "", quiz_passed: false, quiz_finished: false, quiz_sent: false };

const FACTS: Readonly<Record<OfQuiz, (index: Index, state: State, quiz: ProgramQuiz) => Value>> = {
  quiz_points: (index, state, quiz) => number(points(state, gradersOf(index, state, quiz))),
  quiz_max_points: (index, state, quiz) => number(most(gradersOf(index, state, quiz))),
  quiz_score: (index, state, quiz) => percent(share(index, state, quiz)),
  quiz_right: (index, state, quiz) => right(state, gradersOf(index, state, quiz)),
  quiz_judged: (index, state, quiz) => gradersOf(index, state, quiz).filter((grader) => grader.purpose !== "survey" && isJudged(grader)).length,
  quiz_questions: (index, state, quiz) => gradersOf(index, state, quiz).length,
  quiz_answered: (index, state, quiz) => gradersOf(index, state, quiz).length - unanswered(index, state, quiz).length,
  quiz_seconds: (_, state, quiz) => Math.floor(takingOf(state, quiz).used / 1_000),
  quiz_attempt: (_, state, quiz) => attempt(state, quiz),
  quiz_attempts_left: (_, state, quiz) => Math.max((quiz.attempts ?? LIMITS.most_attempts) - attempt(state, quiz), 0),
  quiz_best: (index, state, quiz) => percent(Math.max(share(index, state, quiz), takingOf(state, quiz).earlier.best)),
  quiz_pass_mark: (index, _, quiz) => number(passMark(index, quiz)),
  quiz_result: resultOf,
  quiz_passed: passed,
  quiz_finished: isFinished,
  quiz_sent: (_, state, quiz) => takingOf(state, quiz).sent,
  quiz_band: (index, state, quiz) => bandOf(index, state, quiz)?.name ?? "",
  quiz_wait: (_, state, quiz) => minutesToWait(state, quiz),
  quiz_day: (_, state, quiz) => day(state, takingOf(state, quiz).over || now(state)),
};

/** What an operator that tells of a quiz gives; of none a nothing. */
export function fact(index: Index, state: State, operator: OfQuiz, quiz: ProgramQuiz | undefined): Value {
  return quiz ? FACTS[operator](index, state, quiz) : NOTHING[operator] ?? 0;
}

/** Whether the course keeps a value of this name that tells of a quiz. */
export function isOfQuiz(name: string): name is OfQuiz {
  return Object.hasOwn(FACTS, name);
}
