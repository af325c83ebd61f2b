/** What a question gives: for all of it, for parts, for a wrong answer, at later attempts. */
import { Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Question } from "../../api/types";
import { Check } from "../../kit/Check";
import { Choose } from "../../kit/Choose";
import { NumberField } from "../../kit/NumberField";
import { Pair } from "../../kit/Pair";
import { allChosen, PARTIAL } from "./partial";

interface Props { question: Question; onChange: (part: object) => void }

/** Whether its parts can have points of their own. */
const hasPartPoints = ({ kind }: Question): boolean => !["ordering", "short_text", "numeric"].includes(kind);

/** Points for all of it, for parts, for a wrong answer, and at the least. */
export function Points({ question, onChange }: Props): ReactNode {
  // The least goes along with the penalty until it is set by hand: else the penalty would never be taken.
  const goesAlong = question.floor === 0 - question.penalty;
  const ways = PARTIAL.filter(([way]) => way !== "per_answer" || hasPartPoints(question));
  return (
    <>
      <Pair>
        <NumberField label="points" value={question.points} min={0} max={10_000} onChange={(points) => onChange({ points })} />
        <NumberField label="penalty" value={question.penalty} min={0} max={10_000} onChange={(penalty) => onChange(goesAlong ? { penalty, floor: 0 - penalty } : { penalty })} />
      </Pair>
      <Choose label="parts" value={question.partial} options={ways.map(([way, label]) => [way, label] as const)} onChange={(partial) => onChange({ partial })} />
      <Text fontSize="12px" color="quiet" mt="-1">{consequence(question)}</Text>
      <NumberField label="not below" value={question.floor} min={-10_000} max={0} onChange={(floor) => onChange({ floor })} />
    </>
  );
}

/** How parts count, in words, and what comes of choosing everything. */
function consequence(question: Question): string {
  const sentence = PARTIAL.find(([way]) => way === question.partial)?.[2] ?? "";
  const all = allChosen(question, question.partial);
  if (all === null) return sentence;
  const verb = question.kind === "hotspot" ? "Clicking every place" : "Ticking all";
  return `${sentence} ${verb} gives ${Math.round(all * 100) / 100} of ${question.points}.`;
}

const LATER = [["same", "give as much"], ["share", "give a share less"], ["points", "give so many points"]] as const;
type Later = (typeof LATER)[number][0];
const MOST_SET = 5;

/** How many attempts there are, and what the later ones give. */
export function Attempts({ question, onChange }: Props): ReactNode {
  const { attempts, attempt_loss: loss, attempt_points: set, points, purpose } = question;
  const later: Later = set.length ? "points" : loss ? "share" : "same";
  const take = (how: Later): void => onChange({
    attempt_loss: how === "share" ? 0.25 : 0, attempt_points: how === "points" ? [Math.round(points * 50) / 100] : [],
  });
  const most = Math.min((attempts ?? MOST_SET + 1) - 1, MOST_SET);
  return (
    <>
      <Check label="As many attempts as they like" value={attempts === null} onChange={(endless) => onChange({ attempts: endless ? null : 2 })} />
      {typeof attempts === "number" && (
        <NumberField label="attempts" value={attempts} min={1} max={100} onChange={(many) => onChange({ attempts: Math.round(many) })} />
      )}
      {attempts !== 1 && purpose === "scored" && (
        <>
          <Choose label="later ones" value={later} options={LATER} onChange={take} />
          {later === "share" && (
            <NumberField label="each costs %" value={Math.round(loss * 100)} min={1} max={100} onChange={(percent) => onChange({ attempt_loss: percent / 100 })} />
          )}
          {later === "points" && Array.from({ length: most }, (_, n) => (
            <NumberField
              key={n} label={`attempt ${n + 2}${n === most - 1 && attempts !== n + 2 ? " on" : ""}`} value={set[n] ?? set.at(-1) ?? 0} min={0} max={points}
              onChange={(many) => onChange({ attempt_points: Array.from({ length: Math.max(set.length, n + 1) }, (_one, m) => (m === n ? many : set[m] ?? set.at(-1) ?? 0)) })}
            />
          ))}
        </>
      )}
    </>
  );
}
