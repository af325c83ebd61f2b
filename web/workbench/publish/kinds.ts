/** The kinds of packages, as people call them, and what each is for. */
import type { components } from "../../api/api";
import { t } from "../../words/publish";

export type PackageKind = components["schemas"]["PackageOut"]["kind"];

export const KIND_WORDS: Record<PackageKind, string> = {
  scorm12: "SCORM 1.2", scorm2004: "SCORM 2004, 4th edition", scorm2004_3: "SCORM 2004, 3rd edition", cmi5: "cmi5", web: "web",
};

export const KIND_USES: Record<PackageKind, string> = {
  scorm12: t("ofScorm12"), scorm2004: t("ofScorm2004"), scorm2004_3: t("ofScorm20043"), cmi5: t("ofCmi5"), web: t("ofWeb"),
};

/** Whether a package is for an LMS, and can be tried in the practice LMS. */
export const isForLms = (kind: PackageKind): boolean => kind !== "web";
