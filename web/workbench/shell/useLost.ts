import { useEffect } from "react";
import { sayError } from "../../kit/toaster";
import { namesOn } from "../store/conflictNames";
import { toldLost, useCourse } from "../store/store";
import { t } from "../../words/shell";

/** Tells the author what of an edit could not be kept, and why. */
export function useLost(): void {
  const lost = useCourse((state) => state.lost);
  useEffect(() => {
    if (!lost.length) return;
    const { course, slides } = useCourse.getState();
    for (const { entry, conflicts } of lost) {
      const names = [...new Set(conflicts.map(({ operation }) => namesOn(operation.path, { course, slides })))];
      const gone = conflicts.every(({ why }) => why === "gone");
      const reason = gone ? t("isNoLongerThere") : t("wasChangedElsewhereMeanwhile");
      sayError(new Error(t("labelWasNotDoneIn", { label: entry.label, names: names.slice(0, 3).join(", "), reason })));
    }
    toldLost();
  }, [lost]);
}
