/** What becomes of work that was begun before this window was opened. */
import type { QueryClient } from "@tanstack/react-query";
import type { Job } from "../api/jobs";
import { downloadResult } from "../kit/download";
import { followUnfinished } from "../kit/jobs/work";
import { sayDone, sayError } from "../kit/toaster";

/** Follow it, and say what has come of it where the page would not show it. */
export function followFoundWork(queries: QueryClient): void {
  const done = (job: Job): void => {
    void queries.invalidateQueries();
    if (job.kind === "export") sayDone("The archive is made.", () => downloadResult(job), "Download");
    else if (job.kind === "import" || job.kind === "duplicate") sayDone(`“${job.result?.title}” is on the shelf.`);
    else if (job.result?.practice_package) sayDone(`“${job.result.title}” is in the practice LMS.`);
    else sayDone("The package is made.");
  };
  followUnfinished(done, sayError).catch(sayError);
}
