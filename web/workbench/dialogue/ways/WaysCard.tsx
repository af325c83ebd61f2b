/** What the ways of a dialogue come to, and what is wrong with it. */
import { Box, Flex, Heading, Stack, Text, chakra } from "@chakra-ui/react";
import { memo, useMemo, type ReactNode } from "react";
import type { components } from "../../../api/api";
import { clockWords } from "../../../player/render/clockWords";
import { t } from "../../../words/dialogue";
import { WaysMap } from "./WaysMap";

type Read = components["schemas"]["ScriptRead"];
type Range = components["schemas"]["Least"];

interface Props {
  read: Read | undefined;
  /** The turn that is written now, by its number. */
  now: number;
  onGo: (line: number) => void;
}

/** The ways drawn, their figures, and what is to be thought of. */
export const WaysCard = memo(function WaysCard({ read, now, onGo }: Props): ReactNode {
  const hints = read?.hints;
  const unreached = useMemo(() => new Set(hints?.flatMap(({ code, turn }) => (code === "unreached" && turn ? [turn] : []))), [hints]);
  if (!read?.figures) return <Text color="quiet">{t("nothingYet")}</Text>;
  return (
    <Stack gap="3">
      <WaysMap read={read} now={now} unreached={unreached} onGo={onGo} />
      <Figures figures={read.figures} />
      <Assumed read={read} />
      <Thoughts read={read} onGo={onGo} />
    </Stack>
  );
});

const Figures = memo(function Figures({ figures }: { figures: NonNullable<Read["figures"]> }): ReactNode {
  const { count, turns, seconds, replies, all_replies, points, values } = figures;
  const rows = [
    [many(count), t("waysToAnEnding", { count: count === "1" ? 1 : 2 })],
    [range(turns), t("turnsOnOneWay")], [range(seconds, minutes), t("ofListening")],
    [range(replies), t("repliesSeen", { all: all_replies })], ...(points.least === 0 && points.most === 0 ? [] : [[range(points), t("pointsGained")]]),
    ...values.map(({ name, by }) => [range(by, signed), t("changeOfValue", { name })]),
  ] as const;
  return (
    <Box as="section" aria-label={t("ways")} bg="sky.soft" borderRadius="card" px="4" py="3">
      <Heading as="h3" fontSize="14px" pb="1">{t("ways")}</Heading>
      {rows.map(([figure, words]) => (
        <Flex key={words} gap="2" align="baseline" fontSize="13.5px"><Text fontWeight="700" minW="86px">{figure}</Text><Text flex="1">{words}</Text></Flex>
      ))}
    </Box>
  );
});

/** What the figures take to hold. */
function Assumed({ read: { assumed, followed } }: { read: Read }): ReactNode {
  const words = [...(followed ? [] : [t("tooManyValues")]), ...(assumed.length ? [t("takenToHold", { conditions: assumed.join(" · ") })] : [])];
  return words.length ? <Text color="quiet" fontSize="12.5px">{words.join(" ")}</Text> : null;
}

function Thoughts({ read, onGo }: { read: Read; onGo: (line: number) => void }): ReactNode {
  const lineOf = (turn: string | null | undefined): number | undefined => read.turns.find(({ name }) => name === turn)?.line;
  return (
    <Box as="section" aria-label={t("toThink")}>
      <Heading as="h3" fontSize="14px" pb="1">{t("toThink")}</Heading>
      {!read.mistakes.length && !read.hints.length && <Text color="quiet" fontSize="13px">{t("nothingWrong")}</Text>}
      {read.mistakes.map(({ line, code, words, meant }) => (
        <Box key={`${line} ${code} ${words}`} py="1" fontSize="13px">
          <Link label={t("atLine", { line })} onClick={() => onGo(line)}>{t("atLine", { line })}</Link>
          <Text as="span" color="brick"> {words}</Text>
          {meant.length > 0 && <Text as="span" color="quiet"> {t("meant", { words: meant.join(" / ") })}</Text>}
        </Box>
      ))}
      {read.hints.map(({ level, code, words, turn }) => (
        <Thought key={`${code} ${words}`} words={words} grave={level === "error"} line={lineOf(turn)} onGo={onGo} />
      ))}
    </Box>
  );
}

interface ThoughtProps { words: string; grave: boolean; line: number | undefined; onGo: (line: number) => void }

const Thought = memo(function Thought({ words, grave, line, onGo }: ThoughtProps): ReactNode {
  return (
    <Text py="1" fontSize="13px" color={grave ? "brick" : undefined}>
      {line === undefined ? words : <Link label={words} onClick={() => onGo(line)}>{words}</Link>}
    </Text>
  );
});

function Link({ label, onClick, children }: { label: string; onClick: () => void; children: ReactNode }): ReactNode {
  return <chakra.button type="button" aria-label={label} textAlign="left" textDecoration="underline" cursor="pointer" onClick={onClick}>{children}</chakra.button>;
}

/** Numbers of many digits as powers of ten. */
function many(digits: string): string {
  return digits.length < 10 ? Number(digits).toLocaleString() : `${digits[0] ?? ""}.${digits.slice(1, 3)} × 10^${digits.length - 1}`;
}

const signed = (value: number): string => (value > 0 ? `+${value}` : String(value).replace("-", "−"));

const minutes = (seconds: number): string => clockWords(Math.round(seconds));

function range({ least, most }: Range, said: (value: number) => string = String): string {
  const words = (value: number | null | undefined): string => (typeof value === "number" ? said(value) : t("anyNumber"));
  return words(least) === words(most) ? words(least) : t("fromTo", { least: words(least), most: words(most) });
}
