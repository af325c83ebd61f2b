/** A course for its trainer: who is where, and how each learner stands with each question. */
import { Box, Table, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { Check, CircleDot, Minus, X, type LucideIcon } from "lucide-react";
import type { ReactNode } from "react";
import { api, take } from "../api/client";
import type { components } from "../api/api";
import { FoldCard } from "../kit/FoldCard";
import { ago } from "../kit/units";
import { t } from "../words/practice";
import { statusWords } from "./status";

type Found = components["schemas"]["OverviewOut"];
type Learner = components["schemas"]["LearnerOverview"];
type Answer = components["schemas"]["SeenAnswer"];

/** How a result looks: its sign, colour and words. */
const RESULTS: Record<string, readonly [LucideIcon, string, string]> = {
  correct: [Check, "spruce", t("cellRight")], wrong: [X, "brick", t("cellWrong")], partly: [Minus, "ink", t("cellPartly")], neutral: [CircleDot, "quiet", t("cellGiven")],
};
/** Results as a decimal are the share of the points (SCORM). */
const shownAs = (result: string): readonly [LucideIcon, string, string] => RESULTS[result] ?? (Number(result) > 0 ? RESULTS.partly : RESULTS.neutral) as readonly [LucideIcon, string, string];

const isRight = ({ result }: Answer): boolean => result === "correct";
/** Who has answered several times and is not right yet. */
const isStuck = (answer: Answer): boolean => answer.attempts > 1 && answer.result === "wrong";

/** Shown once somebody has begun. */
export function Overview({ id }: { id: number }): ReactNode {
  const found = useQuery({
    queryKey: ["practice", id, "overview"],
    queryFn: () => take(api.GET("/api/practice/packages/{package_id}/overview", { params: { path: { package_id: id } } })),
  }).data;
  if (!found?.learners.length) return null;
  return (
    <Box mt="5" display="grid" gap="4">
      <FoldCard title={t("whoIsWhere")}><Places found={found} /></FoldCard>
      {found.questions.length > 0 && <FoldCard title={t("questionByQuestion")}><Questions found={found} /></FoldCard>}
    </Box>
  );
}

const PLAIN = { "& tr": { bg: "transparent" }, "& th, & td": { verticalAlign: "top" } };

function Places({ found }: { found: Found }): ReactNode {
  return (
    <Table.Root size="sm" variant="line" css={PLAIN}>
      <Table.Header>
        <Table.Row>
          {[t("learner"), t("status"), ...(found.slides.length ? [t("place"), t("slidesSeen")] : []), t("answersSoFar"), t("lastThere")].map((words) => <Table.ColumnHeader key={words} color="quiet">{words}</Table.ColumnHeader>)}
        </Table.Row>
      </Table.Header>
      <Table.Body>
        {found.learners.map((learner) => (
          <Table.Row key={learner.key} data-where={learner.key}>
            <Table.Cell fontWeight="600">{learner.name}</Table.Cell>
            <Table.Cell>{statusWords(learner.status)}</Table.Cell>
            {found.slides.length > 0 && <Where learner={learner} slides={found.slides} />}
            <Table.Cell>{learner.answers.length ? t("rightOf", { right: learner.answers.filter(isRight).length, all: learner.answers.length }) : "–"}</Table.Cell>
            <Table.Cell>{ago(learner.changed)}</Table.Cell>
          </Table.Row>
        ))}
      </Table.Body>
    </Table.Root>
  );
}

/** Where a learner is, and the slides of the course as a strip in which those that were seen are filled. */
function Where({ learner, slides }: { learner: Learner; slides: Found["slides"] }): ReactNode {
  const place = learner.place === null ? undefined : slides[learner.place]?.title;
  const seen = new Set(learner.seen);
  return (
    <>
      <Table.Cell maxW="220px">{place ?? "–"}</Table.Cell>
      <Table.Cell minW="180px">
        <Text>{t("ofThem", { count: seen.size, all: slides.length })}</Text>
        <Box display="flex" h="8px" mt="1" borderRadius="full" overflow="hidden" bg="edge" aria-hidden>
          {slides.map(({ id, title }, number) => (
            <Box key={id} flex="1" title={title} bg={number === learner.place ? "marigold" : seen.has(number) ? "spruce" : undefined} />
          ))}
        </Box>
      </Table.Cell>
    </>
  );
}

function Questions({ found }: { found: Found }): ReactNode {
  const answers = new Map(found.learners.map(({ key, answers }) => [key, new Map(answers.map((answer) => [answer.question, answer]))]));
  return (
    <Box overflowX="auto" tabIndex={0} role="group" aria-label={t("answersByLearner")}>
      <Table.Root size="sm" variant="line" css={PLAIN}>
        <Table.Header>
          <Table.Row>
            <Table.ColumnHeader color="quiet">{t("question")}</Table.ColumnHeader>
            <Table.ColumnHeader color="quiet">{t("rightShare")}</Table.ColumnHeader>
            {found.learners.map(({ key, name }) => <Table.ColumnHeader key={key} color="quiet">{name}</Table.ColumnHeader>)}
          </Table.Row>
        </Table.Header>
        <Table.Body>
          {found.questions.map(({ id, words }) => {
            const given = found.learners.flatMap(({ key }) => answers.get(key)?.get(id) ?? []);
            return (
              <Table.Row key={id} data-question={words}>
                <Table.Cell minW="260px">{words}</Table.Cell>
                <Table.Cell whiteSpace="nowrap">{t("ofThem", { count: given.filter(isRight).length, all: given.length })}</Table.Cell>
                {found.learners.map(({ key }) => <Result key={key} answer={answers.get(key)?.get(id)} />)}
              </Table.Row>
            );
          })}
        </Table.Body>
      </Table.Root>
    </Box>
  );
}

function Result({ answer }: { answer: Answer | undefined }): ReactNode {
  if (!answer) return <Table.Cell color="quiet"><span title={t("cellNone")}>–</span></Table.Cell>;
  const [Sign, colour, words] = shownAs(answer.result);
  return (
    <Table.Cell color={colour} bg={isStuck(answer) ? "marigold.soft" : undefined} title={isStuck(answer) ? t("stuckHere") : words}>
      <Sign size={16} aria-label={words} />
      {answer.attempts > 1 && <Text as="span" ms="1" fontSize="12.5px" color="ink">× {answer.attempts}</Text>}
    </Table.Cell>
  );
}
