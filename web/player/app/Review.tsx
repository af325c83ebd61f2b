/** Looking back at the questions of a finished quiz: what they came to, and the way from one to the next. */
import type { ReactNode } from "react";
import type { Event } from "../../api/events";
import type { Grader, ProgramQuiz } from "../../api/types";
import { givenWords, rightWords } from "../engine/answerWords";
import { evaluate } from "../engine/expression";
import { own } from "../engine/own";
import type { Index } from "../engine/program";
import { outcomeOf, takenSlides } from "../engine/quizWays";
import { NO_ANSWER, type State } from "../engine/state";
import { RichTextView } from "../render/RichTextView";
import { reviewed } from "../render/reviewing";
import { valueOf } from "../render/valueOf";

interface Props { index: Index; state: State; dispatch: (event: Event) => void }

/** What is shown of the questions of this slide; nothing while a quiz is being taken. */
export function Review({ index, state, dispatch }: Props): ReactNode {
  const quiz = reviewed(index, state);
  if (!quiz) return null;
  const { say } = index;
  const all = takenSlides(index, state, quiz);
  const here = all.indexOf(state.slide ?? "");
  const asks = (slide: string): boolean => index.asking.has(slide);
  const before = all.slice(0, here).filter(asks);
  const after = all.slice(here + 1).filter(asks);
  const result = outcomeOf(index, state, quiz);
  const way = (label: string, target: string | null | undefined): ReactNode => (
    <button type="button" aria-disabled={!target || undefined} onClick={() => { if (target) dispatch({ event: "slide", target }); }}>{label}</button>
  );
  const count = all.filter(asks).length;
  const words = asks(all[here] ?? "") ? say("review_place", { n: before.length + 1, count }) : "";
  return (
    <section className="zz-review" aria-label={words || say("questions_overview")}>
      <div className="zz-review-way">
        <strong>{words}</strong>
        {way(say("review_previous"), before.at(-1))}
        {way(say("review_next"), after[0])}
        {result && way(say("review_result"), result)}
      </div>
      {index.program.questions.filter(({ slide }) => slide === state.slide).map((grader) => (
        <Shown key={grader.id} {...{ index, state, quiz, grader }} />
      ))}
    </section>
  );
}

/** One question, as far as the review shows it. */
function Shown({ index, state, quiz, grader }: Omit<Props, "dispatch"> & { quiz: ProgramQuiz; grader: Grader }): ReactNode {
  const { say } = index;
  const answer = own(state.answers, grader.id) ?? NO_ANSWER;
  const shows = (what: ProgramQuiz["shows"][number]): boolean => quiz.shows.includes(what);
  const judged = grader.purpose !== "survey" && answer.result !== "neutral";
  const right = judged && shows("right") ? rightWords(grader, say) : "";
  const lines = [
    shows("answer") && (answer.given.length ? say("review_given", { words: givenWords(grader, answer) }) : say("review_none")),
    right && say("review_right", { words: right }),
    shows("points") && grader.purpose === "scored" && say("review_points", { points: answer.points, full: grader.points }),
    shows("attempts") && answer.attempts > 0 && say("review_attempts", { count: answer.attempts }),
  ].filter(Boolean);
  return (
    <>
      {lines.length > 0 && <ul>{lines.map((line) => <li key={String(line)}>{line}</li>)}</ul>}
      {shows("feedback") && <Said {...{ index, state, grader }} />}
    </>
  );
}

/** The feedback to the final answer. */
function Said({ index, state, grader }: Omit<Props, "dispatch"> & { grader: Grader }): ReactNode {
  const { result, row } = own(state.answers, grader.id) ?? NO_ANSWER;
  return grader.said.filter((one) => one.result === result && evaluate(index, state, one.condition)).map((one, n) => (
    <RichTextView key={n} text={(one.row && grader.rows[row - 1]?.words) || one.words} values={(of) => valueOf(index, state, of)} />
  ));
}
