/** A SCORM 1.2 status as people say it. */
const WORDS: Record<string, string> = {
  passed: "passed", completed: "completed", failed: "failed", incomplete: "not finished yet",
  browsed: "looked at", "not attempted": "not started",
};

/** What an LMS calls a status, in plain words. */
export function statusWords(status: string): string {
  return WORDS[status] ?? status;
}
