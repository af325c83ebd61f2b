import { Box, Flex, Grid, Heading, Link as ChakraLink, Table, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { ArrowLeft, Play } from "lucide-react";
import { useState, type ReactNode } from "react";
import { Link, useParams } from "react-router";
import { api, take } from "../api/client";
import type { components } from "../api/api";
import { PageHeader } from "../kit/PageHeader";
import { Choose } from "../kit/Choose";
import { Card } from "../kit/Card";
import { Empty } from "../kit/Empty";
import { Fact } from "../kit/Fact";
import { QuietButton } from "../kit/QuietButton";
import { count, duration } from "../kit/units";
import { CallLog } from "./CallLog";
import { MANNERS, mannerOf, type Manner } from "./manners";
import { markedWords, RecordedAnswer } from "./RecordedAnswer";
import { statusWords } from "./status";
import { ToMark } from "./ToMark";

type Results = components["schemas"]["LearnerResults"];
type Attempt = components["schemas"]["AttemptOut"];

/** One package: launch it as a learner; what each learner has done. */
export function PackagePage(): ReactNode {
  const id = Number(useParams().id);
  const results = useQuery({
    queryKey: ["practice", id],
    queryFn: () => take(api.GET("/api/practice/packages/{package_id}", { params: { path: { package_id: id } } })),
  });
  const learners = useQuery({ queryKey: ["learners"], queryFn: () => take(api.GET("/api/practice/learners")) });
  const [chosen, setChosen] = useState<string | null>(null);
  const [manner, setManner] = useState<Manner>("strict");
  if (results.isError) return <Empty title="This package is not there">{results.error.message}</Empty>;
  const data = results.data;
  const byLearner = new Map(data?.results.map((result) => [result.learner.key, result]));
  const shown = chosen ?? data?.results[0]?.learner.key ?? null;
  const detail = shown ? byLearner.get(shown) : undefined;
  return (
    <Box minH="100%" bg="table">
      <PageHeader />
      <Box as="main" maxW="1200px" mx="auto" px="6" py="6">
        <ChakraLink asChild color="spruce" mb="2">
          <Link to="/practice"><ArrowLeft size={15} /> All packages</Link>
        </ChakraLink>
        <Heading as="h1" fontSize="28px" mb="4">{data?.title ?? "…"}</Heading>
        <Card title="Learners">
          <Flex gap="3" align="center" mb="2" wrap="wrap">
            <Box w="320px"><Choose label="the LMS is" value={manner} options={MANNERS.map(([key, words]) => [key, words] as const)} onChange={setManner} /></Box>
            <Text fontSize="13px" color="quiet">{mannerOf(manner)[2]}</Text>
          </Flex>
          <Table.Root size="sm" variant="line" css={{ "& tr": { bg: "transparent" } }}>
            <Table.Header>
              <Table.Row>
                {["Learner", "Status", "Score", "Time", "Attempts", ""].map((word) => (
                  <Table.ColumnHeader key={word} color="quiet">{word || <Box as="span" srOnly>Launch</Box>}</Table.ColumnHeader>
                ))}
              </Table.Row>
            </Table.Header>
            <Table.Body>
              {learners.data?.map((learner) => (
                <LearnerRow
                  key={learner.key} id={id} manner={manner} learner={learner} result={byLearner.get(learner.key)}
                  shown={learner.key === shown} onShow={() => setChosen(learner.key)}
                />
              ))}
            </Table.Body>
          </Table.Root>
        </Card>
        {data && <ToMark id={id} results={data.results} />}
        {detail && <Detail id={id} result={detail} />}
      </Box>
    </Box>
  );
}

function LearnerRow(
  { id, manner, learner, result, shown, onShow }: {
    id: number; manner: Manner; learner: { key: string; name: string }; result: Results | undefined; shown: boolean;
    onShow: () => void;
  },
): ReactNode {
  const last = result?.attempts.at(-1);
  return (
    <Table.Row css={shown && result ? { "&&": { bg: "marigold.soft" } } : {}} data-learner={learner.key}>
      <Table.Cell fontWeight="600">
        {result ? (
          <Box as="button" textDecoration="underline" onClick={onShow} aria-pressed={shown}>{learner.name}</Box>
        ) : learner.name}
      </Table.Cell>
      <Table.Cell data-cell="status">{last ? statusWords(last.status) : "not started"}</Table.Cell>
      <Table.Cell data-cell="score">{last?.score ?? "–"}</Table.Cell>
      <Table.Cell>{last ? duration(last.milliseconds) : "–"}</Table.Cell>
      <Table.Cell>{result?.attempts.length ?? 0}</Table.Cell>
      <Table.Cell textAlign="right">
        <QuietButton size="xs" asChild>
          <Link to={`/practice/${id}/run/${learner.key}${manner === "strict" ? "" : `?lms=${manner}`}`} aria-label={`Launch as ${learner.name}`}>
            <Play size={14} /> Launch
          </Link>
        </QuietButton>
      </Table.Cell>
    </Table.Row>
  );
}

function Detail({ id, result }: { id: number; result: Results }): ReactNode {
  const [number, setNumber] = useState<number | null>(null);
  const attempt = result.attempts.find((a) => a.number === number) ?? (result.attempts.at(-1) as Attempt);
  const marked = markedWords(attempt.interactions);
  return (
    <Grid templateColumns="minmax(0, 5fr) minmax(0, 6fr)" gap="5" mt="5" alignItems="start">
      <Grid gap="4">
        <Card
          title={result.learner.name}
          aside={result.attempts.length > 1 && (
            <Flex gap="1">
              {result.attempts.map((a) => (
                <QuietButton
                  key={a.number} size="xs" aria-pressed={a.number === attempt.number}
                  bg={a.number === attempt.number ? "spruce.soft" : undefined} onClick={() => setNumber(a.number)}
                >
                  attempt {a.number}
                </QuietButton>
              ))}
            </Flex>
          )}
        >
          <Fact name="status">{statusWords(attempt.status)}</Fact>
          <Fact name="score">{attempt.score ?? "none"}</Fact>
          <Fact name="time">{duration(attempt.milliseconds)} in {count(attempt.visits, "visit")}</Fact>
          {marked && <Fact name="marked">{marked}</Fact>}
          <Fact name="saved progress">{count(attempt.progress, "character")}</Fact>
        </Card>
        <Card title="Answers">
          {!attempt.interactions.length && <Text color="quiet">No answer was recorded yet.</Text>}
          {attempt.interactions.map((answer) => (
            <RecordedAnswer key={`${answer.visit} ${answer.index}`} id={id} answer={answer} />
          ))}
        </Card>
      </Grid>
      <CallLog packageId={id} learner={result.learner.key} attempt={attempt.number} />
    </Grid>
  );
}
