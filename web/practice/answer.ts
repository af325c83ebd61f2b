import type { components } from "../api/api";

/** One recorded answer of a learner. */
export type Answer = components["schemas"]["Interaction"];
