/** A SCORM 1.2 status as people say it. */
import { t } from "../words/practice";
const WORDS: Record<string, string> = {
  passed: "passed", completed: "completed", failed: "failed", incomplete: t("notFinishedYet"),
  browsed: t("lookedAt"), "not attempted": t("notStarted"),
};

/** What an LMS calls a status, in plain words. */
export function statusWords(status: string): string {
  return WORDS[status] ?? status;
}
