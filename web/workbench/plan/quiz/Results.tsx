/** What a quiz comes to: when it is passed, which attempt counts, the bands of its result, and where it is shown. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { X } from "lucide-react";
import type { ReactNode } from "react";
import type { Quiz, Section } from "../../../api/types";
import { Choose } from "../../../kit/Choose";
import { Explained } from "../../../kit/Explained";
import { NumberField } from "../../../kit/NumberField";
import { QuietButton } from "../../../kit/QuietButton";
import { TextField } from "../../../kit/TextField";
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
      {bands.map((band, at) => {
        const next = bands[at + 1];
        return (
          <Flex key={band.id} align="end" gap="3" py="1" role="group" aria-label={band.name}>
            <Box w="240px"><TextField label={t("nameOfTheBand")} value={band.name} onChange={(name) => { if (name.trim()) changeBand(section, band.id, { name: name.slice(0, 200) }); }} /></Box>
            <Box w="160px"><NumberField label={t("bandFrom")} value={band.least} min={0} max={100} onChange={(least) => changeBand(section, band.id, { least })} /></Box>
            <Text color="quiet" flex="1" pb="1.5">{next ? t("bandTo", { to: next.least }) : t("bandToTheEnd")}</Text>
            <Tool label={t("removeThisBand")} onClick={() => removeBand(section, band.id)}><X size={14} /></Tool>
          </Flex>
        );
      })}
      {bands.length < MOST_BANDS && <Box pt="2"><QuietButton size="sm" onClick={() => addBand(section)}>{t("addABand")}</QuietButton></Box>}
    </Box>
  );
}
