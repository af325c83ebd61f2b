/** What an LMS will hold of learners who take the course in several ways, beside the last publication. */
import { Box, Table, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { api } from "../../api/client";
import { workedOut } from "../../api/jobs";
import type { components } from "../../api/api";
import { Card } from "../../kit/Card";
import { Fold } from "../../kit/Fold";
import { t } from "../../words/publish";
import { useCourse } from "../store/store";
import { isForLms, type PackageKind } from "./kinds";

type ToldOut = components["schemas"]["ToldOut"];
type Ending = components["schemas"]["Ending"];
type Told = components["schemas"]["Told"];

/** A column: its heading, and what it shows of what is told. */
type Column = [heading: string, of: (told: Told) => string];

const SCORE: Column = [t("score"), ({ score }) => (score === null ? t("noneYetDash") : `${score} %`)];
const ANSWERS: Column = [t("answers"), ({ answers }) => String(answers)];
const LATER: Column[] = [[t("completionShort"), ({ completion }) => completion], [t("success"), ({ success }) => success], SCORE, ANSWERS];

const COLUMNS: Record<Exclude<PackageKind, "web">, Column[]> = {
  scorm12: [[t("status"), ({ status }) => status], SCORE, ANSWERS],
  scorm2004: LATER,
  scorm2004_3: LATER,
  cmi5: [[t("statements"), ({ verbs }) => verbs.join(", ") || t("nothingSaid")], SCORE, ANSWERS],
};

/** The card for a kind of package; nothing where nothing is told. */
export function WhatIsTold({ kind, latest }: { kind: PackageKind; latest: number | null }): ReactNode {
  const slug = useCourse((state) => state.slug);
  const saved = useCourse((state) => state.versions);
  const asked = useQuery({
    queryKey: ["told", slug, saved, latest], staleTime: Infinity, placeholderData: (before) => before, enabled: isForLms(kind),
    queryFn: () => workedOut<ToldOut>(() => api.GET("/api/courses/{slug}/told", { params: { path: { slug } } })),
  });
  if (kind === "web") return null;
  const found = asked.data;
  return (
    <Card title={t("whatWillBeTold")}>
      {found ? <Endings found={found} columns={COLUMNS[kind]} /> : (
        <Text color="quiet" role={asked.error ? "alert" : "status"}>{asked.error?.message ?? t("toldTakesAWhile")}</Text>
      )}
    </Card>
  );
}

const isWay = ({ kind }: Ending): boolean => kind === "way";

function Endings({ found, columns }: { found: ToldOut; columns: Column[] }): ReactNode {
  const ways = found.endings.filter(isWay);
  return (
    <>
      {found.published && <Text mb="2">{comparison(found.endings, columns)}</Text>}
      <Rows endings={found.endings.filter((ending) => !isWay(ending))} columns={columns} />
      {ways.length > 0 && (
        <Box mt="2">
          <Fold title={t("waysOfTheForks", { count: ways.length })}>
            <Rows endings={ways} columns={columns} />
            {found.left_out > 0 && <Text fontSize="13px" color="quiet" mt="1">{t("waysLeftOut", { count: found.left_out })}</Text>}
          </Fold>
        </Box>
      )}
      <Text mt="2" fontSize="13px" color="quiet">{t("helpTold")}</Text>
    </>
  );
}

function comparison(endings: readonly Ending[], columns: Column[]): string {
  const count = endings.filter(({ told, before }) => before && columns.some(([, of]) => of(told) !== of(before))).length;
  return count ? t("otherThanPublished", { count }) : t("sameAsPublished");
}

function Rows({ endings, columns }: { endings: readonly Ending[]; columns: Column[] }): ReactNode {
  return (
    <Table.Root size="sm" variant="line" css={{ "& tr": { bg: "transparent" }, "& th, & td": { px: "1.5", verticalAlign: "top" } }}>
      <Table.Header>
        <Table.Row>
          <Table.ColumnHeader color="quiet">{t("howTheCourseIsTaken")}</Table.ColumnHeader>
          {columns.map(([heading]) => <Table.ColumnHeader key={heading} color="quiet">{heading}</Table.ColumnHeader>)}
        </Table.Row>
      </Table.Header>
      <Table.Body>
        {endings.map((ending) => <Row key={ending.key} ending={ending} columns={columns} />)}
      </Table.Body>
    </Table.Root>
  );
}

function Row({ ending, columns }: { ending: Ending; columns: Column[] }): ReactNode {
  const { told, before } = ending;
  return (
    <Table.Row data-ending={ending.key}>
      <Table.Cell>
        {ending.name}
        <Text fontSize="12.5px" color="quiet">
          {t("slidesSeen", { count: ending.slides })}{ending.stuck && `, ${t("cameNoFurther", { slide: ending.stuck })}`}
        </Text>
      </Table.Cell>
      {columns.map(([heading, of]) => (
        <Table.Cell key={heading} fontWeight="600" whiteSpace="nowrap">
          {of(told)}
          {before && of(before) !== of(told) && <Text fontSize="12.5px" fontWeight="400" color="brick">{t("was", { value: of(before) })}</Text>}
        </Table.Cell>
      ))}
    </Table.Row>
  );
}
