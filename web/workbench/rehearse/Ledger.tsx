import { Box, Flex, Heading, Input, Stack, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState, type ReactNode } from "react";
import { api, take } from "../../api/client";
import type { Grader, Variable } from "../../api/types";
import { isVisible } from "../../player/engine/engine";
import { verdict } from "../../player/engine/grade";
import { sayEnglish, type Say } from "../../player/engine/words";
import { measure } from "../../player/engine/tally";
import type { Index } from "../../player/engine/program";
import type { Answer } from "../../player/engine/state";
import type { Value } from "../../player/engine/values";
import { fromFrames } from "../../player/rehearsal";
import type { RehearsalMessage } from "../../player/tracking/rehearsalTracker";
import { useCourse } from "../store/store";
import { Check } from "../../kit/Check";
import { Card } from "../../kit/Card";
import { Fact } from "../../kit/Fact";
import { QuietButton } from "../../kit/QuietButton";
import { duration } from "../../kit/units";
import { t } from "../../words/rehearse";

const PROGRESS_LIMIT = 4_096;

type LmsCalls = readonly (readonly [string, string])[];

interface Props {
  message: RehearsalMessage | null;
  calls: LmsCalls;
  index: Index | null;
  onSet: (variable: string, value: Value) => void;
  onAsk: (thing: string) => void;
  /** How many values the next run begins with. */
  starting: number;
  onStarting: (values: Readonly<Record<string, Value>>) => void;
}

/** The ledger: where the learner stands and what the LMS was told, in plain words. */
export function Ledger({ message, calls, index, onSet, onAsk, starting, onStarting }: Props): ReactNode {
  const course = useCourse((state) => state.course);
  if (!message) return <Text p="4" color="quiet">{t("theLedgerFillsAsSoon")}</Text>;
  const { state } = message;
  const lms = new Map(calls);
  return (
    <Stack p="3" gap="3">
      <Heading as="h2" fontSize="14px" fontFamily="body" px="1">{t("ledger")}</Heading>
      <Card title={t("learner")}>
        <Fact name={t("slidesSeen")}>{t("visitedOfSlides", { visited: state.visited.length, slides: course.slides.length })}</Fact>
        <Fact name={t("points")}>{t("pointsOfMaxpoints", { points: message.points, maxPoints: message.maxPoints })}</Fact>
        <Fact name={t("score")}>{message.score === null ? t("nothingIsScored") : `${message.score} %`}</Fact>
        <Fact name={t("course")}>{state.completed ? t("completed") : t("notCompletedYet")}</Fact>
        {state.success !== "unknown" && <Fact name={t("result")}>{state.success}</Fact>}
        <Fact name={t("time")}>{duration(state.time)}</Fact>
      </Card>
      <Visited visited={state.visited} current={state.slide} />
      <Answers state={state} index={index} />
      {index && <Hidden index={index} message={message} onAsk={onAsk} />}
      <Card title={t("variables")}>
        {!course.variables.length && <Text color="quiet">{t("theCourseHasNone")}</Text>}
        {course.variables.map((variable) => (
          <VariableFact
            key={variable.id} variable={variable} value={state.variables[variable.id] ?? variable.default}
            onSet={(value) => onSet(variable.id, value)}
          />
        ))}
        {course.variables.length > 0 && (
          <Flex gap="2" wrap="wrap" mt="2">
            <QuietButton size="xs" onClick={() => onStarting(ownValues(course.variables, state.variables))}>{t("startWithTheseValues")}</QuietButton>
            {starting > 0 && <QuietButton size="xs" onClick={() => onStarting({})}>{t("startAsLearnersDo")}</QuietButton>}
          </Flex>
        )}
        {starting > 0 && <Text fontSize="12.5px" color="quiet" mt="1">{t("theNextRunStartsWith", { starting: t("values", { count: starting }) })}</Text>}
      </Card>
      <Card title={t("reportedToTheLms")}>
        <Fact name={t("status")}>{lms.get("cmi.core.lesson_status") ?? t("nothingYet")}</Fact>
        <Fact name={t("score")}>{lms.get("cmi.core.score.raw") ?? t("noneYet")}</Fact>
        <Fact name={t("savedProgress")}>
          {t("usedOfLimit", { used: (lms.get("cmi.suspend_data") ?? "").length, limit: PROGRESS_LIMIT.toLocaleString("en") })}
        </Fact>
        <Calls calls={calls} />
      </Card>
    </Stack>
  );
}

/** The values that are not the defaults. */
function ownValues(variables: readonly Variable[], now: Readonly<Record<string, Value>>): Record<string, Value> {
  return Object.fromEntries(variables.flatMap((variable): [string, Value][] => {
    const value = now[variable.id];
    return value === undefined || value === variable.default ? [] : [[variable.id, value]];
  }));
}

function Visited({ visited, current }: { visited: readonly string[]; current: string | null }): ReactNode {
  const slides = useCourse((state) => state.slides);
  const order = useCourse((state) => state.course.slides);
  return (
    <Card title={t("slidesVisited")}>
      {order.filter((id) => visited.includes(id)).map((id) => (
        <Text key={id} fontWeight={id === current ? 700 : 400}>
          {order.indexOf(id) + 1} {slides[id]?.title}{id === current ? " (now)" : ""}
        </Text>
      ))}
    </Card>
  );
}

function Answers({ state, index }: { state: RehearsalMessage["state"]; index: Index | null }): ReactNode {
  const slides = useCourse((store) => store.slides);
  const questions = Object.values(slides).flatMap((slide) => slide.questions);
  const answered = questions.filter((question) => state.answers[question.id]);
  if (!answered.length) return null;
  return (
    <Card title={t("questions")}>
      {answered.map((question) => {
        const answer = state.answers[question.id];
        if (!answer) return null;
        const tries = `${answer.attempts}${question.attempts ? t("ofAttempts", { attempts: question.attempts }) : ""}`;
        const how = judgedHow(index?.questions.get(question.id), answer, index?.say ?? sayEnglish);
        return (
          <Box key={question.id}>
            <Fact name={question.name}>
              {answer.result ?? t("notSubmitted")}{" "}{t("attemptTries", { tries })}{answer.locked ? t("locked") : ""}
            </Fact>
            {how && <Text fontSize="12.5px" color="quiet">{how}</Text>}
          </Box>
        );
      })}
    </Card>
  );
}

/** How an answer was judged, in a sentence. */
function judgedHow(grader: Grader | undefined, answer: Answer, say: Say): string {
  if (!grader || answer.result === null || answer.result === "neutral") return "";
  const { result, points, row } = answer;
  const sentence = verdict(grader, result, points, { ...answer, of: measure(grader, []).of }, answer.attempts, say);
  return row ? t("sentenceByRowRowOf", { sentence, row }) : sentence;
}

/** A variable as it stands, to be changed while the course runs. */
function VariableFact({ variable, value, onSet }: { variable: Variable; value: Value; onSet: (value: Value) => void }): ReactNode {
  const [draft, setDraft] = useState<string | null>(null);
  if (variable.type === "yes_no") {
    return <Check label={variable.name} value={value === true} onChange={onSet} />;
  }
  const finish = (): void => {
    if (draft !== null) onSet(variable.type === "number" ? Number(draft.replace(",", ".")) || 0 : draft);
    setDraft(null);
  };
  return (
    <Fact name={variable.name}>
      <Input
        size="2xs" aria-label={variable.name} value={draft ?? String(value)} textAlign="right"
        onChange={(event) => setDraft(event.target.value)} onBlur={finish}
        onKeyDown={(event) => { if (event.key === "Enter") finish(); }}
      />
    </Fact>
  );
}

/** What is on this slide and not to be seen now: ask why. */
function Hidden({ index, message, onAsk }: { index: Index; message: RehearsalMessage; onAsk: (thing: string) => void }): ReactNode {
  const state = fromFrames(message.state);
  const slide = index.slides.get(state.slide ?? "");
  if (!slide) return null;
  const hidden = slide.elements.filter(({ draw }) => !isVisible(index, state, draw.id)).map(({ draw }) => [draw.id, draw.name] as const);
  const closed = slide.overlays.filter(({ id, panel }) => !panel && !state.overlays.includes(id)).map(({ id, title }) => [id, title] as const);
  const all = [...hidden, ...closed];
  if (!all.length) return null;
  return (
    <Card title={t("notShownNow")}>
      {all.map(([id, name]) => (
        <Flex key={id} align="center" justify="space-between" gap="2">
          <Text truncate>{name}</Text>
          <QuietButton size="2xs" aria-label={t("whyIsNameNotShown", { name })} onClick={() => onAsk(id)}>{t("why")}</QuietButton>
        </Flex>
      ))}
    </Card>
  );
}

/** Every call so far, the newest first, asked for in plain words only when wanted. */
function Calls({ calls }: { calls: LmsCalls }): ReactNode {
  const [open, setOpen] = useState(false);
  const words = useQuery({
    queryKey: ["explain", calls], enabled: open && calls.length > 0, placeholderData: (before) => before,
    queryFn: () => {
      const pairs = calls.map(([element, value]): [string, string] => [element, value]);
      return take(api.POST("/api/explain", { body: { calls: pairs } }));
    },
  });
  return (
    <>
      <Box as="button" color="spruce" fontWeight="600" mt="1" onClick={() => setOpen(!open)} aria-expanded={open}>
        {open ? t("hideTheCalls") : t("eachCallInPlainWords")}
      </Box>
      {open && (
        <Box as="ol" listStyleType="none" mt="2" fontSize="13px">
          {[...(words.data ?? [])].reverse().map((sentence, index) => (
            <Box as="li" key={index} py="1" borderTopWidth="1px">{sentence}</Box>
          ))}
        </Box>
      )}
    </>
  );
}
