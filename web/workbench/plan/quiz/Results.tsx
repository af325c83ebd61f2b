/** What a quiz comes to: when it is passed, which attempt counts, the bands of its result, and where it is shown. */
import { Box, Flex, Heading, Input, Text } from "@chakra-ui/react";
import { X } from "lucide-react";
import type { ReactNode } from "react";
import type { Quiz, Section } from "../../../api/types";
import { Choose } from "../../../kit/Choose";
import { Explained } from "../../../kit/Explained";
import { NumberField } from "../../../kit/NumberField";
import { QuietButton } from "../../../kit/QuietButton";
import { Tool } from "../../../kit/Tool";
import { t } from "../../../words/quiz";
import { useCourse } from "../../store/store";
import { Outcomes } from "./Outcomes";
import { PostCard } from "./PostCard";
import { WhenOver } from "./WhenOver";
import { addBand, bandEach, bandsByPart, changeBand, changeBanded, changeQuiz, makePanels, MOST_BANDS, purposeOf, removeBand, setPurpose, withoutPanels, type Purpose } from "./quizzes";

const COUNTS = [["best", t("countsBest")], ["last", t("countsLast")], ["first", t("countsFirst")], ["mean", t("countsMean")]] as const;
/** The settings of the result; a learner is `asked` so many questions. */
export function Results({ section, quiz, own, asked }: { section: Section; quiz: Quiz; own: readonly string[]; asked: number }): ReactNode {
  const mark = useCourse((state) => state.course.pass_mark);
  const weighs = useCourse((state) => state.course.scoring === "weights");
  const put = (label: string, change: Partial<Quiz>, merge?: string): void => changeQuiz(section.id, label, (now) => ({ ...now, ...change }), merge);
  return (
    <Flex direction="column" gap="4" maxW="640px">
      <Box bg="paper" borderWidth="1px" borderRadius="card" px="4" py="3" css={{ "& [data-labelled] > :first-of-type": { width: "150px" } }}>
        <PurposeOfAll section={section.id} own={own} />
        <NumberField
          label={t("passMarkOfTheQuiz")} help={t("passMarkHelp")} value={quiz.pass_mark ?? null} min={0} max={100}
          none={{ word: t("asTheCourse", { mark }), onNone: () => put(t("passMarkOfTheQuiz"), { pass_mark: null }, "mark") }}
          onChange={(pass_mark) => put(t("passMarkOfTheQuiz"), { pass_mark }, "mark")}
        />
        {weighs && (
          <NumberField
            label={t("weightOfTheQuiz")} help={t("weightHelp")} value={quiz.weight} min={0} max={1_000}
            onChange={(weight) => put(t("weightOfTheQuiz"), { weight }, "weight")}
          />
        )}
        <Choose label={t("resultThatCounts")} help={t("resultHelp")} value={quiz.counts} options={COUNTS} onChange={(counts) => put(t("resultThatCounts"), { counts })} />
      </Box>
      <Outcomes section={section.id} quiz={quiz} own={own} />
      <Bands section={section.id} quiz={quiz} asked={asked} />
      <WhenOver section={section} quiz={quiz} />
      <PostCard section={section.id} quiz={quiz} />
    </Flex>
  );
}

const PURPOSES = [["scored", t("allScored")], ["practice", t("allPractice")], ["survey", t("allSurvey")]] as const;

/** What all questions of the quiz are for, in one setting. */
function PurposeOfAll({ section, own }: { section: string; own: readonly string[] }): ReactNode {
  const purpose = useCourse((state) => purposeOf(own, state.slides));
  const options = purpose ? PURPOSES : [["", t("eachAsSet")] as const, ...PURPOSES];
  return (
    <Choose<Purpose | ""> label={t("questionsAreFor")} help={t("questionsAreForHelp")} value={purpose ?? ""} options={options} onChange={(next) => { if (next) setPurpose(section, next); }} />
  );
}

/** What bands are ranges of: how far they go, and the words for where they begin. */
const BANDED = {
  percent: { most: 100, from: t("bandFrom"), to: "bandTo", end: t("bandToTheEnd"), below: "noBandBelow" },
  points: { most: 1_000_000, from: t("bandFromPoints"), to: "bandToBelow", end: t("bandUpward"), below: "noBandBelowThat" },
  right: { most: 1_000_000, from: t("bandFromRight"), to: "bandToBelow", end: t("bandUpward"), below: "noBandBelowThat" },
} as const;
const RANGES = [["percent", t("byPercent")], ["points", t("byPoints")], ["right", t("byRight")]] as const;

function Bands({ section, quiz, asked }: { section: string; quiz: Quiz; asked: number }): ReactNode {
  const { bands, banded, sets } = quiz;
  const words = BANDED[banded];
  const groups = bandsByPart(quiz);
  const several = sets.length > 1;
  return (
    <Box as="section" aria-label={t("bands")} bg="paper" borderWidth="1px" borderRadius="card" px="4" py="3">
      <Explained help={t("bandsHelp")}><Heading as="h3" fontSize="14px">{t("bands")}</Heading></Explained>
      {groups.filter(([, own]) => (own[0]?.least ?? 0) > 0).map(([of, own]) => (
        <Text key={of ?? ""} color="quiet" pt="1">
          {of !== null && `${sets.find(({ id }) => id === of)?.name ?? ""}: `}{t(words.below, { least: own[0]?.least ?? 0 })}
        </Text>
      ))}
      {bands.length > 0 && (
        <Box w="300px" pt="2"><Choose label={t("bandsBy")} value={banded} options={RANGES} onChange={(next) => changeBanded(section, next)} /></Box>
      )}
      {bands.length > 0 && (
        <Box display="grid" gridTemplateColumns={several ? "190px 130px 84px 1fr 36px" : "240px 84px 1fr 36px"} columnGap="3" rowGap="1.5" alignItems="center" pt="2" fontSize="13px">
          <Text color="quiet" fontWeight="600" aria-hidden>{t("band")}</Text>
          {several && <Text color="quiet" fontWeight="600" aria-hidden>{t("bandOf")}</Text>}
          <Text color="quiet" fontWeight="600" gridColumn="span 3" aria-hidden>{words.from}</Text>
          {groups.flatMap(([, own]) => own.map((band, at) => (
            <BandRow key={band.id} section={section} band={band} banded={banded} sets={several ? sets : []} next={own[at + 1]?.least} />
          )))}
        </Box>
      )}
      <Flex gap="2" pt="2" wrap="wrap">
        {bands.length < MOST_BANDS && <QuietButton size="sm" onClick={() => addBand(section)}>{t("addABand")}</QuietButton>}
        {banded === "right" && asked > 0 && asked < MOST_BANDS && bands.length <= asked && (
          <QuietButton size="sm" onClick={() => bandEach(section, asked)}>{t("bandEach")}</QuietButton>
        )}
        <Panels section={section} quiz={quiz} />
      </Flex>
    </Box>
  );
}

/** Makes the panels that bands lack on the first outcome slide that lacks any. */
function Panels({ section, quiz }: { section: string; quiz: Quiz }): ReactNode {
  const lacking = useCourse((state) => withoutPanels(quiz, state.slides)[0]);
  if (!lacking) return null;
  return <Explained help={t("makePanelsHelp", { title: lacking.title })}><QuietButton size="sm" onClick={() => void makePanels(section, lacking.id)}>{t("makePanels")}</QuietButton></Explained>;
}

interface RowProps { section: string; band: Quiz["bands"][number]; banded: Quiz["banded"]; sets: Quiz["sets"]; next: number | undefined }

function BandRow({ section, band, banded, sets, next }: RowProps): ReactNode {
  const words = BANDED[banded];
  return (
    <Box display="contents" role="group" aria-label={band.name}>
      <Input
        size="xs" bg="paper" aria-label={t("nameOfTheBand")} defaultValue={band.name} maxLength={200}
        onChange={(event) => { if (event.target.value.trim()) changeBand(section, band.id, { name: event.target.value.trim() }); }}
      />
      {sets.length > 1 && (
        <Choose bare label={t("bandOf")} value={band.of ?? ""} options={[["", t("wholeQuiz")], ...sets.map(({ id, name }) => [id, name] as const)]} onChange={(of) => changeBand(section, band.id, { of: of || null })} />
      )}
      <NumberField bare label={words.from} value={band.least} min={0} max={words.most} onChange={(least) => changeBand(section, band.id, { least })} />
      <Text color="quiet">{next === undefined ? words.end : t(words.to, { to: next })}</Text>
      <Tool label={t("removeThisBand")} onClick={() => removeBand(section, band.id)}><X size={14} /></Tool>
    </Box>
  );
}
