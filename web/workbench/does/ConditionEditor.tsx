import { Box, Flex } from "@chakra-ui/react";
import { Keyboard, Plus, X } from "lucide-react";
import { useState, type ReactNode } from "react";
import { QuietButton } from "../../kit/QuietButton";
import { Tool } from "../../kit/Tool";
import { clausesOf, nodeOf, OF_QUIZ, OF_SET, type Clause, type Clauses, type Comparison, type Fact, type OfQuiz } from "./conditions";
import { ExpressionField } from "./ExpressionField";
import { LIVE, typeOfLive } from "./live";
import type { Things } from "./things";
import { WordChoice, WordField, type OptionGroup } from "./Word";
import { t } from "../../words/does";

interface Props { condition: unknown; things: Things; onChange: (condition: unknown) => void; lead?: string }

/** The *if* of a rule, of a gate, of a fork. */
export function ConditionEditor({ condition, things, onChange, lead = "if" }: Props): ReactNode {
  const [typed, setTyped] = useState(false);
  const clauses = clausesOf(condition);
  const way = (
    <Tool label={typed ? t("chooseTheCondition") : t("typeTheCondition")} aria-pressed={typed} onClick={() => setTyped(!typed)}>
      <Keyboard size={13} />
    </Tool>
  );
  if (typed) {
    return (
      <Flex align="start" gap="1" pl="3" borderLeftWidth="2px" borderColor="edge" py="0.5">
        <span>{lead}</span>
        <ExpressionField label={t("condition")} node={condition} things={things} onChange={onChange} />
        {way}
      </Flex>
    );
  }
  return <ClauseList clauses={clauses} things={things} lead={lead} way={way} onChange={(next) => onChange(nodeOf(next))} />;
}

function ClauseList(
  { clauses, things, onChange, lead, way }: {
    clauses: Clauses; things: Things; onChange: (next: Clauses) => void; lead: string; way?: ReactNode;
  },
): ReactNode {
  const { join, clauses: list } = clauses;
  const put = (index: number, clause: Clause | null): void => onChange({
    join, clauses: list.flatMap((old, n) => (n !== index ? [old] : clause ? [clause] : [])),
  });
  return (
    <>
      {list.map((clause, index) => (
        <Flex key={index} wrap="wrap" align="center" gap="1" pl="3" borderLeftWidth="2px" borderColor="edge" py="0.5">
          {index === 0 ? <span>{lead}</span> : (
            <WordChoice
              label={t("join")} value={join} options={[["and", t("and")], ["or", t("or")]]}
              onChange={(value) => onChange({ join: value as Clauses["join"], clauses: list })}
            />
          )}
          <ClauseEditor clause={clause} things={things} onChange={(next) => put(index, next)} />
          <Tool label={t("removeThisCondition")} data-changes onClick={() => put(index, null)}><X size={13} /></Tool>
        </Flex>
      ))}
      <Flex align="center" data-changes>
        <QuietButton
          size="2xs" variant="ghost" color="quiet" justifyContent="flex-start"
          onClick={() => onChange({ join, clauses: [...list, firstClause(things)] })}
        >
          <Plus size={12} /> {list.length ? t("anotherCondition") : t("addLead", { lead })}
        </QuietButton>
        {list.length > 1 && (
          <QuietButton
            size="2xs" variant="ghost" color="quiet"
            onClick={() => onChange({ join, clauses: [...list, { kind: "group", clauses: { join: join === "and" ? "or" : "and", clauses: [firstClause(things)] } }] })}
          >
            <Plus size={12} />{t("inParentheses")}
          </QuietButton>
        )}
        {way}
      </Flex>
    </>
  );
}

function firstClause(things: Things): Clause {
  const variable = things.variables[0];
  if (variable) return forSubject(`variable ${variable}`, things);
  const set = things.sets[0];
  if (set) return { kind: "all_seen", of: set, holds: true };
  const element = things.slide?.elements[0]?.id;
  return element ? { kind: "clicked", of: element, holds: true } : { kind: "live", of: "slides_seen", is: ">=", value: 1 };
}

function subjects(things: Things): OptionGroup[] {
  const some = (kind: string, ids: readonly string[]): [string, string][] => ids.map((id) => [`${kind} ${id}`, things.name(id)]);
  const elements = things.slide?.elements ?? [];
  return [
    { label: t("variables"), options: some("variable", things.variables) },
    { label: t("theCourse2"), options: LIVE.map(({ of, words }): [string, string] => [`live ${of}`, words]) },
    { label: t("shown"), options: some("shown", things.things) },
    { label: t("clicked"), options: some("clicked", elements.map(({ id }) => id)) },
    { label: t("sets"), options: some("all_seen", things.sets) },
    { label: t("questions"), options: [...some("right", things.questions), ...some("locked", things.questions)] },
    { label: t("resultOfAQuiz"), options: resultsOf(things) },
    { label: t("slidesSeen"), options: some("seen", things.course.slides) },
    { label: t("watched"), options: some("watched", things.media) },
    { label: t("liesOn"), options: some("dropped", elements.filter((e) => e.drag).map(({ id }) => id)) },
  ];
}

const ABOUT: Record<OfQuiz, string> = {
  quiz_score: t("scoreInPercent"), quiz_points: t("pointsInTheQuiz"), quiz_right: t("rightAnswers"), quiz_attempt: t("numberOfTheAttempt"),
  quiz_attempts_left: t("attemptsLeft"), set_score: t("scoreInPercent"), set_right: t("rightAnswers"),
};

/** What can be asked of each quiz: whether it is passed, its bands, its numbers, and those of its sets. */
function resultsOf({ quizzes }: Things): [string, string][] {
  return quizzes.flatMap(({ id, title, quiz }): [string, string][] => [
    [`quiz_passed ${id}`, t("aboutTheQuiz", { name: title, what: t("passed") })],
    [`quiz_finished ${id}`, t("aboutTheQuiz", { name: title, what: t("finished") })],
    ...(quiz?.bands ?? []).map((band): [string, string] => [`in_band ${band.id}`, t("aboutTheQuiz", { name: title, what: t("bandName", { name: band.name }) })]),
    ...OF_QUIZ.map((kind): [string, string] => [`${kind} ${id}`, t("aboutTheQuiz", { name: title, what: ABOUT[kind] })]),
    ...(quiz?.sets ?? []).flatMap((set) => OF_SET.map((kind): [string, string] => [`${kind} ${set.id}`, t("aboutTheQuiz", { name: set.name, what: ABOUT[kind] })])),
  ]);
}

const HOLDS: Record<Fact, [yes: string, no: string]> = {
  shown: [t("isShown"), t("isNotShown")], open: [t("isOpen"), t("isClosed")], clicked: [t("wasClicked"), t("wasNotClicked")],
  seen: [t("wasSeen"), t("wasNotSeen")], right: [t("isAnsweredCorrectly"), t("isNotAnsweredCorrectly")],
  locked: [t("isFinished"), t("isNotFinished")], all_seen: [t("wasSeenInFull"), t("wasNotSeenInFull")],
  gate: [t("isOpen"), t("isClosed")], quiz_passed: [t("isTrue"), t("isNotTrue")], quiz_finished: [t("isTrue"), t("isNotTrue")],
  in_band: [t("isTrue"), t("isNotTrue")],
};

const COMPARED: readonly [Comparison, string][] = [
  ["=", t("is")], ["!=", t("isNot")], [">", t("isMoreThan")], [">=", t("isAtLeast")], ["<", t("isLessThan")], ["<=", t("isAtMost")],
];

function forLive(of: string): Clause {
  const text = typeOfLive(of) === "text";
  return { kind: "live", of, is: text ? "=" : ">=", value: of.endsWith("result") ? "passed" : text ? "" : 1 };
}

function forSubject(subject: string, things: Things): Clause {
  const [kind = "", of = ""] = subject.split(" ");
  if (kind === "variable") {
    const type = things.variable(of)?.type;
    const value = type === "yes_no" ? true : type === "text" ? "" : 1;
    return { kind, of, is: type === "number" ? ">=" : "=", value };
  }
  if (kind === "live") return forLive(of);
  if (kind in ABOUT) return { kind: kind as OfQuiz, of, is: ">=", value: kind.endsWith("_score") ? 60 : 1 };
  if (kind === "watched") return { kind, of, is: ">=", value: 0.95 };
  if (kind === "dropped") return { kind, of, is: "!=", value: "" };
  return { kind: kind as Fact, of, holds: true };
}

function ClauseEditor({ clause, things, onChange }: { clause: Clause; things: Things; onChange: (clause: Clause) => void }): ReactNode {
  if (clause.kind === "other") {
    return <ExpressionField label={t("condition")} node={clause.node} things={things} onChange={(node) => onChange({ kind: "other", node })} />;
  }
  if (clause.kind === "group") {
    return (
      <Box w="100%">
        <ClauseList clauses={clause.clauses} things={things} lead="(" onChange={(clauses) => onChange({ kind: "group", clauses })} />
      </Box>
    );
  }
  const subject = (
    <WordChoice
      label={t("whatIsAsked")} tone="what" value={`${clause.kind} ${clause.of}`} groups={subjects(things)}
      onChange={(value) => onChange(forSubject(value, things))}
    />
  );
  if ("holds" in clause) {
    const [yes, no] = HOLDS[clause.kind];
    return (
      <>
        {subject}
        <WordChoice
          label={t("howItIs")} value={String(clause.holds)} options={[["true", yes], ["false", no]]}
          onChange={(value) => onChange({ ...clause, holds: value === "true" })}
        />
      </>
    );
  }
  if (clause.kind === "dropped") {
    const targets = things.slide?.elements.find(({ id }) => id === clause.of)?.drag?.targets ?? [];
    return (
      <>
        {subject}
        <WordChoice
          label={t("whereItLies")} value={`${clause.is} ${String(clause.value)}`}
          options={[["!= ", t("liesOnSomeTarget")], ["= ", t("liesOnNoTarget")], ...targets.map((id): [string, string] => [`= ${id}`, t("liesOnName", { name: things.name(id) })])]}
          onChange={(value) => { const [is, on = ""] = value.split(" "); onChange({ ...clause, is: is as "=", value: on }); }}
        />
      </>
    );
  }
  const type = clause.kind === "variable" ? things.variable(clause.of)?.type : clause.kind === "live" ? typeOfLive(clause.of) : "number";
  const compared = type === "number" ? COMPARED : COMPARED.slice(0, 2);
  return (
    <>
      {subject}
      <WordChoice
        label={t("howItCompares")} value={clause.is} options={compared}
        onChange={(is) => onChange({ ...clause, is: is as Comparison } as Clause)}
      />
      {typeof clause.value === "boolean" ? (
        <WordChoice
          label={t("value")} value={String(clause.value)} options={[["true", t("yes")], ["false", t("no")]]}
          onChange={(value) => onChange({ ...clause, value: value === "true" } as Clause)}
        />
      ) : (
        <WordField
          label={t("value")} number={type === "number"} value={clause.value}
          onChange={(value) => onChange({ ...clause, value: type === "number" ? Number(value) : value } as Clause)}
        />
      )}
    </>
  );
}
