/** The defaults of a quiz: what its questions take until they have their own. */
import { Box, Flex, Heading, Stack, Text } from "@chakra-ui/react";
import { useMemo, type ReactNode } from "react";
import type { Quiz, QuestionDefaults, Section, Setting } from "../../../api/types";
import { Check } from "../../../kit/Check";
import { Choose } from "../../../kit/Choose";
import { NumberField } from "../../../kit/NumberField";
import { QuietButton } from "../../../kit/QuietButton";
import { TextField } from "../../../kit/TextField";
import { t } from "../../../words/quiz";
import { t as judges } from "../../../words/judges";
import { PARTIAL } from "../../judges/partial";
import { PLACES, SUBMIT, TELLS, type Outcome } from "../../judges/choices";
import { WithIt, named } from "../../judges/WithIt";
import { fromLines, lines } from "../../judges/words";
import { useCourse } from "../../store/store";
import { ClearButtons } from "./ClearButtons";
import { beginDefaults, changeDefaults, endDefaults, followersOf, letAllFollow, type Followers } from "./quizDefaults";

const WORDS: readonly (readonly [Outcome, string])[] = [
  ["right", judges("correctAnswer")], ["partly", judges("partlyCorrectAttemptsLeft")], ["wrong", judges("incorrectAttemptsLeft")],
  ["last", judges("incorrectNoAttemptsLeft")], ["time_up", judges("timeIsUp")], ["answered", judges("answered")], ["nothing", judges("submittedWithoutAnAnswer")],
];
const WAYS = PARTIAL.filter(([way]) => way !== "per_answer") as readonly (readonly [QuestionDefaults["partial"], string, string])[];

interface Props { section: Section; quiz: Quiz; own: readonly string[] }

/** The defaults, or how to begin with some. */
export function Defaults({ section, quiz, own }: Props): ReactNode {
  const slides = useCourse((state) => state.slides);
  const followers = useMemo(() => followersOf(own, slides), [own, slides]);
  if (!quiz.defaults) {
    return (
      <Box bg="paper" borderWidth="1px" borderRadius="card" px="4" py="4" maxW="640px">
        <Text pb="2">{t("noDefaultsYet")}</Text>
        <QuietButton size="sm" onClick={() => beginDefaults(section.id)}>{t("setDefaults")}</QuietButton>
        <Box pt="4"><ClearButtons own={own} /></Box>
      </Box>
    );
  }
  return <Fields section={section.id} defaults={quiz.defaults} followers={followers} own={own} />;
}

interface FieldsProps { own: readonly string[]; section: string; defaults: QuestionDefaults; followers: Record<Setting, Followers> }

function Fields({ own, section, defaults, followers }: FieldsProps): ReactNode {
  const put = (label: string, part: Partial<QuestionDefaults>): void => changeDefaults(section, label, part, Object.keys(part).join());
  const hasFiles = useCourse((state) => named(state.course.media, "picture").length + named(state.course.media, "audio").length > 0);
  const row = (of: Setting, label: string, field: ReactNode): ReactNode => (
    <Row key={of} of={of} label={label} section={section} followers={followers[of]}>{field}</Row>
  );
  return (
    <Flex direction="column" gap="4" maxW="680px">
      <Part title={t("pointsAndAttempts")}>
        {row("points", judges("points"), <NumberField label={judges("points")} value={defaults.points} min={0} max={10_000} onChange={(points) => put(judges("points"), { points })} />)}
        {row("penalty", judges("penaltyForAWrongAnswer"), (
          <>
            <NumberField label={judges("penaltyForAWrongAnswer")} help={judges("helpPenalty")} value={defaults.penalty} min={0} max={10_000} onChange={(penalty) => put(judges("penaltyForAWrongAnswer"), defaults.floor === 0 - defaults.penalty ? { penalty, floor: 0 - penalty } : { penalty })} />
            <NumberField label={judges("lowestPoints")} help={judges("howFarBelow0The")} value={defaults.floor} min={-10_000} max={0} onChange={(floor) => put(judges("lowestPoints"), { floor })} />
          </>
        ))}
        {row("unanswered", judges("costOfNoAnswer"), <NumberField label={judges("costOfNoAnswer")} help={judges("helpCostOfNoAnswer")} value={defaults.unanswered} min={0} max={10_000} onChange={(unanswered) => put(judges("costOfNoAnswer"), { unanswered })} />)}
        {row("partial", judges("partialCredit"), <Choose label={judges("partialCredit")} help={judges("helpPartialCredit")} value={defaults.partial} options={WAYS.map(([way, label]) => [way, label] as const)} onChange={(partial) => put(judges("partialCredit"), { partial })} />)}
        {row("attempts", judges("attempts"), (
          <NumberField
            label={judges("attempts")} help={judges("howManyTimesLearnersMay")} value={defaults.attempts ?? null} min={1} max={100} onChange={(many) => put(judges("attempts"), { attempts: Math.round(many) })}
            none={{ word: judges("unlimited"), onNone: () => put(judges("attempts"), { attempts: null }) }}
          />
        ))}
        {row("loss", judges("pointsLostPerFurtherAttempt"), <NumberField label={judges("pointsLostPerFurtherAttempt")} help={judges("helpLoss")} value={Math.round(defaults.attempt_loss * 100)} min={0} max={100} onChange={(percent) => put(judges("pointsLostPerFurtherAttempt"), { attempt_loss: percent / 100 })} />)}
      </Part>
      <Part title={t("answersAndTime")}>
        {row("shuffle", judges("shuffleAnswers"), <Check label={judges("shuffleAnswers")} help={judges("helpShuffleAnswers")} value={defaults.shuffle} onChange={(shuffle) => put(judges("shuffleAnswers"), { shuffle })} />)}
        {row("required", judges("requiredAnswerBeforeGoingOn"), <Check label={judges("requiredAnswerBeforeGoingOn")} help={judges("helpRequired")} value={defaults.required} onChange={(required) => put(judges("requiredAnswerBeforeGoingOn"), { required })} />)}
        {row("show_right", judges("showTheCorrectAnswersAt"), <Check label={judges("showTheCorrectAnswersAt")} help={judges("helpShowTheCorrectAnswers")} value={defaults.show_right} onChange={(show_right) => put(judges("showTheCorrectAnswersAt"), { show_right })} />)}
        {row("time_limit", judges("timeLimitS"), (
          <>
            <NumberField
              label={judges("timeLimitS")} help={judges("inSecondsEmptyThereIs")} value={defaults.time_limit ?? null} min={1} max={86_400} onChange={(seconds) => put(judges("timeLimitS"), { time_limit: Math.round(seconds) })}
              none={{ word: judges("none2"), onNone: () => put(judges("timeLimitS"), { time_limit: null }) }}
            />
            {defaults.time_limit ? <Check label={judges("learnersCanAskForMore")} help={judges("helpMoreTime")} value={defaults.extendable} onChange={(extendable) => put(judges("learnersCanAskForMore"), { extendable })} /> : null}
          </>
        ))}
        {row("submit_is", t("untilAnswered"), <Choose label={t("untilAnswered")} help={judges("helpUntilThenTheButton")} value={defaults.submit_is} options={SUBMIT} onChange={(submit_is) => put(t("untilAnswered"), { submit_is })} />)}
      </Part>
      <Part title={t("feedbackAndButtons")}>
        <Text color="quiet" fontSize="12.5px">{t("emptyWordsAreOwn")}</Text>
        {WORDS.map(([outcome, label]) => row(outcome, label, <TextField label={label} lines={2} value={lines(defaults[outcome])} onChange={(text) => put(label, { [outcome]: fromLines(text) })} />))}
        {hasFiles && row("shows", judges("picturesAndSounds"), WORDS.map(([outcome, label]) => (
          <WithIt key={outcome} alone shows={defaults.shows.map((one) => ({ ...one, overlay: null }))} outcome={outcome} label={label} onChange={(shows) => put(judges("picturesAndSounds"), { shows: shows.map(({ overlay: _, ...along }) => along) })} />
        )))}
        {row("place", judges("position"), <Choose label={judges("position")} value={defaults.place ?? ""} options={PLACES} onChange={(place) => put(judges("position"), { place: place || null })} />)}
        {row("tells", judges("howItWasScored"), <Choose label={judges("howItWasScored")} help={judges("helpHowItWasScored")} value={defaults.tells === true ? "yes" : defaults.tells === false ? "no" : ""} options={TELLS} onChange={(tells) => put(judges("howItWasScored"), { tells: tells ? tells === "yes" : null })} />)}
        {row("submit_label", t("wordsOnSubmit"), <TextField label={t("wordsOnSubmit")} value={defaults.submit_label} onChange={(text) => put(t("wordsOnSubmit"), { submit_label: text.slice(0, 80) })} />)}
        {row("reset_label", t("wordsOnClear"), <TextField label={t("wordsOnClear")} value={defaults.reset_label} onChange={(text) => put(t("wordsOnClear"), { reset_label: text.slice(0, 80) })} />)}
      </Part>
      <ClearButtons own={own} />
      <Box><QuietButton size="sm" onClick={() => endDefaults(section)}>{t("endDefaults")}</QuietButton></Box>
    </Flex>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }): ReactNode {
  return (
    <Box as="section" aria-label={title} bg="paper" borderWidth="1px" borderRadius="card" px="4" py="3" css={{ "& [data-labelled] > :first-of-type": { width: "190px" } }}>
      <Heading as="h3" fontSize="14px" pb="1">{title}</Heading>
      <Stack gap="1">{children}</Stack>
    </Box>
  );
}

/** A default, how many questions follow it, and a way for the others to do so. */
function Row({ of, label, section, followers, children }: { of: Setting; label: string; section: string; followers: Followers; children: ReactNode }): ReactNode {
  const { all, following } = followers;
  return (
    <Flex align="center" gap="3" data-setting={of}>
      <Box flex="1" minW="0">{children}</Box>
      <Flex w="150px" flex="none" direction="column" align="start" fontSize="12px" color="quiet">
        <span>{all ? following === all ? t("allFollow", { count: all }) : t("soManyFollow", { following, all }) : t("noQuestionHasIt")}</span>
        {following < all && (
          <QuietButton size="2xs" variant="ghost" px="0" h="18px" textDecoration="underline" color="spruce" aria-label={t("labelLetAllFollow", { label })} onClick={() => letAllFollow(section, of)}>{t("letAllFollow")}</QuietButton>
        )}
      </Flex>
    </Flex>
  );
}
