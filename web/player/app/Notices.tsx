import type { ReactNode } from "react";
import type { Session, Snapshot } from "./session";

const LOCAL = { "no-lms": "without_lms", refused: "lms_refuses", "no-storage": "without_storage" } as const;

/** What the learner should know about the saving of their progress. */
export function Notices(
  { session, snapshot }: { session: Session; snapshot: Snapshot },
): ReactNode {
  const { standing, unreadable, post } = snapshot;
  const { say } = session.index;
  const local = standing.kind === "local" && standing.reason !== "web"
    ? LOCAL[standing.reason] : null;
  return (
    <div role="status" className="zz-notices">
      {standing.kind === "retrying" && (
        <p className="zz-notice">{say("lms_silent")}</p>
      )}
      {standing.kind === "elsewhere" && (
        <p className="zz-notice">
          {say("open_elsewhere")}
          <button type="button" onClick={() => window.location.reload()}>{say("go_on_here")}</button>
        </p>
      )}
      {standing.kind === "shortened" && (
        <p className="zz-notice">{say("shortened")}</p>
      )}
      {local && <p className="zz-notice">{say(local)}</p>}
      {post.waiting.map((title) => (
        <p key={title} className="zz-notice">
          {say("post_waiting", { title })}
          <button type="button" onClick={() => session.postAgain()}>{say("send_now")}</button>
        </p>
      ))}
      {post.refused.map((title) => (
        <p key={title} className="zz-notice">
          {say("post_refused", { title })}
          <button type="button" onClick={() => session.postAgain()}>{say("send_again")}</button>
        </p>
      ))}
      {post.arrived !== null && (
        <p className="zz-notice">
          {post.arrived}
          <button type="button" onClick={() => session.dismissArrived()}>{say("understood")}</button>
        </p>
      )}
      {unreadable && (
        <p className="zz-notice">
          {say("unreadable")}
          <button type="button" onClick={() => session.dismissUnreadable()}>{say("understood")}</button>
        </p>
      )}
    </div>
  );
}
