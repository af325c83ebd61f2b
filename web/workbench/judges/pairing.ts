import type { QuestionOf } from "../../api/types";

/** A question that is answered by putting items on targets. */
export type Pairing = QuestionOf<"matching"> | QuestionOf<"drag_to_target">;
