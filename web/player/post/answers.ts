/** The answers of an attempt in words, for a report. */
import type { Grader } from "../../api/types";
import type { Answer } from "../engine/state";
import { givenWords } from "../engine/answerWords";
import { plain } from "./plain";

/** A question, what was answered, and what it came to. */
export interface AnswerWords {
  readonly question: string;
  readonly given: string;
  readonly result: string;
  readonly points: number;
  readonly of: number;
}

/** So many characters a question or an answer has in a report at most, and all of them together. */
const LONGEST = 1_000;
const LONGEST_OF_ALL = 500_000;

/** Return the answers to these questions in words, in their order. */
export function answersInWords(graders: readonly Grader[], answers: Readonly<Record<string, Answer>>): AnswerWords[] {
  const longest = Math.min(LONGEST, Math.floor(LONGEST_OF_ALL / 2 / Math.max(graders.length, 1)));
  return graders.map((grader) => {
    const answer = Object.hasOwn(answers, grader.id) ? answers[grader.id] : undefined;
    return {
      question: plain(grader.prompt, longest), given: answer ? plain(givenWords(grader, answer), longest) : "",
      result: answer?.result ?? "", points: answer?.points ?? 0, of: grader.purpose === "scored" ? grader.points : 0,
    };
  });
}
