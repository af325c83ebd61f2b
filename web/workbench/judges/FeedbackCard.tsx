import { QUESTIONS } from "../../api/tables";
import { MOST_HINTS } from "../../api/tables";
import { Box, Stack, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Question, Slide } from "../../api/types";
import { Choose } from "../../kit/Choose";
import { TextField } from "../../kit/TextField";
import { useCourse } from "../store/store";
import { FoldCard } from "../../kit/FoldCard";
import { PLACES, TELLS, type Outcome } from "./choices";
import { Setting } from "./Following";
import { changeQuestion, isUnjudged } from "./parts";
import { WithIt } from "./WithIt";
import { fromLines, lines } from "./words";
import { t } from "../../words/judges";

const OUTCOMES: readonly (readonly [Outcome, string])[] = [
  ["right", t("correctAnswer")], ["partly", t("partlyCorrectAttemptsLeft")], ["wrong", t("incorrectAttemptsLeft")],
  ["last", t("incorrectNoAttemptsLeft")], ["time_up", t("timeIsUp")], ["answered", t("answered")],
  ["nothing", t("submittedWithoutAnAnswer")],
];

interface Props { slide: Slide; question: Question }

/** What is said after each outcome, and what is shown with it. */
export function FeedbackCard({ slide, question }: Props): ReactNode {
  const order = useCourse((state) => state.course.slides);
  const slides = useCourse((state) => state.slides);
  const { feedback } = question;
  const put = (part: object): void => changeQuestion(question, { feedback: { ...feedback, ...part } });
  return (
    <FoldCard title={t("feedback")} noun={t("afterEachOutcome")} starts="closed">
      <Stack gap="2">
        {OUTCOMES.filter(([outcome]) => canCome(question, outcome)).map(([outcome, label]) => (
          <Box key={outcome}>
            <Setting of={outcome} label={label}>
              <TextField label={label} lines={2} value={lines(feedback[outcome])} onChange={(text) => put({ [outcome]: fromLines(text) })} />
            </Setting>
            <WithIt shows={feedback.shows} overlays={slide.overlays} outcome={outcome} label={label} onChange={(shows) => put({ shows })} />
          </Box>
        ))}
        <Setting of="shows" label={t("picturesAndSounds")} words={t("picturesAsInTheQuiz")}>{null}</Setting>
        {canCome(question, "wrong") && <Hints question={question} onChange={(hints) => put({ hints })} />}
        <Setting of="place" label={t("position")}>
          <Choose label={t("position")} value={feedback.place ?? ""} options={PLACES} onChange={(place) => put({ place: place || null })} />
        </Setting>
        {!isUnjudged(question) && (
          <Setting of="tells" label={t("howItWasScored")}>
            <Choose
              label={t("howItWasScored")} help={t("helpHowItWasScored")} value={feedback.tells === true ? "yes" : feedback.tells === false ? "no" : ""} options={TELLS}
              onChange={(tells) => put({ tells: tells ? tells === "yes" : null })}
            />
          </Setting>
        )}
        {!isUnjudged(question) && (
          <Choose
            label={t("linkToReview")} help={t("helpLinkToReview")} value={feedback.read_again ?? ""} options={[["", t("noSlide")], ...order.map((id, n) => [id, `${n + 1} ${slides[id]?.title ?? ""}`] as const)]}
            onChange={(again) => put({ read_again: again || null })}
          />
        )}
      </Stack>
    </FoldCard>
  );
}

/** A hint after each try, as far as there are tries left. */
function Hints({ question, onChange }: { question: Question; onChange: (hints: Question["feedback"]["hints"]) => void }): ReactNode {
  const { hints } = question.feedback;
  const most = question.attempts ? Math.min(question.attempts - 1, MOST_HINTS) : Math.min(hints.length + 1, MOST_HINTS);
  const put = (index: number, text: string): void => {
    const next = Array.from({ length: Math.max(hints.length, index + 1) }, (_, n) => (n === index ? fromLines(text) : hints[n] ?? { blocks: [] }));
    while (next.length && !next.at(-1)?.blocks.length) next.pop();
    onChange(next);
  };
  return (
    <details open={hints.length > 0}>
      <Text as="summary" fontSize="12.5px" color="quiet" cursor="pointer">{t("hintsOneAfterEachAttempt")}</Text>
      <Stack gap="1.5" pl="3" pt="1">
        {Array.from({ length: Math.max(most, hints.length) }, (_, n) => (
          <TextField key={n} label={t("hintAfterAttemptN", { n: n + 1 })} lines={2} value={lines(hints[n] ?? { blocks: [] })} onChange={(text) => put(n, text)} />
        ))}
      </Stack>
    </details>
  );
}

function canCome(question: Question, outcome: Outcome): boolean {
  if (outcome === "nothing") return question.submit_is === "ready";
  if (outcome === "time_up") return Boolean(question.time_limit);
  if (isUnjudged(question) !== (outcome === "answered")) return false;
  const once = question.attempts === 1;
  switch (outcome) {
    case "wrong": return !once;
    case "partly": return !once && QUESTIONS[question.kind].partly;
    default: return true;
  }
}
