/** The jobs that this window follows: those it began, and those it found under way when it opened. */
import { create } from "zustand";
import { ended, unfinished, type Job } from "../../api/jobs";

interface Work {
  /** Jobs that are not finished, by id. */
  readonly jobs: Readonly<Record<number, Job>>;
}

export const useWork = create<Work>(() => ({ jobs: {} }));

/** What becomes of jobs that this window only found under way, by kind; set by the application. */
type Found = (job: Job) => void;

/**
 * Follow a job that was just asked for, in the sight of its author; return it done.
 * Throws `ApiError` when it fails or is cancelled.
 */
export async function follow(asked: Promise<Job>): Promise<Job> {
  const job = await asked;
  try {
    return await ended(job, (now) => useWork.setState(({ jobs }) => ({ jobs: { ...jobs, [job.id]: now } })));
  } finally {
    useWork.setState(({ jobs }) => {
      const { [job.id]: _, ...others } = jobs;
      return { jobs: others };
    });
  }
}

/** Kinds that a window, or the server, asks for by itself; nobody waits for them. */
const QUIET = new Set(["check", "try", "compile", "take", "tracking", "prove", "reset_mail", "post_mail"]);

/** Follow what was begun before this window was opened; `done` is told what has come of it. */
export async function followUnfinished(done: Found, failed: (error: unknown) => void): Promise<void> {
  for (const job of await unfinished()) {
    if (QUIET.has(job.kind) || useWork.getState().jobs[job.id]) continue;
    follow(Promise.resolve(job)).then(done, failed);
  }
}
