/** What can be chosen for a question, in words; so it is for the defaults of a quiz. */
import type { Question } from "../../api/types";
import { t } from "../../words/judges";

export type Outcome = Question["feedback"]["shows"][number]["after"];

/** How the button that submits is, until there is an answer. */
export const SUBMIT = [["disabled", t("isDisabled")], ["hidden", t("isHidden")], ["ready", t("saysWhatIsMissing")]] as const;
/** Where feedback stands. */
export const PLACES = [["", t("asInTheCourse")], ["below", t("belowTheQuestion")], ["beside", t("besideTheQuestion")], ["over", t("overTheQuestion")]] as const;
/** Whether it is told how an answer was judged. */
export const TELLS = [["", t("asInTheCourse")], ["yes", t("shownWithThePoints")], ["no", t("notShown")]] as const;
