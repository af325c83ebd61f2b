/** What each way of counting parts comes to, worked out with the engine's own judge. */
import type { Question } from "../../api/types";
import { SHAPES } from "../../api/shapes";
import type { Grader } from "../../api/types";
import { judge } from "../../player/engine/grade";
import { t } from "../../words/judges";

export type Partial = Question["partial"];

/** How parts count, as it is chosen, and in a sentence. */
export const PARTIAL: readonly (readonly [Partial, label: string, sentence: string])[] = [
  ["none", t("allOrNothing"), t("pointsOnlyWhenEverythingIs")],
  ["right_minus_wrong", t("correctMinusWrong"), t("eachCorrectAnswerAddsIts")],
  ["right_parts", t("shareOfCorrectAnswers"), t("theShareOfCorrectAnswers")],
  ["per_answer", t("pointsPerAnswer"), t("thePointsOfAllGiven")],
];

/** What somebody gets who chooses everything: `2` of `4` points; null where that cannot be done. */
export function allChosen(question: Question, partial: Partial): number | null {
  const parts = "choices" in question ? question.choices : "spots" in question ? question.spots : [];
  const most = question.kind === "multiple_response" ? question.at_most : question.kind === "hotspot" ? question.clicks : 1;
  if (parts.length < 2 || (typeof most === "number" && most < parts.length)) return null;
  const grader = {
    ...SHAPES["Grader"]?.defaults, id: question.id, form: "choices" in question ? "choose" : "spots", purpose: "scored", partial,
    points: question.points, penalty: question.penalty, floor: question.floor, needed: "needed" in question ? question.needed : null,
    parts: parts.map(({ id, right, points }) => ({ id, right: right ? [""] : [], points })),
  } as unknown as Grader;
  return judge(grader, parts.map(({ id }) => [id, ""] as const), 1).points;
}
