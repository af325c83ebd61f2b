/** Choosing and submitting answers. The twin of `logic/questions.py`. */
import { judge } from "./grade";
import type { Run } from "./run";
import { NO_ANSWER, type Answer } from "./state";

export function choose(run: Run, question: string, choice: string): void {
  const grader = run.index.questions.get(question);
  const answer = run.state.answers[question] ?? NO_ANSWER;
  if (grader && !answer.locked && grader.choices.includes(choice)) {
    put(run, question, { ...answer, chosen: [choice] });
  }
}

export function submit(run: Run, question: string): void {
  const { state } = run;
  const grader = run.index.questions.get(question);
  const answer = state.answers[question] ?? NO_ANSWER;
  if (!grader || answer.locked || !answer.chosen.length) return;
  const { result, points } = judge(grader, answer.chosen);
  const attempts = answer.attempts + 1;
  const usedUp = grader.attempts !== null && attempts >= grader.attempts;
  const locked = result !== "wrong" || usedUp;
  put(run, question, { ...answer, attempts, result, points, locked, since: state.time });
  run.effects.push({
    effect: "answered", question, attempt: attempts, chosen: [...answer.chosen], result, points,
    latency: state.time - Math.max(answer.since, state.entered),
  });
  const event = result === "right" ? "answered_right"
    : result === "neutral" ? "answered"
    : locked ? "answered_last" : "answered_wrong";
  run.raised(event, question);
}

function put(run: Run, question: string, answer: Answer): void {
  run.update({ answers: { ...run.state.answers, [question]: answer } });
}
