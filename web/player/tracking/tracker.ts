/** What the player needs of whoever keeps track of the learner. */
import type { Effect } from "../../api/events";
import type { State } from "../engine/state";

/** How well the tracking goes; said to the learner as soon as it is not "saved". */
export type Standing =
  | { kind: "saved" }
  /** Kept in this browser only, by design or for want of an LMS. */
  | { kind: "local"; reason: "web" | "no-lms" | "no-storage" | "refused" }
  /** The course is open in a newer tab, which keeps its progress. */
  | { kind: "elsewhere" }
  /** The LMS has room only for what counts; the whole of it is kept in this browser. */
  | { kind: "shortened" }
  /** The LMS does not take what it is told; it is kept here and tried again. */
  | { kind: "retrying" };

/** Where the progress of a learner who leaves is kept. */
export type Kept = "lms" | "browser" | "nowhere" | "rehearsal" | "review";

export interface Begun {
  /** Saved progress, where there is some. */
  saved: string | null;
  /** The learner's name, as people say it; undefined where nobody tells it. */
  learner?: string;
  /** Whether the LMS has a result of an earlier run. */
  decided?: boolean;
  /** The mark to pass (0..100) that the LMS asks for instead of the course's own. */
  passMark?: number;
  /** Whether the LMS counts this run: one that is only looked at again, or browsed, reports nothing anywhere. */
  counts?: boolean;
  /** Whether `saved` never reached the LMS and was kept in this browser. */
  rescued: boolean;
}

export interface Tracker {
  /** Make contact; resolves in any case, within some seconds. */
  begin(): Promise<Begun>;
  /** Tell what has come of an event. */
  tell(state: State, effects: readonly Effect[]): void;
  /** The learner leaves the course and may come back on the same page: say all that is unsaid. Returns where the progress is. */
  suspend(state: State): Kept;
  /** Whether the visit has ended for whoever keeps track, so that the learner cannot come back on the same page. */
  isOver?(): boolean;
  /**
   * The page goes away: say all that is still unsaid, and goodbye. Without a state the
   * course had not begun, and what was saved stays as it is. Returns where the progress is then.
   */
  finish(state: State | null): Kept;
  onStanding(listener: (standing: Standing) => void): void;
  /** Saved progress turned up only after the course had begun without it. */
  onLateProgress?(listener: (begun: Begun) => void): void;
}
