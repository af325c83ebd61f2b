/** The values that the course itself keeps: their names, and words for them. */
import type { Course, Slide } from "../../api/types";
import { t } from "../../words/does";

export interface Live { of: string; words: string; type: "number" | "text" }

const number = (of: string, words: string): Live => ({ of, words, type: "number" });
const text = (of: string, words: string): Live => ({ of, words, type: "text" });

export const LIVE: readonly Live[] = [
  text("learner_name", t("theLearnersName")), number("points", t("pointsSoFar")), number("max_points", t("pointsPossible")),
  number("score", t("scoreIn")), text("result", t("resultPassedFailedOrOpen")), number("slides_seen", t("slidesSeen2")),
  number("slides", t("numberOfSlides")), number("slide_number", t("numberOfThisSlide")), text("slide_title", t("titleOfThisSlide")),
  number("answered", t("questionsAnswered")), number("questions", t("numberOfQuestions")), number("question_number", t("numberOfThisQuestion")),
  number("question_count", t("numberOfQuestionsOfTheQuiz")), number("minutes", t("minutesSpent")),
  number("seconds", t("secondsSpent")),
  number("quiz_points", t("quizPoints")), number("quiz_max_points", t("quizMaxPoints")), number("quiz_score", t("quizScore")),
  number("quiz_right", t("quizRight")), number("quiz_judged", t("quizJudged")), number("quiz_questions", t("quizQuestions")), number("quiz_answered", t("quizAnswered")),
  number("quiz_seconds", t("quizSeconds")), number("quiz_attempt", t("quizAttempt")), number("quiz_attempts_left", t("quizAttemptsLeft")),
  number("quiz_best", t("quizBest")), number("quiz_pass_mark", t("quizPassMark")), text("quiz_result", t("quizResult")), text("quiz_band", t("quizBand")),
  number("quiz_wait", t("quizWait")), text("quiz_day", t("quizDay")),
];

/** The scores by set and by tag of the quizzes of a course, in per cent. */
export function scoresOf(sections: Course["sections"], order: readonly string[], slides: Readonly<Record<string, Slide>>): Live[] {
  const quizzes = sections.flatMap(({ quiz }) => (quiz ? [quiz] : []));
  if (!quizzes.length) return [];
  const tags = new Set(order.flatMap((id) => (slides[id]?.questions.length ? slides[id].tags : [])));
  return [
    ...quizzes.flatMap(({ sets }) => sets.map(({ id, name }) => number(id, t("scoreInSet", { name })))),
    ...[...tags].sort().map((tag) => number(`tag:${tag}`, t("scoreOfTag", { tag }))),
  ];
}

/** The type of a live value; unknown ones are numbers. */
export function typeOfLive(of: string): Live["type"] {
  return LIVE.find((live) => live.of === of)?.type ?? "number";
}
