/** Drawing, timing and finishing quizzes. The twin of `engine/quizzes.py`, which says why. */
import { LIMITS } from "../../api/tables";
import type { ProgramQuiz } from "../../api/types";
import { own } from "./own";
import type { Index } from "./program";
import { conclude } from "./questions";
import { drawn } from "./quiz/drawing";
import { attempt, gradersOf, minutesToWait, reached, share, takingOf, unanswered, withOne } from "./quizResults";
import type { Run } from "./run";
import { NOT_BEGUN, type Draw, type State, type Taking } from "./state";
import { now, setTo } from "./wall";

/** What a learner gets of each quiz at the first attempt. */
export function firstDraws(index: Index, seed: number): readonly Draw[] {
  return index.program.quizzes.map((quiz) => ({ quiz: quiz.id, slides: drawn(quiz, seed), attempt: 1, seen: [], kept: [] }));
}

/** The draws of a run that goes on: those saved, and of a quiz that came later, and that nobody has begun, the first. */
export function drawsToResume(index: Index, first: readonly Draw[], saved: readonly Draw[], visited: readonly string[]): readonly Draw[] {
  const begun = index.program.quizzes.filter(({ slides }) => slides.some((slide) => visited.includes(slide)));
  const known = new Set([...saved.map(({ quiz }) => quiz), ...begun.map(({ id }) => id)]);
  return [...saved, ...first.filter(({ quiz }) => !known.has(quiz))];
}

/** Let a quiz that `slide` was not drawn for be as the course has it; but for its first slide, which stands for the quiz. */
export function leaveWhole(run: Run, slide: string): void {
  const { index, state } = run;
  if (index.ordered(state.draws).position.has(slide)) return;
  const quiz = index.program.quizzes.find(({ slides }) => slides.includes(slide, 1));
  if (quiz) run.update({ draws: state.draws.filter((draw) => draw.quiz !== quiz.id) });
}

/** Begin the next attempt at a quiz, drawn anew; tells whether there is one left. One that nobody has begun stays as it is. */
export function drawAgain(run: Run, name: string): boolean {
  const { index, state } = run;
  const quiz = index.quizzes.get(name);
  if (!quiz || !isBegun(state, quiz)) return true;
  const found = state.draws.find((draw) => draw.quiz === name);
  const before = found ?? { quiz: name, slides: [], attempt: 1, seen: [], kept: [] };
  if (before.attempt >= (quiz.attempts ?? LIMITS.most_attempts)) return refuse(run, quiz, index.say("no_attempts_left"));
  const count = minutesToWait(state, quiz);
  if (count) return refuse(run, quiz, index.say("wait_for_attempt", { count }));
  const earlier = withOne(takingOf(state, quiz).earlier, share(index, state, quiz));
  const after = nextDraw(quiz, before, run);
  const own = new Set<string>(quiz.slides);
  run.update({
    draws: found ? state.draws.map((draw) => (draw === found ? after : draw)) : [...state.draws, after],
    flagged: new Set([...state.flagged].filter((slide) => !own.has(slide))),
  });
  put(run, quiz, { ...NOT_BEGUN, earlier });
  return true;
}

/** The questions that beginning again leaves as they are. */
export function keptAnswers({ index, state, refused }: Run): ReadonlySet<string> {
  const kept = new Set([
    ...state.draws.flatMap((draw) => draw.kept), ...[...refused].flatMap((name): readonly string[] => index.quizzes.get(name)?.slides ?? []),
  ]);
  return new Set(kept.size ? index.program.questions.filter(({ slide }) => kept.has(slide)).map(({ id }) => id) : []);
}

/** Whether the learner has to confirm first that the quiz which `slide` ends is over; says so, once. */
export function holdsBack(run: Run, slide: string): boolean {
  const quiz = endedBy(run, slide);
  if (!quiz) return false;
  const taking = takingOf(run.state, quiz);
  const count = unanswered(run.index, run.state, quiz).length;
  if (taking.asked || !count) return false;
  put(run, quiz, { ...taking, asked: true });
  run.effects.push({ effect: "closed", slide: run.state.slide ?? "", message: run.index.say("finish_with_open", { count }) });
  return true;
}

/** Finish the quiz whose outcome `slide` shows, if it is not finished. */
export function finishAt(run: Run, slide: string): void {
  const quiz = endedBy(run, slide);
  if (quiz) finish(run, quiz);
}

/** Judge what was answered, lock all, and let the attempt be over. */
export function finish(run: Run, quiz: ProgramQuiz): void {
  conclude(run, gradersOf(run.index, run.state, quiz));
  put(run, quiz, { ...takingOf(run.state, quiz), finished: true, over: now(run.state) });
  const passes = reached(run.index, run.state, quiz);
  if (passes !== null) run.raised(passes ? "quiz_passed" : "quiz_failed", quiz.id);
  run.raised("quiz_finished", quiz.id);
}

/** The report of the present attempt has arrived; that of an earlier one is no news. */
export function arrived(run: Run, name: string, number: number): void {
  const quiz = run.index.quizzes.get(name);
  if (!quiz || number !== attempt(run.state, quiz)) return;
  const taking = takingOf(run.state, quiz);
  if (taking.finished && !taking.sent) put(run, quiz, { ...taking, sent: true });
}

/** The quiz whose time is running: the one that the learner is in, else one whose time goes on without its learner. */
export function inTime({ index, state }: { index: Index; state: State }): ProgramQuiz | undefined {
  const slide = state.slide ?? "";
  const quiz = index.quizOf.get(slide);
  const runs = quiz && !state.paused && !takingOf(state, quiz).finished && !quiz.opening.includes(slide) && !quiz.outcomes.includes(slide);
  return runs ? quiz : index.away.find((one) => goesOn(state, one));
}

/** The ms that are left for the attempt; null where there is no limit. */
export function timeLeft(state: State, quiz: ProgramQuiz): number | null {
  if (typeof quiz.time_limit !== "number" || (quiz.extendable && !state.more_time)) return null;
  return Math.max(Math.floor(quiz.time_limit * 1_000 * (quiz.extendable ? state.more_time : 1)) - takingOf(state, quiz).used, 0);
}

/** Let `ms` pass for the quiz that is being taken. */
export function useTime(run: Run, ms: number): void {
  const quiz = ms ? inTime(run) : undefined;
  if (!quiz) return;
  const taking = takingOf(run.state, quiz);
  put(run, quiz, { ...taking, used: taking.used + ms });
}

/** Set the clock on the wall; time that goes on without the learner has gone on since then. */
export function comeBack(run: Run, seconds: number, zone: number): void {
  const before = now(run.state) || run.state.saved;
  run.update({ ...setTo(run.state, seconds, zone), saved: 0 });
  const passed = now(run.state) - before;
  if (!before || passed <= 0) return;
  for (const quiz of run.index.away.filter((one) => goesOn(run.state, one))) {
    const taking = takingOf(run.state, quiz);
    put(run, quiz, { ...taking, used: Math.min(taking.used + passed * 1_000, LIMITS.longest_used) });
  }
}

/** Whether the time of an attempt runs without its learner. */
function goesOn(state: State, quiz: ProgramQuiz): boolean {
  return quiz.away && isBegun(state, quiz) && !takingOf(state, quiz).finished;
}

function refuse(run: Run, quiz: ProgramQuiz, message: string): false {
  run.refused.add(quiz.id);
  run.effects.push({ effect: "closed", slide: run.state.slide ?? "", message });
  return false;
}

/** The quiz that is finished by coming to `slide`. */
function endedBy({ index, state }: Run, slide: string): ProgramQuiz | undefined {
  const quiz = index.quizOf.get(slide);
  return quiz?.outcomes.includes(slide) && isBegun(state, quiz) && !takingOf(state, quiz).finished ? quiz : undefined;
}

/** Whether the attempt had time, is over, or the learner was on a slide of it, beside what opens it and the outcomes. */
export function isBegun(state: State, quiz: ProgramQuiz): boolean {
  const { used, finished } = takingOf(state, quiz);
  const [{ visited }, { slides, opening, outcomes }] = [state, quiz];
  return used > 0 || finished || slides.some((slide) => visited.includes(slide) && !opening.includes(slide) && !outcomes.includes(slide));
}

function nextDraw(quiz: ProgramQuiz, before: Draw, run: Run): Draw {
  const { state, index } = run;
  const next = { quiz: quiz.id, attempt: before.attempt + 1, seen: [], kept: [] };
  if (quiz.again === "same") return { ...next, slides: before.slides };
  if (quiz.again === "unseen") {
    const seen = new Set([...before.seen, ...before.slides.filter((slide) => state.visited.includes(slide))]);
    return { ...next, slides: drawn(quiz, state.seed, next.attempt, seen), seen: [...seen] };
  }
  if (quiz.again === "wrong") {
    const right = rightSlides(quiz, before, run);
    const slides = before.slides.filter((slide) => !right.has(slide));
    if (slides.some((slide) => index.asking.has(slide))) {
      return { ...next, slides, kept: quiz.slides.filter((slide) => right.has(slide) || before.kept.includes(slide)) };
    }
  }
  return { ...next, slides: drawn(quiz, state.seed, next.attempt) };
}

/** The drawn slides that need not come again. What has no question stays as long as something else that comes with it does. */
function rightSlides(quiz: ProgramQuiz, before: Draw, { index, state }: Run): ReadonlySet<string> {
  const asking = new Map<string, boolean>();
  for (const { id, slide } of gradersOf(index, state, quiz)) {
    const result = own(state.answers, id)?.result;
    asking.set(slide, (asking.get(slide) ?? true) && (result === "right" || result === "neutral"));
  }
  const right = new Set(before.slides.filter((slide) => asking.get(slide)));
  for (const { slides } of quiz.sets.flatMap(({ units }) => units)) {
    if (slides.some((slide) => right.has(slide)) && slides.every((slide) => right.has(slide) || !asking.has(slide))) {
      for (const slide of slides) right.add(slide);
    }
  }
  return new Set(before.slides.filter((slide) => right.has(slide)));
}

function put(run: Run, quiz: ProgramQuiz, taking: Taking): void {
  run.update({ taking: { ...run.state.taking, [quiz.id]: taking } });
}
