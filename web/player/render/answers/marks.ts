/** What is to be seen of an answer once it is judged for good. */
import type { Grader } from "../../../api/types";
import { measure } from "../../engine/tally";
import { acceptedWords } from "../../engine/answerWords";
import type { Index } from "../../engine/program";
import { orderOf } from "../../engine/questions";
import { NO_ANSWER, type Answer, type State } from "../../engine/state";
import { own } from "../../engine/own";
import type { Say } from "../../engine/words";
import { showsRight } from "../reviewing";

export type Mark = "right" | "wrong" | "missed" | undefined;

/** The answer to a question; an empty one where nothing was answered. */
export function answerOf(state: State, question: string): Answer {
  return own(state.answers, question) ?? NO_ANSWER;
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
  return showsRight(index, state, grader) && grader.form === "choose" && grader.parts.some(({ id, right: is }) => id === part && is.length)
    ? "missed" : undefined;
}

/** What would have been right in a part that was not, in words, where that is to be shown; else empty. */
export function solutionOf(index: Index, state: State, question: string, part: string): string {
  const grader = index.questions.get(question);
  const { locked, result, given } = answerOf(state, question);
  if (!grader || !showsRight(index, state, grader) || !locked || result === null || result === "neutral") return "";
  const position = grader.parts.findIndex(({ id }) => id === part);
  const found = grader.parts[position];
  if (!found || measure(grader, given).parts.has(part)) return "";
  switch (grader.form) {
    case "texts": return acceptedWords(found, index.say);
    case "order": return index.say("solution_place", { n: position + 1 });
    case "pairs": {
      const right = grader.targets.filter(({ id }) => found.right.includes(id)).map(({ words }) => words);
      if (!right.length) return given.some(([name]) => name === part) ? index.say("belongs_nowhere") : "";
      return found.endless ? right.join(", ") : right.reduce((one, other) => index.say("one_or_other", { one, other }));
    }
    default: return "";
  }
}

/** The letter or number of an answer, in the order in which they are seen; empty where there is none. */
export function letterOf(index: Index, state: State, question: string, part: string): string {
  const grader = index.questions.get(question);
  if (!grader || grader.letters === "none") return "";
  const position = orderOf(grader, state).indexOf(part);
  if (grader.letters === "number") return String(position + 1);
  return String.fromCharCode((grader.letters === "capital" ? 65 : 97) + position);
}

const isPlain = ({ form }: Grader): boolean => form === "choose" || form === "order";

const SPOKEN = { right: "is_right", wrong: "is_wrong", missed: "is_missed" } as const;

/** Words with what the mark and the solution say, for those who do not see them. */
export function marked(say: Say, words: string, mark: Mark, solution = ""): string {
  const spoken = mark ? say(SPOKEN[mark], { words }) : words;
  return solution ? say("solution", { words: spoken, solution }) : spoken;
}
