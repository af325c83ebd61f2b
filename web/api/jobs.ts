/** Work that the server does as jobs: waiting for what comes of it. */
import { api, ApiError, take, Unreachable, type Result } from "./client";
import type { components } from "./api";

export type Job = components["schemas"]["JobOut"];

const FIRST_LOOK_MS = 80;
const LAST_LOOK_MS = 1_000;

/** Return a wait between looks at a job: short at first, as most work is done soon. */
function pauses(): () => Promise<void> {
  let ms = FIRST_LOOK_MS;
  return () => new Promise((resolve) => {
    setTimeout(resolve, ms);
    ms = Math.min(ms * 1.4, LAST_LOOK_MS);
  });
}

/**
 * Ask until the answer is what was worked out, and no longer the job that works it out.
 * Throws what `take` throws.
 */
export async function workedOut<T>(ask: () => Promise<Result<T | Job>>): Promise<T> {
  const pause = pauses();
  for (;;) {
    const answer = await ask();
    const found = await take(Promise.resolve(answer));
    if (answer.response.status !== 202) return found as T;
    await pause();
  }
}

/**
 * Wait for the end of a job, tell each state of it on the way, and return it done.
 * Throws `ApiError` for a failed job, and for a cancelled one (code `cancelled`). A server that
 * does not answer is waited for: jobs outlive it.
 */
export async function ended(job: Job, report: (now: Job) => void): Promise<Job> {
  const pause = pauses();
  let now = job;
  for (;;) {
    report(now);
    if (now.state === "done") return now;
    if (now.state === "cancelled") throw new ApiError(0, "cancelled", `${now.title} was cancelled.`);
    if (now.state === "failed") throw failure(now);
    await pause();
    now = await looked(now);
  }
}

function failure({ title, problem }: Job): ApiError {
  return new ApiError(422, problem?.code ?? "failed", problem?.message ?? `${title} failed.`);
}

/** Return the job with a number, as it is now. */
export function jobOf(id: number): Promise<Job> {
  return take(api.GET("/api/jobs/{job_id}", { params: { path: { job_id: id } } }));
}

async function looked(job: Job): Promise<Job> {
  try {
    return await jobOf(job.id);
  } catch (error) {
    if (error instanceof Unreachable) return job;
    throw error;
  }
}

/** End a job that is not finished. */
export async function cancel(job: Job): Promise<void> {
  await take(api.DELETE("/api/jobs/{job_id}", { params: { path: { job_id: job.id } } }));
}

/** The author's jobs that are not finished. */
export function unfinished(): Promise<Job[]> {
  return take(api.GET("/api/jobs"));
}

/** Return what the file of a job that is done holds, which is JSON. */
export async function fileOf<T>(job: Job): Promise<T> {
  const call = api.GET("/api/jobs/{job_id}/file", {
    params: { path: { job_id: job.id } }, parseAs: "json",
  });
  return await take<unknown>(call) as T;
}
