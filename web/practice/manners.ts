/** In what manner the practice LMS may answer; `lms/manner.ts` does it. */
export const MANNERS = [
  ["strict", "strict: as the standard says", "It takes what SCORM 1.2 asks an LMS to take, and refuses the rest."],
  ["lenient", "lenient: takes longer texts", "It takes texts of any length."],
  ["late", "late: not there at first", "Its API is there only after three seconds."],
  ["failing", "failing: keeps nothing", "It takes everything, and keeps nothing that it is asked to keep."],
  ["cutting", "cutting: at 4,096 characters", "It cuts saved progress at 4,096 characters, and says that all is well."],
  ["losing", "losing: the session ends", "After a minute it no longer knows the learner."],
  ["booleans", "booleans: not the words", "It answers with true and false where the standard wants words."],
] as const;

export type Manner = (typeof MANNERS)[number][0];

/** Return the manner of this name; strict where there is none. */
export const mannerOf = (name: string | null): (typeof MANNERS)[number] => MANNERS.find(([key]) => key === name) ?? MANNERS[0];
