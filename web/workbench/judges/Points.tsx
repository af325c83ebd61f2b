/** What a question gives: for all of it, for parts, for a wrong answer, at later attempts. */
import { Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Question } from "../../api/types";
import { Choose } from "../../kit/Choose";
import { NumberField } from "../../kit/NumberField";
import { Pair } from "../../kit/Pair";
import { Setting } from "./Following";
import { allChosen, PARTIAL } from "./partial";
import { t } from "../../words/judges";

interface Props { question: Question; onChange: (part: object) => void }

/** Whether its parts can have points of their own. */
const hasPartPoints = ({ kind }: Question): boolean => !["ordering", "short_text", "numeric"].includes(kind);

/** What parts, wrong answers and later attempts give. */
export function Points({ question, onChange }: Props): ReactNode {
  // The least goes along with the penalty until it is set by hand: else the penalty would never be taken.
  const goesAlong = question.floor === 0 - question.penalty;
  const ways = PARTIAL.filter(([way]) => way !== "per_answer" || hasPartPoints(question));
  return (
    <>
      <Setting of="partial" label={t("partialCredit")}>
        <Choose label={t("partialCredit")} help={t("helpPartialCredit")} value={question.partial} options={ways.map(([way, label]) => [way, label] as const)} onChange={(partial) => onChange({ partial })} />
      </Setting>
      <Text fontSize="12px" color="quiet">{consequence(question)}</Text>
      <Setting of="penalty" label={t("penaltyForAWrongAnswer")}><Pair>
        <NumberField label={t("penaltyForAWrongAnswer")} help={t("helpPenalty")} value={question.penalty} min={0} max={10_000} onChange={(penalty) => onChange(goesAlong ? { penalty, floor: 0 - penalty } : { penalty })} />
        <NumberField label={t("lowestPoints")} value={question.floor} min={-10_000} max={0} onChange={(floor) => onChange({ floor })} help={t("howFarBelow0The")} />
      </Pair></Setting>
      <Setting of="unanswered" label={t("costOfNoAnswer")}>
        <NumberField label={t("costOfNoAnswer")} help={t("helpCostOfNoAnswer")} value={question.unanswered} min={0} max={10_000} onChange={(unanswered) => onChange({ unanswered })} />
      </Setting>
      {question.attempts !== 1 && <Setting of="loss" label={t("furtherAttempts")}><Later question={question} onChange={onChange} /></Setting>}
    </>
  );
}

/** How parts count, in words, and what comes of choosing everything. */
function consequence(question: Question): string {
  const sentence = PARTIAL.find(([way]) => way === question.partial)?.[2] ?? "";
  const all = allChosen(question, question.partial);
  if (all === null) return sentence;
  const verb = question.kind === "hotspot" ? t("clickingEveryHotspot") : t("tickingAll");
  return t("sentenceVerbGivesGivenOf", { sentence, verb, given: Math.round(all * 100) / 100, points: question.points });
}

const LATER = [["same", t("samePoints")], ["share", t("loseAShare")], ["points", t("pointsPerAttempt")]] as const;
type Way = (typeof LATER)[number][0];
const MOST_SET = 5;

/** What attempts after the first give. */
function Later({ question, onChange }: Props): ReactNode {
  const { attempts, attempt_loss: loss, attempt_points: set, points } = question;
  const way: Way = set.length ? "points" : loss ? "share" : "same";
  const take = (how: Way): void => onChange({
    attempt_loss: how === "share" ? 0.25 : 0, attempt_points: how === "points" ? [Math.round(points * 50) / 100] : [],
  });
  const most = Math.min((attempts ?? MOST_SET + 1) - 1, MOST_SET);
  return (
    <>
      <Choose label={t("furtherAttempts")} help={t("helpFurtherAttempts")} value={way} options={LATER} onChange={take} />
      {way === "share" && (
        <NumberField label={t("pointsLostPerFurtherAttempt")} help={t("helpLoss")} value={Math.round(loss * 100)} min={1} max={100} onChange={(percent) => onChange({ attempt_loss: percent / 100 })} />
      )}
      {way === "points" && Array.from({ length: most }, (_, n) => (
        <NumberField
          key={n} label={n === most - 1 && attempts !== n + 2 ? t("attemptNAndLater", { n: n + 2 }) : t("attemptN", { n: n + 2 })} value={set[n] ?? set.at(-1) ?? 0} min={0} max={points}
          onChange={(many) => onChange({ attempt_points: Array.from({ length: Math.max(set.length, n + 1) }, (_one, m) => (m === n ? many : set[m] ?? set.at(-1) ?? 0)) })}
        />
      ))}
    </>
  );
}
