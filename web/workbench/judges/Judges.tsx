import { Flex, Stack, Text } from "@chakra-ui/react";
import { Plus, Unlink } from "lucide-react";
import type { ReactNode } from "react";
import type { Question, Slide } from "../../api/types";
import { Check } from "../../kit/Check";
import { Choose } from "../../kit/Choose";
import { NumberField } from "../../kit/NumberField";
import { Pair } from "../../kit/Pair";
import { TextField } from "../../kit/TextField";
import { useCourse } from "../store/store";
import { Fold } from "../../kit/Fold";
import { FoldCard } from "../../kit/FoldCard";
import { QuietButton } from "../../kit/QuietButton";
import { AnswerTable } from "./AnswerTable";
import { SUBMIT } from "./choices";
import { FeedbackCard } from "./FeedbackCard";
import { FollowingNote, Setting } from "./Following";
import { Points } from "./Points";
import { changeRole } from "./making";
import { QuestionFields } from "./QuestionFields";
import { addButton, changeQuestion, convert, isUnjudged, KINDS } from "./parts";
import { t } from "../../words/judges";

const PURPOSE = [["scored", t("scored")], ["practice", t("practiceNoPoints")], ["survey", t("surveyNoRightOrWrong")]] as const;
const JUDGED = [["submit", t("whenSubmitted")], ["at_once", t("atOnce")], ["leaving", t("onLeavingTheSlide")]] as const;
const AFTER = [["stay", t("stayOnTheSlide")], ["next", t("goToTheNextSlide")], ["again", t("goBackTo")]] as const;

interface Props { slide: Slide; question: Question }

/** Judges: what is right, what it counts, and what is said then. */
export function Judges({ slide, question }: Props): ReactNode {
  return (
    <>
      <FoldCard title={t("judges")} noun={t("questionAndScoring")}>
        <Choose
          label={t("kind")} help={t("helpKindOfQuestion")} value={question.kind} options={KINDS.map(([kind, word]) => [kind, word] as const)}
          onChange={(kind) => { if (kind !== question.kind) void convert(question, kind); }}
        />
        {question.kind !== "rating_scale" && <Choose label={t("purpose")} help={t("helpPurpose")} value={question.purpose} options={PURPOSE} onChange={(purpose) => changeQuestion(question, { purpose })} />}
        <Stack gap="1.5" py="1">
          <QuestionFields slide={slide} question={question} />
          <Buttons question={question} />
        </Stack>
        <FollowingNote />
        <Counting question={question} />
        <Fold title={t("nameAndButtons")}>
          <Stack gap="1.5">
            <TextField label={t("nameInTheResults")} help={t("helpNameInTheResults")} value={question.name} onChange={(name) => { if (name.trim()) changeQuestion(question, { name }); }} />
            <Flex gap="1.5" wrap="wrap">
              {!question.reset && <QuietButton size="xs" onClick={() => void addButton(question, "reset")}><Plus size={14} />{t("addAClearButton")}</QuietButton>}
              <QuietButton size="xs" onClick={() => void changeRole(question, "dissolve")}><Unlink size={14} />{t("dissolveKeepTheElements")}</QuietButton>
            </Flex>
          </Stack>
        </Fold>
      </FoldCard>
      <FeedbackCard slide={slide} question={question} />
      {("choices" in question || "spots" in question) && <AnswerTable slide={slide} question={question} />}
    </>
  );
}

/** That nothing submits the question, and the button that would. */
function Buttons({ question }: { question: Question }): ReactNode {
  if (question.submit || question.judged === "leaving") return null;
  return (
    <Flex gap="1.5" wrap="wrap" align="center">
      {question.judged === "submit" && <Text color="brick" fontSize="12.5px">{t("noButtonSubmitsThisQuestion")}</Text>}
      <QuietButton size="xs" onClick={() => void addButton(question, "submit")}><Plus size={14} />{t("addASubmitButton")}</QuietButton>
    </Flex>
  );
}

interface PartProps { question: Question; onChange: (part: object) => void }

/** Points, attempts and time in a row; under headings what else is scored, and when. */
function Counting({ question }: { question: Question }): ReactNode {
  const change = (part: object): void => changeQuestion(question, part);
  const judged = !isUnjudged(question);
  const pointed = question.purpose === "scored" && (judged || question.kind === "open_answer");
  return (
    <>
      <Pair columns={3}>
        {pointed && <Setting of="points" label={t("points")}><NumberField label={t("points")} value={question.points} min={0} max={10_000} onChange={(points) => change({ points })} /></Setting>}
        {judged && (
          <Setting of="attempts" label={t("attempts")}>
            <NumberField
              label={t("attempts")} value={question.attempts ?? null} min={1} max={100} onChange={(many) => change({ attempts: Math.round(many) })}
              none={{ word: t("unlimited"), onNone: () => change({ attempts: null }) }} help={t("howManyTimesLearnersMay")}
            />
          </Setting>
        )}
        <Setting of="time_limit" label={t("timeLimitS")}>
          <NumberField
            label={t("timeLimitS")} value={question.time_limit ?? null} min={1} max={86_400} onChange={(seconds) => change({ time_limit: Math.round(seconds) })}
            none={{ word: t("none2"), onNone: () => change({ time_limit: null }) }} help={t("inSecondsEmptyThereIs")}
          />
        </Setting>
      </Pair>
      {judged && question.purpose === "scored" && (
        <Fold title={t("partialCreditAndPenalties")}><Points question={question} onChange={change} /></Fold>
      )}
      <Fold title={t("checkingAndRequirements")}><Checking question={question} onChange={change} /></Fold>
    </>
  );
}

/** When it is judged, what is asked of learners, and what comes after the last attempt. */
function Checking({ question, onChange }: PartProps): ReactNode {
  const order = useCourse((state) => state.course.slides);
  const slides = useCourse((state) => state.slides);
  return (
    <Stack gap="1">
      <Choose label={t("checkAnswer")} help={t("helpCheckAnswer")} value={question.judged} options={JUDGED} onChange={(judged) => onChange({ judged })} />
      {question.judged === "at_once" && question.submit && (
        <Text fontSize="12px" color="quiet">{t("theButtonIsOnlyShown")}</Text>
      )}
      {question.judged === "submit" && (
        <Setting of="submit_is" label={t("untilThenTheButton")}>
          <Choose label={t("untilThenTheButton")} help={t("helpUntilThenTheButton")} value={question.submit_is} options={SUBMIT} onChange={(submit_is) => onChange({ submit_is })} />
        </Setting>
      )}
      <Setting of="required" label={t("requiredAnswerBeforeGoingOn")}>
        <Check label={t("requiredAnswerBeforeGoingOn")} help={t("helpRequired")} value={question.required} onChange={(required) => onChange({ required })} />
      </Setting>
      {question.time_limit ? <Check label={t("learnersCanAskForMore")} help={t("helpMoreTime")} value={question.extendable} onChange={(extendable) => onChange({ extendable })} /> : null}
      <Check label={t("keepAnUnfinishedAnswerFor")} value={question.keeps} onChange={(keeps) => onChange({ keeps })} />
      {!isUnjudged(question) && (
        <Setting of="show_right" label={t("showTheCorrectAnswersAt")}>
          <Check label={t("showTheCorrectAnswersAt")} help={t("helpShowTheCorrectAnswers")} value={question.show_right} onChange={(show_right) => onChange({ show_right })} />
        </Setting>
      )}
      <Choose label={t("afterTheLastAttempt")} help={t("helpAfterTheLastAttempt")} value={question.after} options={AFTER} onChange={(after) => onChange({ after, again_from: after === "again" ? question.again_from ?? order[0] : question.again_from })} />
      {question.after === "again" && (
        <Choose label={t("from")} value={question.again_from ?? ""} options={order.map((id, n) => [id, `${n + 1} ${slides[id]?.title ?? ""}`] as const)} onChange={(again_from) => onChange({ again_from })} />
      )}
    </Stack>
  );
}
