/** The reports of a course's quizzes as one table: filtered, read, downloaded. */
import { Box, Flex, Heading, Input, NativeSelect, Text } from "@chakra-ui/react";
import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { ArrowLeft, ChevronDown, ChevronRight, Download, Trash2 } from "lucide-react";
import { Fragment, useState, type ReactNode } from "react";
import { Link, useParams } from "react-router";
import { api, take } from "../api/client";
import type { components } from "../api/api";
import { Empty } from "../kit/Empty";
import { PageHeader } from "../kit/PageHeader";
import { QuietButton } from "../kit/QuietButton";
import { Tool } from "../kit/Tool";
import { sayDone, sayError } from "../kit/toaster";
import { ago } from "../kit/units";
import { useLater } from "../kit/useLater";
import { t } from "../words/post";

type Report = Omit<components["schemas"]["ReportOut"], "fields"> & { fields: readonly (readonly string[])[] };

const PAGE = 50;
const PAUSE_MS = 250;
const CELL = { px: "3", py: "2", textAlign: "left", verticalAlign: "top", fontSize: "13.5px", overflowWrap: "anywhere" } as const;

/** All reports of a course. */
export default function ReportsPage(): ReactNode {
  const { slug = "" } = useParams();
  const [quiz, setQuiz] = useState("");
  const [search, setSearch] = useState("");
  const [page, setPage] = useState(1);
  const wanted = { quiz, search: useLater(search, PAUSE_MS) };
  const course = useQuery({ queryKey: ["course-title", slug], queryFn: () => take(api.GET("/api/courses/{slug}", { params: { path: { slug } } })), staleTime: 60_000 });
  const found = useQuery({
    queryKey: ["reports", slug, wanted, page], placeholderData: keepPreviousData,
    queryFn: () => take(api.GET("/api/courses/{slug}/reports", { params: { path: { slug }, query: { ...wanted, page } } })),
  });
  const filtered = wanted.quiz !== "" || wanted.search !== "";
  const query = new URLSearchParams(wanted).toString();
  const count = found.data?.count ?? 0;
  return (
    <Box minH="100%" bg="table">
      <PageHeader />
      <Box as="main" maxW="1240px" mx="auto" px="6" py="6">
        <Flex align="center" gap="3" mb="4" wrap="wrap">
          <Tool label={t("backToPlan")} asChild><Link to={`/courses/${slug}/plan`}><ArrowLeft size={16} /></Link></Tool>
          <Heading as="h1" fontSize="26px" flex="1" minW="0" truncate>{t("reportsOf", { title: course.data?.course.title ?? "" })}</Heading>
          {count > 0 && (["csv", "xlsx"] as const).map((form) => (
            <QuietButton key={form} size="sm" asChild>
              <a href={`/api/courses/${slug}/reports.${form}?${query}`} download><Download size={14} />{" "}{t(form === "csv" ? "downloadCsv" : "downloadXlsx")}</a>
            </QuietButton>
          ))}
        </Flex>
        {(count > 0 || filtered) && (
          <FilterBar
            {...{ quiz, search, count }} quizzes={found.data?.quizzes ?? []}
            onQuiz={(next) => { setQuiz(next); setPage(1); }} onSearch={(next) => { setSearch(next); setPage(1); }}
          />
        )}
        {found.error && <Text role="alert">{found.error.message}</Text>}
        {found.data && <Found slug={slug} reports={found.data.reports} filtered={filtered} />}
        {count > PAGE && <Pages page={page} pages={Math.ceil(count / PAGE)} onPage={setPage} />}
      </Box>
    </Box>
  );
}

function FilterBar({ quiz, search, count, quizzes, onQuiz, onSearch }: {
  quiz: string; search: string; count: number; quizzes: readonly { id: string; title: string }[];
  onQuiz: (quiz: string) => void; onSearch: (words: string) => void;
}): ReactNode {
  return (
    <Flex gap="3" mb="3" align="center">
      <Input
        type="search" size="sm" bg="paper" maxW="320px" aria-label={t("searchReports")} placeholder={t("searchReports")} maxLength={200} value={search}
        onChange={(event) => onSearch(event.target.value)}
      />
      {quizzes.length > 1 && (
        <NativeSelect.Root size="sm" maxW="260px">
          <NativeSelect.Field bg="paper" aria-label={t("quiz")} value={quiz} onChange={(event) => onQuiz(event.target.value)}>
            <option value="">{t("allQuizzes")}</option>
            {quizzes.map(({ id, title }) => <option key={id} value={id}>{title}</option>)}
          </NativeSelect.Field>
          <NativeSelect.Indicator />
        </NativeSelect.Root>
      )}
      <Text color="quiet" role="status">{t("countReports", { count })}</Text>
    </Flex>
  );
}

function Found({ slug, reports, filtered }: { slug: string; reports: readonly Report[]; filtered: boolean }): ReactNode {
  if (reports.length) return <Table slug={slug} reports={reports} />;
  return filtered ? <Empty title={t("noMatch")}>{t("noMatchHelp")}</Empty> : <Empty title={t("noReports")}>{t("noReportsHelp")}</Empty>;
}

/** A row for each report, a column for each field that any of them has. */
function Table({ slug, reports }: { slug: string; reports: readonly Report[] }): ReactNode {
  const [open, setOpen] = useState<number | null>(null);
  const queries = useQueryClient();
  const names = [...new Set(reports.flatMap(({ fields }) => fields.map(([name = ""]) => name)))];
  const remove = useMutation({
    mutationFn: (id: number) => take(api.DELETE("/api/courses/{slug}/reports/{report_id}", { params: { path: { slug, report_id: id } } })),
    onSuccess: () => { void queries.invalidateQueries({ queryKey: ["reports", slug] }); sayDone(t("deleted")); }, onError: sayError,
  });
  const heads = [t("received"), t("quiz"), ...names, t("mail")];
  return (
    <Box overflowX="auto" bg="sheet" borderWidth="1px" borderRadius="card" tabIndex={0} role="region" aria-label={t("reports")}>
      <Box as="table" w="100%" css={{ borderCollapse: "collapse" }}>
        <Box as="thead"><Box as="tr" borderBottomWidth="1px">
          <Box as="td" w="36px" />
          {heads.map((name, at) => <Box as="th" key={at} {...CELL} color="quiet" fontWeight="600" whiteSpace="nowrap">{name}</Box>)}
          <Box as="td" w="44px" />
        </Box></Box>
        <tbody>
          {reports.map((report) => {
            const fields = new Map(report.fields.map(([name = "", text = ""]) => [name, text] as const));
            const shown = open === report.id;
            return (
              <Fragment key={report.id}>
                <Box as="tr" borderTopWidth="1px" data-report={report.id}>
                  <Box as="td" px="1" verticalAlign="top">
                    {report.answers.length > 0 && (
                      <Tool label={t("showAnswers")} aria-expanded={shown} onClick={() => setOpen(shown ? null : report.id)}>{shown ? <ChevronDown size={14} /> : <ChevronRight size={14} />}</Tool>
                    )}
                  </Box>
                  <Box as="td" {...CELL} whiteSpace="nowrap" title={new Date(report.received).toLocaleString()}>{ago(report.received)}</Box>
                  <Box as="td" {...CELL}>{report.title}</Box>
                  {names.map((name) => <Box as="td" key={name} {...CELL}>{fields.get(name) ?? ""}</Box>)}
                  <Box as="td" {...CELL} color={report.mail === "failed" ? "brick" : undefined}>{t(`mail_${report.mail}`)}</Box>
                  <Box as="td" px="1" verticalAlign="top">
                    <Tool label={t("deleteReport")} onClick={() => { if (window.confirm(t("reallyDelete"))) remove.mutate(report.id); }}><Trash2 size={14} /></Tool>
                  </Box>
                </Box>
                {shown && <tr><Box as="td" /><td colSpan={heads.length + 1}><Answers report={report} /></td></tr>}
              </Fragment>
            );
          })}
        </tbody>
      </Box>
    </Box>
  );
}

function Answers({ report }: { report: Report }): ReactNode {
  return (
    <Box as="ol" pl="6" pr="3" pb="3" fontSize="13.5px" aria-label={t("answersOf")}>
      {report.answers.map((answer, at) => (
        <Box as="li" key={at} py="1">
          <Text fontWeight="600" overflowWrap="anywhere">{answer.question}</Text>
          <Text overflowWrap="anywhere">{answer.given || t("notAnswered")}{answer.of > 0 && <Text as="span" color="quiet"> · {t("pointsOf", { points: answer.points, of: answer.of })}</Text>}</Text>
        </Box>
      ))}
    </Box>
  );
}

function Pages({ page, pages, onPage }: { page: number; pages: number; onPage: (page: number) => void }): ReactNode {
  return (
    <Flex align="center" justify="center" gap="3" pt="4">
      <QuietButton size="sm" disabled={page <= 1} onClick={() => onPage(page - 1)}>{t("newer")}</QuietButton>
      <Text color="quiet">{t("page", { page, pages })}</Text>
      <QuietButton size="sm" disabled={page >= pages} onClick={() => onPage(page + 1)}>{t("older")}</QuietButton>
    </Flex>
  );
}
