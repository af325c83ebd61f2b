/** What becomes of work that was begun before this window was opened. */
import type { QueryClient } from "@tanstack/react-query";
import type { Job } from "../api/jobs";
import { downloadResult } from "../kit/download";
import { followUnfinished } from "../kit/jobs/work";
import { sayDone, sayError } from "../kit/toaster";
import { t } from "../words/app";

/** Follow it, and say what has come of it where the page would not show it. */
export function followFoundWork(queries: QueryClient): void {
  const done = (job: Job): void => {
    void queries.invalidateQueries();
    if (job.kind === "export") sayDone(t("theArchiveIsMade"), () => downloadResult(job), t("download"));
    else if (job.kind === "import" || job.kind === "duplicate") sayDone(t("titleIsOnTheShelf", { title: job.result?.title }));
    else if (job.result?.practice_package) sayDone(t("titleIsInThePractice", { title: job.result.title }));
    else if (job.kind === "convert") sayDone(t("nameIsConverted", { name: job.result?.media?.file.name }));
    else if (job.kind === "publish") sayDone(t("thePackageIsMade"));
  };
  followUnfinished(done, sayError).catch(sayError);
}
