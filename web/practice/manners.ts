/** In what manner the practice LMS may answer; `lms/manner.ts` does it. */
import { t } from "../words/practice";
export const MANNERS = [
  ["strict", t("strictAsTheStandardSays"), t("itTakesWhatScorm1")],
  ["lenient", t("lenientTakesLongerTexts"), t("itTakesTextsOfAny")],
  ["late", t("lateNotThereAtFirst"), t("itsApiIsThereOnly")],
  ["failing", t("failingKeepsNothing"), t("itTakesEverythingAndKeeps")],
  ["cutting", t("cuttingAt4096Characters"), t("itCutsSavedProgressAt")],
  ["losing", t("losingTheSessionEnds"), t("afterAMinuteItNo")],
  ["booleans", t("booleansNotTheWords"), t("itAnswersWithTrueAnd")],
] as const;

export type Manner = (typeof MANNERS)[number][0];

/** Return the manner of this name; strict where there is none. */
export const mannerOf = (name: string | null): (typeof MANNERS)[number] => MANNERS.find(([key]) => key === name) ?? MANNERS[0];
