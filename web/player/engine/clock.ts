/** Time: clocks of slides and overlays, their cues, timers and waits. The twin of `engine/clock.py`. */
import { LIMITS } from "../../api/tables";
import { followUp, goOn } from "./following";
import { enter, reach, setClock } from "./moving";
import * as questions from "./questions";
import { outcomeOf } from "./quizWays";
import * as quizzes from "./quizzes";
import type { Run } from "./run";
import type { Time, Waiting } from "./state";
import { own } from "./own";


/** Let `ms` pass, stopping at every cue, timer and wait on the way. */
export function advance(run: Run, ms: number): void {
  const goal = run.state.time + ms;
  let fired = 0;
  for (; fired < LIMITS.moments; fired++) {
    const owners = running(run);
    if (!owners.length && !run.state.waiting.length && !questions.timed(run).length && !quizzes.inTime(run)) break;
    const passed = untilNext(run, owners, goal - run.state.time);
    if (passed === null) break;
    pass(run, owners, passed);
    questions.expire(run);
    fire(run, passed ? owners : []);
    expireQuiz(run);
    followUp(run);
    if (run.state.ended || !run.state.slide) break;
  }
  if (fired === LIMITS.moments) {
    run.update({ waiting: run.state.waiting.map((wait) => ({ ...wait, due: Math.max(wait.due, goal + 1) })) });
  }
  if (run.state.time < goal) pass(run, running(run), goal - run.state.time);
}

function running(run: Run): string[] {
  const { state, index } = run;
  if (state.paused) return [];
  const owners = state.slide === null ? state.overlays : [state.slide, ...state.overlays];
  return owners.filter((owner) => {
    if (!own(state.clocks, owner)?.runs || !index.clocks.has(owner)) return false;
    if (owner !== state.slide) return state.overlays.includes(owner);
    return !state.overlays.some((overlay) => index.overlays.get(overlay)?.pauses);
  });
}

function untilNext(run: Run, owners: readonly string[], left: number): number | null {
  let found = left + 1;
  for (const owner of owners) {
    const way = nextMoment(run, owner) - (own(run.state.clocks, owner)?.at ?? 0);
    // Rounded up: there, not just before it.
    if (Number.isFinite(way)) found = Math.min(found, Math.ceil((way * 100) / run.state.speed));
  }
  for (const wait of run.state.waiting) found = Math.min(found, Math.max(wait.due - run.state.time, 0));
  for (const grader of questions.timed(run)) found = Math.min(found, questions.timeLeft(grader, run.state));
  const quiz = quizzes.inTime(run);
  if (quiz) found = Math.min(found, quizzes.timeLeft(run.state, quiz) ?? found);
  return found <= left ? found : null;
}

/** Where (ms) the clock of `owner` is to stop next: at a cue, or its end; never is infinite. */
function nextMoment(run: Run, owner: string): number {
  const clock = run.index.clocks.get(owner);
  const at = own(run.state.clocks, owner)?.at ?? 0;
  let found = Infinity;
  if (!clock) return found;
  for (const cue of clock.cues) if (cue.at > at) found = Math.min(found, cue.at);
  return clock.length > at ? Math.min(found, clock.length) : found;
}

function pass(run: Run, owners: readonly string[], ms: number): void {
  questions.useTime(run, ms);
  quizzes.useTime(run, ms);
  if (!owners.length) {
    run.update({ time: run.state.time + ms });
    return;
  }
  const clocks: Record<string, Time> = { ...run.state.clocks };
  for (const owner of owners) {
    const time = clocks[owner];
    if (!time) continue;
    const at = time.at + Math.floor((ms * run.state.speed) / 100);
    clocks[owner] = { ...time, at: Math.min(at, nextMoment(run, owner)) };
  }
  run.update({ time: run.state.time + ms, clocks });
}

function fire(run: Run, owners: readonly string[]): void {
  for (const owner of owners) {
    const clock = run.index.clocks.get(owner);
    const at = own(run.state.clocks, owner)?.at ?? 0;
    if (!clock) continue;
    for (const cue of clock.cues) if (cue.at === at) reach(run, owner, cue);
    if (at === clock.length && clock.length) {
      run.raised("timing_ended", owner);
      setClock(run, owner, clock.repeats ? { at: 0, runs: true } : { at, runs: false });
    }
  }
  const due = run.state.waiting.filter((wait) => wait.due <= run.state.time);
  if (!due.length) return;
  run.update({ waiting: run.state.waiting.filter((wait) => wait.due > run.state.time) });
  for (const wait of due.sort((a, b) => a.due - b.due)) resume(run, wait);
}

/** Where the time of a quiz is up, it is finished, and the learner comes to its outcome. */
function expireQuiz(run: Run): void {
  const quiz = quizzes.inTime(run);
  if (!quiz || quizzes.timeLeft(run.state, quiz) !== 0) return;
  quizzes.finish(run, quiz);
  run.effects.push({ effect: "announce", text: run.index.say("quiz_time_up") });
  const outcome = outcomeOf(run.index, run.state, quiz);
  if (outcome !== null) enter(run, outcome);
}

function resume(run: Run, wait: Waiting): void {
  const bound = run.index.rules.get(wait.rule);
  if (!bound) return;
  if (wait.branch !== "timer") {
    goOn(run, bound, wait.branch, wait.index);
    return;
  }
  run.raised("timer", wait.owner, wait.rule);
  if (bound.rule.again) {
    const due = run.state.time + Math.max(bound.rule.after, 100);
    run.update({ waiting: [...run.state.waiting, { ...wait, due }] });
  }
}
