import { Box, Flex, Stack, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { changeCourse, useCourse } from "../store/store";
import { Card } from "../../kit/Card";
import { Check } from "../../kit/Check";
import { Choose } from "../../kit/Choose";
import { NumberField } from "../../kit/NumberField";
import { t } from "../../words/publish";

const SLIDES = [["way", t("slidesOnTheLearnersRoute")], ["all", t("allSlidesOfTheCourse")]] as const;
const SCORES = [["points", t("scoreByPoints")], ["weights", t("scoreByWeights")], ["best", t("scoreByBest")]] as const;
const RUNS = [["best", t("theBestCounts")], ["first", t("theFirstCounts")], ["last", t("theLastCounts")]] as const;

/** When the course is complete, and which of several runs counts. */
export function CompletionCard(): ReactNode {
  const completion = useCourse((state) => state.course.completion);
  const mark = useCourse((state) => state.course.pass_mark);
  const scoring = useCourse((state) => state.course.scoring);
  const quizzes = useCourse((state) => state.course.sections.some(({ quiz }) => quiz));
  const share = completion.slides_share ?? null;

  const settle = (part: Partial<typeof completion>): void => changeCourse(t("completion"), { completion: { ...completion, ...part } }, "completion");
  function change(slides_share: number | null, passing: boolean): void {
    // Something must count: taking the last away puts the other in its place.
    const nothing = slides_share === null && !passing;
    const next: Partial<typeof completion> = nothing
      ? { slides_share: share === null ? 1 : null, passing: share !== null } : { slides_share, passing };
    settle(next);
  }

  return (
    <Card title={t("completeWhen")}>
      <Stack gap="2">
        <Flex gap="2" align="center" wrap="wrap">
          <Check label={t("slidesWereSeenAtLeast")} help={t("helpSlidesSeen")} value={share !== null} onChange={(on) => change(on ? 1 : null, completion.passing)} />
          {share !== null && (
            <Percent
              label={t("shareOfSlidesInPer")} value={Math.round(share * 100)}
              onChange={(percent) => change(percent / 100, completion.passing)}
            />
          )}
        </Flex>
        {share !== null && (
          <Choose label={t("of")} value={completion.slides_of} options={SLIDES} onChange={(slides_of) => settle({ slides_of })} />
        )}
        <Flex gap="2" align="center" wrap="wrap">
          <Check label={t("theCourseWasPassedWith")} help={t("helpPassed")} value={completion.passing} onChange={(on) => change(share, on)} />
          <Percent
            label={t("passMarkInPerCent")} value={mark}
            onChange={(pass_mark) => changeCourse(t("passMark"), { pass_mark }, "pass-mark")}
          />
        </Flex>
        {share !== null && completion.passing && <Text color="quiet" fontSize="13px">{t("bothAreNeeded")}</Text>}
        {quizzes && (
          <Choose
            label={t("scoreOfTheCourse")} help={t("helpScoreOfTheCourse")} value={scoring} options={SCORES}
            onChange={(next) => changeCourse(t("scoreOfTheCourse"), { scoring: next })}
          />
        )}
        <Choose label={t("ifTakenAgain")} help={t("helpIfTakenAgain")} value={completion.counts} options={RUNS} onChange={(counts) => settle({ counts })} />
      </Stack>
    </Card>
  );
}

function Percent(
  { label, value, onChange }: { label: string; value: number; onChange: (value: number) => void },
): ReactNode {
  return (
    <Flex align="center" gap="2">
      <Box w="72px"><NumberField bare label={label} value={value} min={0} max={100} onChange={onChange} /></Box>
      <Text>%</Text>
    </Flex>
  );
}
