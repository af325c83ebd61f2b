import { Flex, Stack, Text } from "@chakra-ui/react";
import { Plus, Unlink } from "lucide-react";
import type { ReactNode } from "react";
import type { Question, Slide } from "../../api/types";
import { Check } from "../../kit/Check";
import { Choose } from "../../kit/Choose";
import { NumberField } from "../../kit/NumberField";
import { TextField } from "../../kit/TextField";
import { useCourse } from "../store/store";
import { FoldCard } from "../../kit/FoldCard";
import { QuietButton } from "../../kit/QuietButton";
import { AnswerTable } from "./AnswerTable";
import { FeedbackCard } from "./FeedbackCard";
import { Attempts, Points } from "./Points";
import { changeRole } from "./making";
import { QuestionFields } from "./QuestionFields";
import { addButton, changeQuestion, convert, isUnjudged, KINDS, kindWord } from "./parts";

const PURPOSE = [["scored", "scored: it counts"], ["practice", "practice: no points"], ["survey", "survey: nothing is wrong"]] as const;
const JUDGED = [["submit", "when it is submitted"], ["at_once", "at once"], ["leaving", "on leaving the slide"]] as const;
const SUBMIT = [["disabled", "is switched off"], ["hidden", "is hidden"], ["ready", "says what is missing"]] as const;
const AFTER = [["stay", "the slide stays"], ["next", "the next slide comes"], ["again", "it begins again from …"]] as const;

interface Props { slide: Slide; question: Question }

/** Judges: what is right, what it counts, and what is said then. */
export function Judges({ slide, question }: Props): ReactNode {
  return (
    <>
      <FoldCard title={`Judges · ${kindWord(question.kind)}`}>
        <Stack gap="2">
          <TextField label="Name in the results" value={question.name} onChange={(name) => { if (name.trim()) changeQuestion(question, { name }); }} />
          <Choose
            label="kind" value={question.kind} options={KINDS.map(([kind, word]) => [kind, word] as const)}
            onChange={(kind) => { if (kind !== question.kind) void convert(question, kind); }}
          />
          {question.kind !== "rating_scale" && <Choose label="for" value={question.purpose} options={PURPOSE} onChange={(purpose) => changeQuestion(question, { purpose })} />}
          <QuestionFields slide={slide} question={question} />
          {!question.submit && question.judged === "submit" && <Text color="brick" fontSize="12.5px">There is no button that submits it.</Text>}
          <Flex gap="1.5" wrap="wrap">
            {!question.submit && <QuietButton size="xs" onClick={() => void addButton(question, "submit")}><Plus size={14} /> Button that submits</QuietButton>}
            {!question.reset && <QuietButton size="xs" onClick={() => void addButton(question, "reset")}><Plus size={14} /> Button that clears</QuietButton>}
            <QuietButton size="xs" onClick={() => void changeRole(question, "dissolve")}><Unlink size={14} /> Dissolve, keep the elements</QuietButton>
          </Flex>
        </Stack>
      </FoldCard>
      <Counting question={question} />
      <FeedbackCard slide={slide} question={question} />
      {("choices" in question || "spots" in question) && <AnswerTable slide={slide} question={question} />}
    </>
  );
}

/** Points, attempts, time, and when it is judged. */
function Counting({ question }: { question: Question }): ReactNode {
  const change = (part: object): void => changeQuestion(question, part);
  const order = useCourse((state) => state.course.slides);
  const slides = useCourse((state) => state.slides);
  const judged = !isUnjudged(question);
  return (
    <FoldCard title="Counts">
      <Stack gap="2">
        {judged && question.purpose === "scored" && <Points question={question} onChange={change} />}
        {judged && <Attempts question={question} onChange={change} />}
        {question.kind === "open_answer" && question.purpose === "scored" && (
          <NumberField label="out of" value={question.points} min={0} max={10_000} onChange={(points) => change({ points })} />
        )}
        <Choose label="is judged" value={question.judged} options={JUDGED} onChange={(when) => change({ judged: when })} />
        {question.judged === "at_once" && question.submit && (
          <Text fontSize="12px" color="quiet" mt="-1">The button is only there while something is left to submit.</Text>
        )}
        {question.judged === "submit" && (
          <Choose label="till then the button" value={question.submit_is} options={SUBMIT} onChange={(submit_is) => change({ submit_is })} />
        )}
        <Check label="Must be answered before going on" value={question.required} onChange={(required) => change({ required })} />
        <TimeLimit question={question} onChange={change} />
        <Check label="An unfinished answer is still there on coming back" value={question.keeps} onChange={(keeps) => change({ keeps })} />
        {judged && <Check label="Show the right answers at the end" value={question.show_right} onChange={(show_right) => change({ show_right })} />}
        <Choose label="then" value={question.after} options={AFTER} onChange={(after) => change({ after, again_from: after === "again" ? question.again_from ?? order[0] : question.again_from })} />
        {question.after === "again" && (
          <Choose label="from" value={question.again_from ?? ""} options={order.map((id, n) => [id, `${n + 1} ${slides[id]?.title ?? ""}`] as const)} onChange={(again_from) => change({ again_from })} />
        )}
      </Stack>
    </FoldCard>
  );
}

interface PartProps { question: Question; onChange: (part: object) => void }

function TimeLimit({ question: { time_limit, extendable }, onChange }: PartProps): ReactNode {
  const limited = typeof time_limit === "number";
  return (
    <>
      <Flex gap="3" wrap="wrap">
        <Check label="Time limit" value={limited} onChange={(wanted) => onChange({ time_limit: wanted ? 60 : null })} />
        {limited && (
          <NumberField bare label="seconds" value={time_limit} min={1} max={86_400} onChange={(seconds) => onChange({ time_limit: Math.round(seconds) })} />
        )}
      </Flex>
      {limited && <Check label="Whoever needs more time can have it" value={extendable} onChange={(can) => onChange({ extendable: can })} />}
    </>
  );
}
