/** The course before one is opened. */
import { DEFAULTS } from "../../api/defaults";
import type { Course } from "../../api/types";

export const EMPTY_COURSE: Course = { ...DEFAULTS.Course, id: "none", title: "" };
