/** What is to be seen of an answer once it is judged for good. */
import type { Grader } from "../../../api/types";
import { measure } from "../../engine/measure";
import type { Index } from "../../engine/program";
import { NO_ANSWER, type Answer, type State } from "../../engine/state";

export type Mark = "right" | "wrong" | "missed" | undefined;

export function answerOf(state: State, question: string): Answer {
  return state.answers[question] ?? NO_ANSWER;
}

/** Whether a part was right or wrong; *missed* is one that would have been right, where that is shown. */
export function markOf(index: Index, state: State, question: string, part: string): Mark {
  const grader = index.questions.get(question);
  const answer = answerOf(state, question);
  if (!grader || !answer.locked || answer.result === null || answer.result === "neutral") return undefined;
  const right = measure(grader, answer.given).parts.has(part);
  if (answer.given.some(([name, value]) => name === part && (value !== "" || isPlain(grader)))) {
    return right ? "right" : "wrong";
  }
  return grader.show_right && grader.form === "choose" && grader.parts.some(({ id, right: is }) => id === part && is.length)
    ? "missed" : undefined;
}

const isPlain = ({ form }: Grader): boolean => form === "choose" || form === "order";

const SPOKEN = { right: "right", wrong: "wrong", missed: "would have been right" } as const;

/** Words with what the mark says, for those who do not see it. */
export function marked(words: string, mark: Mark): string {
  return mark ? `${words}, ${SPOKEN[mark]}` : words;
}
