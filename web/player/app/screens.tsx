/** What stands in the slide's place before the course runs and after it was left. */
import type { ReactNode } from "react";
import type { Phase, Session } from "./session";
import type { Kept } from "../tracking/tracker";

/** Shown while the LMS has not answered yet. */
export function Connecting(): ReactNode {
  return <main className="zz-card" aria-busy><p>One moment: asking the LMS where you were …</p></main>;
}

/** Asks whether to go on where the learner left, or to begin again. */
export function Asking(
  { session, phase }: { session: Session; phase: Extract<Phase, { kind: "asking" }> },
): ReactNode {
  const { index } = session;
  const slide = index.slides.get(phase.state.slide ?? "");
  const seen = phase.state.visited.length;
  return (
    <main className="zz-card">
      <h1>Welcome back</h1>
      <p>
        You were at <strong>{slide?.title}</strong> and have seen {seen} of {index.order.length}{" "}
        slides.
      </p>
      {phase.rescued && (
        <p>Your last steps had not reached the LMS. They were kept in this browser.</p>
      )}
      <div className="zz-row">
        <button type="button" className="zz-main" autoFocus onClick={() => session.resume()}>
          Resume
        </button>
        <button type="button" onClick={() => session.startOver()}>Start over</button>
      </div>
    </main>
  );
}

const KEPT: Record<Kept, string> = {
  lms: "Your progress is saved in the LMS. You can close this window now.",
  browser: "Your progress is kept in this browser. Open the course again in this browser to go on.",
  nowhere: "Your progress could not be saved, neither in an LMS nor in this browser. When you open the course again, it begins anew.",
  review: "This was a look back: what your LMS has recorded stays as it was.",
  rehearsal: "This was a rehearsal: no progress is kept.",
};

/** Shown once the learner has left the course: says where their progress is. */
export function Left({ kept, session }: { kept: Kept; session: Session }): ReactNode {
  return (
    <main className="zz-card">
      <h1>You have left the course</h1>
      <p>{KEPT[kept]}</p>
      <div className="zz-row">
        <button type="button" onClick={() => session.comeBack()}>Go back in</button>
      </div>
    </main>
  );
}
