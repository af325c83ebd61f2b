/** The kinds of packages, as people call them. */
import type { components } from "../../api/api";

export type PackageKind = components["schemas"]["PackageOut"]["kind"];

export const KIND_WORDS: Record<PackageKind, string> = { scorm12: "SCORM 1.2", web: "web" };
