/** A status of SCORM as people say it. */
import type { components } from "../api/api";
import { t } from "../words/practice";
const WORDS: Record<string, string> = {
  passed: "passed", completed: "completed", failed: "failed", incomplete: t("notFinishedYet"),
  browsed: t("lookedAt"), "not attempted": t("notStarted"), unknown: t("notSaid"),
};

/** The standards that packages are made for, as people call them. */
export const STANDARDS: Record<components["schemas"]["PracticePackage"]["standard"], string> = {
  scorm12: "SCORM 1.2", scorm2004: "SCORM 2004, 4th edition", scorm2004_3: "SCORM 2004, 3rd edition", cmi5: "cmi5",
};

/** What an LMS calls a status, in plain words. */
export function statusWords(status: string): string {
  return WORDS[status] ?? status;
}
