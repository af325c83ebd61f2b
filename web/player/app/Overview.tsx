/** All questions of the attempt at a quiz: what has an answer, what has a flag, and the way to each. */
import { useEffect, useRef, type ReactNode } from "react";
import type { Event } from "../../api/events";
import type { ProgramQuiz } from "../../api/types";
import { mayGo } from "../engine/engine";
import type { Index } from "../engine/program";
import { unanswered } from "../engine/quizResults";
import { exitOf, nextOpen, takenSlides, underWay } from "../engine/quizWays";
import type { State } from "../engine/state";
import type { OpenPanels } from "./usePanels";
import { whyClosed } from "./whyClosed";

interface Props { index: Index; state: State; dispatch: (event: Event) => void }

/** The quiz that is under way, if its learners get an overview. */
function overviewed(index: Index, state: State): ProgramQuiz | undefined {
  const quiz = underWay(index, state);
  return quiz?.overview ? quiz : undefined;
}

/** Flag this question, leave it for later, and open the overview. */
export function QuizButtons({ index, state, dispatch, panels }: Props & { panels: OpenPanels }): ReactNode {
  const slide = state.slide ?? "";
  const here = underWay(index, state);
  if (!here) return null;
  const quiz = here.overview;
  const flagged = state.flagged.has(slide);
  const waits = nextOpen(index, state) !== null && unanswered(index, state, here).some((question) => question.slide === slide);
  return (
    <>
      {quiz && index.asking.has(slide) && (
        <button type="button" aria-pressed={flagged} aria-label={index.say("flag_question")} onClick={() => dispatch({ event: "flagged", target: slide, on: !flagged })}>
          <Flag filled={flagged} />
        </button>
      )}
      {quiz && (
        <button type="button" data-opens="overview" aria-expanded={panels.isOpen("overview")} onClick={() => panels.toggle("overview")}>{index.say("questions_overview")}</button>
      )}
      {waits && <button type="button" onClick={() => dispatch({ event: "postpone" })}>{index.say("postpone")}</button>}
    </>
  );
}

/** The list of questions. */
export function Overview({ index, state, dispatch, onClose }: Props & { onClose: () => void }): ReactNode {
  const list = useRef<HTMLDivElement>(null);
  useEffect(() => {
    (list.current?.querySelector<HTMLElement>("[aria-current]") ?? list.current?.querySelector("button"))?.focus();
  }, []);
  const quiz = overviewed(index, state);
  const there = quiz !== undefined;
  useEffect(() => {
    // Left open when the quiz is over, it would stand there again at the next attempt.
    if (!there) onClose();
  // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [there]);
  if (!quiz) return null;
  const slides = takenSlides(index, state, quiz).filter((slide) => index.asking.has(slide));
  const left = new Set<string>(unanswered(index, state, quiz).map(({ slide }) => slide));
  const answered = slides.filter((slide) => !left.has(slide)).length;
  const act = (event: Event): void => {
    onClose();
    dispatch(event);
  };
  return (
    <div
      ref={list} className="zz-menu zz-overview" role="region" aria-label={index.say("overview_of", { answered, count: slides.length })}
      onKeyDown={(event) => { if (event.key === "Escape") onClose(); }}
    >
      <p>{index.say("overview_of", { answered, count: slides.length })}</p>
      <ol>
        {slides.map((slide) => {
          const here = slide === state.slide;
          const reached = here || mayGo(index, state, slide);
          return (
            <li key={slide}>
              <button
                type="button" aria-current={here ? "step" : undefined} aria-disabled={!reached || undefined}
                onClick={() => act({ event: "slide", target: slide })}
              >
                <span>{index.slides.get(slide)?.title || index.say("untitled")}</span>
                <small className={left.has(slide) ? undefined : "zz-answered"}>
                  {state.flagged.has(slide) && <><Flag filled /><span className="zz-hidden">{index.say("question_flagged")}</span></>}
                  {!left.has(slide) && <Tick />}
                  {reached ? index.say(left.has(slide) ? "question_open" : "question_answered") : whyClosed(index, state, slide)}
                </small>
              </button>
            </li>
          );
        })}
      </ol>
      {exitOf(index, state) && (
        <button type="button" className="zz-main zz-finish" onClick={() => act({ event: "finish" })}>{index.say("finish_quiz")}</button>
      )}
    </div>
  );
}

function Tick(): ReactNode {
  return (
    <svg width="14" height="14" viewBox="0 0 14 14" aria-hidden>
      <path d="M2 7.5l3.5 3.5L12 3.5" fill="none" stroke="currentColor" strokeWidth="2.2" strokeLinecap="round" strokeLinejoin="round" />
    </svg>
  );
}

function Flag({ filled }: { filled: boolean }): ReactNode {
  return (
    <svg width="16" height="18" viewBox="0 0 16 18" aria-hidden>
      <path d="M3 17V1.5M3 2h10l-3 4 3 4H3" fill={filled ? "currentColor" : "none"} stroke="currentColor" strokeWidth="2" strokeLinejoin="round" />
    </svg>
  );
}
