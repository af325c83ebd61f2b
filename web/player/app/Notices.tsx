import type { ReactNode } from "react";
import type { Session, Snapshot } from "./session";

const LOCAL = {
  "no-lms": "This course was opened without its LMS. Your progress is kept in this browser only.",
  refused: "The LMS does not take the progress of this course. It is kept in this browser only: go on in this browser.",
  "no-storage": "This browser does not allow progress to be kept. It lasts until you close the page.",
};

/** What the learner should know about the saving of their progress. */
export function Notices(
  { session, snapshot }: { session: Session; snapshot: Snapshot },
): ReactNode {
  const { standing, unreadable } = snapshot;
  const local = standing.kind === "local" && standing.reason !== "web"
    ? LOCAL[standing.reason] : null;
  return (
    <div role="status" className="zz-notices">
      {standing.kind === "retrying" && (
        <p className="zz-notice">
          The LMS does not answer. Go on: your progress is kept in this browser and sent again
          until it arrives.
        </p>
      )}
      {standing.kind === "elsewhere" && (
        <p className="zz-notice">
          This course is open in another tab, and your progress is kept there. What you do here is not kept.
          <button type="button" onClick={() => window.location.reload()}>Go on here</button>
        </p>
      )}
      {standing.kind === "shortened" && (
        <p className="zz-notice">
          Your LMS has no room for all of your progress. It keeps where you are, your score and the answers that
          count; the rest is kept in this browser only.
        </p>
      )}
      {local && <p className="zz-notice">{local}</p>}
      {unreadable && (
        <p className="zz-notice">
          Your saved progress could not be read, so the course starts from the beginning.
          <button type="button" onClick={() => session.dismissUnreadable()}>Understood</button>
        </p>
      )}
    </div>
  );
}
