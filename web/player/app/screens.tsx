/** What stands in the slide's place before the course runs and after it was left. */
import type { ReactNode } from "react";
import type { Phase, Session } from "./session";
import type { Index } from "../engine/program";
import { attempt } from "../engine/quizResults";
import { isBegun } from "../engine/quizzes";
import type { State } from "../engine/state";
import type { Word } from "../engine/words";
import { useSay } from "../render/speech";
import type { Kept } from "../tracking/tracker";

/** Shown while the LMS has not answered yet. */
export function Connecting(): ReactNode {
  const say = useSay();
  return <main className="zz-card" aria-busy><p>{say("asking_lms")}</p></main>;
}

/** Asks whether to go on where the learner left, or to begin again. */
export function Asking(
  { session, phase }: { session: Session; phase: Extract<Phase, { kind: "asking" }> },
): ReactNode {
  const { index } = session;
  const { say } = index;
  const slide = index.slides.get(phase.state.slide ?? "");
  const seen = phase.state.visited.length;
  const goesOn = goesOnOnly(index, phase.state);
  return (
    <main className="zz-card">
      <h1>{say("welcome_back")}</h1>
      <p>{say("you_were_at", { title: slide?.title ?? "", seen, count: index.ordered(phase.state.draws).slides.length })}</p>
      {goesOn && <p>{say("goes_on_only")}</p>}
      {phase.rescued && <p>{say("rescued")}</p>}
      <div className="zz-row">
        <button type="button" className="zz-main" autoFocus onClick={() => session.resume()}>
          {say("resume")}
        </button>
        {!goesOn && <button type="button" onClick={() => session.startOver()}>{say("start_over")}</button>}
      </div>
    </main>
  );
}

/** Whether a fresh start would forget attempts at a quiz that can be taken only so often, or only after a wait. */
function goesOnOnly({ program }: Index, state: State): boolean {
  return program.quizzes.some((quiz) => (
    (quiz.attempts || quiz.wait) && (attempt(state, quiz) > 1 || isBegun(state, quiz))));
}

const KEPT: Record<Kept, Word> = {
  lms: "kept_lms",
  browser: "kept_browser",
  nowhere: "kept_nowhere",
  review: "kept_review",
  rehearsal: "kept_rehearsal",
};

/** Shown once the learner has left the course: says where their progress is. */
export function Left({ kept, session }: { kept: Kept; session: Session }): ReactNode {
  const { say } = session.index;
  return (
    <main className="zz-card">
      <h1>{say("you_have_left")}</h1>
      <p>{say(KEPT[kept])}</p>
      {session.canComeBack && (
        <div className="zz-row">
          <button type="button" onClick={() => session.comeBack()}>{say("go_back_in")}</button>
        </div>
      )}
    </main>
  );
}
