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
import { addBand, changeBand, changeQuiz, removeBand } from "./quizzes";

const COUNTS = [["best", t("countsBest")], ["last", t("countsLast")], ["first", t("countsFirst")], ["mean", t("countsMean")]] as const;
/** As many as the course document takes. */
const MOST_BANDS = 10;

/** The settings of the result. */
export function Results({ section, quiz, own }: { section: Section; quiz: Quiz; own: readonly string[] }): ReactNode {
  const mark = useCourse((state) => state.course.pass_mark);
  const put = (label: string, change: Partial<Quiz>, merge?: string): void => changeQuiz(section.id, label, (now) => ({ ...now, ...change }), merge);
  return (
    <Flex direction="column" gap="4" maxW="640px">
      <Box bg="paper" borderWidth="1px" borderRadius="card" px="4" py="3" css={{ "& [data-labelled] > :first-of-type": { width: "150px" } }}>
        <NumberField
          label={t("passMarkOfTheQuiz")} help={t("passMarkHelp")} value={quiz.pass_mark ?? null} min={0} max={100}
          none={{ word: t("asTheCourse", { mark }), onNone: () => put(t("passMarkOfTheQuiz"), { pass_mark: null }, "mark") }}
          onChange={(pass_mark) => put(t("passMarkOfTheQuiz"), { pass_mark }, "mark")}
        />
        <Choose label={t("resultThatCounts")} help={t("resultHelp")} value={quiz.counts} options={COUNTS} onChange={(counts) => put(t("resultThatCounts"), { counts })} />
      </Box>
      <Outcomes section={section.id} quiz={quiz} own={own} />
      <Bands section={section.id} bands={quiz.bands} />
    </Flex>
  );
}

function Bands({ section, bands }: { section: string; bands: Quiz["bands"] }): ReactNode {
  const lowest = bands[0]?.least ?? 0;
  return (
    <Box as="section" aria-label={t("bands")} bg="paper" borderWidth="1px" borderRadius="card" px="4" py="3">
      <Explained help={t("bandsHelp")}><Heading as="h3" fontSize="14px">{t("bands")}</Heading></Explained>
      {lowest > 0 && <Text color="quiet" pt="1">{t("noBandBelow", { least: lowest })}</Text>}
      {bands.length > 0 && (
        <Box display="grid" gridTemplateColumns="240px 84px 1fr 36px" columnGap="3" rowGap="1.5" alignItems="center" pt="2" fontSize="13px">
          <Text color="quiet" fontWeight="600" aria-hidden>{t("band")}</Text>
          <Text color="quiet" fontWeight="600" gridColumn="span 3" aria-hidden>{t("bandFrom")}</Text>
          {bands.map((band, at) => <BandRow key={band.id} section={section} band={band} next={bands[at + 1]?.least} />)}
        </Box>
      )}
      {bands.length < MOST_BANDS && <Box pt="2"><QuietButton size="sm" onClick={() => addBand(section)}>{t("addABand")}</QuietButton></Box>}
    </Box>
  );
}

function BandRow({ section, band, next }: { section: string; band: Quiz["bands"][number]; next: number | undefined }): ReactNode {
  return (
    <Box display="contents" role="group" aria-label={band.name}>
      <Input
        size="xs" bg="paper" aria-label={t("nameOfTheBand")} defaultValue={band.name} maxLength={200}
        onChange={(event) => { if (event.target.value.trim()) changeBand(section, band.id, { name: event.target.value.trim() }); }}
      />
      <NumberField bare label={t("bandFrom")} value={band.least} min={0} max={100} onChange={(least) => changeBand(section, band.id, { least })} />
      <Text color="quiet">{next === undefined ? t("bandToTheEnd") : t("bandTo", { to: next })}</Text>
      <Tool label={t("removeThisBand")} onClick={() => removeBand(section, band.id)}><X size={14} /></Tool>
    </Box>
  );
}
