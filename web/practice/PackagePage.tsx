import { Box, Flex, Grid, Heading, Table, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { Download, Play } from "lucide-react";
import { useState, type ReactNode } from "react";
import { Link, useParams } from "react-router";
import { api, take } from "../api/client";
import type { components } from "../api/api";
import { PageHeader } from "../kit/PageHeader";
import { Check } from "../kit/Check";
import { Choose } from "../kit/Choose";
import { Card } from "../kit/Card";
import { Empty } from "../kit/Empty";
import { Fact } from "../kit/Fact";
import { QuietButton } from "../kit/QuietButton";
import { fetchAs } from "../kit/download";
import { duration } from "../kit/units";
import { MODES, runAddress, useRunning, type Running } from "./addresses";
import { CallLog } from "./CallLog";
import { MANNERS, mannerOf } from "./manners";
import { Overview } from "./Overview";
import { markedWords, RecordedAnswer } from "./RecordedAnswer";
import { STANDARDS, statusWords } from "./status";
import { ToMark } from "./ToMark";
import { ToPackages } from "./ToPackages";
import { t } from "../words/practice";

type Results = components["schemas"]["LearnerResults"];
type Attempt = components["schemas"]["AttemptOut"];

/** One package: launch it as a learner; what each learner has done. */
export default function PackagePage(): ReactNode {
  const id = Number(useParams().id);
  const results = useQuery({
    queryKey: ["practice", id],
    queryFn: () => take(api.GET("/api/practice/packages/{package_id}", { params: { path: { package_id: id } } })),
  });
  const [chosen, setChosen] = useState<string | null>(null);
  const [running, setRunning] = useRunning();
  const { sco } = running;
  if (results.isError) return <Empty title={t("thisPackageIsNotThere")}>{results.error.message}</Empty>;
  const data = results.data;
  const here = data?.results.map((result) => ({ ...result, attempts: result.attempts.filter((attempt) => attempt.sco === sco) }))
    .filter(({ attempts }) => attempts.length) ?? [];
  const byLearner = new Map(here.map((result) => [result.learner.key, result]));
  const shown = chosen ?? here[0]?.learner.key ?? null;
  const detail = shown ? byLearner.get(shown) : undefined;
  return (
    <Box minH="100%" bg="table">
      <PageHeader />
      <Box as="main" maxW="1200px" mx="auto" px="6" py="6">
        <ToPackages />
        <Flex align="baseline" gap="3" mb="4" wrap="wrap">
          <Heading as="h1" fontSize="28px">{data?.title ?? "…"}</Heading>
          {data && <Text color="quiet" data-standard={data.standard}>{STANDARDS[data.standard]}</Text>}
        </Flex>
        {data?.sequenced && <Text mb="3" role="note">{t("notSequenced")}</Text>}
        <Learners id={id} data={data} here={byLearner} running={running} onRunning={setRunning} shown={shown} onShow={setChosen} />
        <Overview id={id} />
        {data && <ToMark id={id} results={data.results} />}
        {detail && <Detail key={sco} id={id} result={detail} />}
      </Box>
    </Box>
  );
}

interface LearnersProps {
  id: number;
  data: components["schemas"]["PackageResults"] | undefined;
  here: ReadonlyMap<string, Results>;
  running: Running;
  onRunning: (how: Partial<Running>) => void;
  shown: string | null;
  onShow: (learner: string | null) => void;
}

/** How the package is run, and what has come of it for each learner. */
function Learners({ id, data, here, running, onRunning, shown, onShow }: LearnersProps): ReactNode {
  const learners = useQuery({ queryKey: ["learners"], queryFn: () => take(api.GET("/api/practice/learners")) });
  const scos = data?.scos ?? [];
  const several = scos.length > 1;
  return (
    <Card
      title={t("learners")}
      aside={here.size > 0 && (
        <Flex gap="1">
          {(["xlsx", "csv"] as const).map((form) => (
            <QuietButton key={form} size="xs" title={t("resultsAsTable")} onClick={() => fetchAs(`/api/practice/packages/${id}/results/${form}`)}>
              <Download size={14} />{t("resultsAs", { form: form.toUpperCase() })}
            </QuietButton>
          ))}
        </Flex>
      )}
    >
      <Flex gap="3" align="center" mb="2" wrap="wrap">
        {several && (
          <Box w="360px">
            <Choose
              label={t("part")} value={String(running.sco)} options={scos.map(({ number, title }) => [String(number), `${number} ${title || t("withoutATitle")}`] as const)}
              onChange={(number) => { onShow(null); onRunning({ sco: Number(number) }); }}
            />
          </Box>
        )}
        <Box w="250px"><Choose label={t("openedTo")} help={t("helpOpenedTo")} value={running.mode} options={MODES.map((mode) => [mode, t(mode)] as const)} onChange={(mode) => onRunning({ mode })} /></Box>
        {data?.standard !== "cmi5" && <Box w="320px"><Choose label={t("lmsBehaviour")} value={running.manner} options={MANNERS.map(([key, words]) => [key, words] as const)} onChange={(manner) => onRunning({ manner })} /></Box>}
        <Text fontSize="13px" color="quiet" flex="1" minW="240px">{data?.standard === "cmi5" ? t("theRecordStoreIsStrict") : mannerOf(running.manner)[2]}</Text>
        <Check label={t("inAWindowOfIts")} value={running.apart} onChange={(apart) => onRunning({ apart })} />
      </Flex>
      <Table.Root size="sm" variant="line" css={{ "& tr": { bg: "transparent" } }}>
        <Table.Header>
          <Table.Row>
            {[t("learner"), ...(several ? [t("partsDone")] : []), t("status"), t("score"), t("time"), t("attempts"), ""].map((word) => (
              <Table.ColumnHeader key={word} color="quiet">{word || <Box as="span" srOnly>{t("launch")}</Box>}</Table.ColumnHeader>
            ))}
          </Table.Row>
        </Table.Header>
        <Table.Body>
          {learners.data?.map((learner) => (
            <LearnerRow
              key={learner.key} learner={learner} known={!!data} result={here.get(learner.key)} shown={learner.key === shown} onShow={() => onShow(learner.key)}
              parts={several ? `${partsDone(data?.results, learner.key)} of ${scos.length}` : null} to={runAddress(id, learner.key, running)}
            />
          ))}
        </Table.Body>
      </Table.Root>
    </Card>
  );
}

function LearnerRow(
  { learner, known, parts, result, shown, to, onShow }: {
    learner: { key: string; name: string }; known: boolean; parts: string | null; result: Results | undefined; shown: boolean; to: string;
    onShow: () => void;
  },
): ReactNode {
  const last = result?.attempts.at(-1);
  const none = known ? "–" : "…";
  return (
    <Table.Row css={shown && result ? { "&&": { bg: "marigold.soft" } } : {}} data-learner={learner.key}>
      <Table.Cell fontWeight="600">
        {result ? (
          <Box as="button" textDecoration="underline" onClick={onShow} aria-pressed={shown}>{learner.name}</Box>
        ) : learner.name}
      </Table.Cell>
      {parts && <Table.Cell data-cell="parts">{parts}</Table.Cell>}
      <Table.Cell data-cell="status">{last ? statusWords(last.status) : known ? t("notStarted") : "…"}</Table.Cell>
      <Table.Cell data-cell="score">{last?.score ?? none}</Table.Cell>
      <Table.Cell>{last ? duration(last.milliseconds) : none}</Table.Cell>
      <Table.Cell>{known ? result?.attempts.length ?? 0 : "…"}</Table.Cell>
      <Table.Cell textAlign="right">
        <QuietButton size="xs" asChild>
          <Link to={to} aria-label={t("launchAsName", { name: learner.name })}>
            <Play size={14} />{" "}{t("launch")}
          </Link>
        </QuietButton>
      </Table.Cell>
    </Table.Row>
  );
}

/** How many parts of a package a learner has come through, as their last attempts stand. */
function partsDone(results: readonly Results[] | undefined, learner: string): number {
  const last = new Map(results?.find((result) => result.learner.key === learner)?.attempts.map(({ sco, status }) => [sco, status]));
  return [...last.values()].filter((status) => status === "passed" || status === "completed").length;
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
                  {t("attemptNumber", { number: a.number })}
                </QuietButton>
              ))}
            </Flex>
          )}
        >
          <Fact name={t("status")}>{statusWords(attempt.status)}</Fact>
          {attempt.completion && <Fact name={t("completion")}>{statusWords(attempt.completion)}</Fact>}
          {attempt.success && <Fact name={t("success")}>{statusWords(attempt.success)}</Fact>}
          {typeof attempt.measure === "number" && <Fact name={t("measureOfProgress")}>{Math.round(attempt.measure * 100)} %</Fact>}
          <Fact name={t("score")}>{attempt.score ?? t("none")}</Fact>
          <Fact name={t("time")}>{t("durationInVisits", { duration: duration(attempt.milliseconds), visits: t("visits", { count: attempt.visits }) })}</Fact>
          {marked && <Fact name={t("marked")}>{marked}</Fact>}
          {attempt.objectives.map((one) => (
            <Fact key={one.id} name={t("quizNamed", { title: one.title })}>
              {one.score ? t("statusWithScore", { status: statusWords(one.status), score: one.score }) : statusWords(one.status)}
            </Fact>
          ))}
          <Fact name={t("savedProgress")}>{t("characters", { count: attempt.progress })}</Fact>
        </Card>
        <Card title={t("answers")}>
          {!attempt.interactions.length && <Text color="quiet">{t("noAnswerWasRecordedYet")}</Text>}
          {attempt.interactions.map((answer) => (
            <RecordedAnswer key={`${answer.visit} ${answer.index}`} id={id} answer={answer} />
          ))}
        </Card>
      </Grid>
      <CallLog packageId={id} learner={result.learner.key} sco={attempt.sco} attempt={attempt.number} />
    </Grid>
  );
}
