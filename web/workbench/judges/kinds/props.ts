import type { Question, Slide } from "../../../api/types";

/** What the fields of one kind of question get. */
export interface KindProps<Q = Question> { slide: Slide; question: Q }
