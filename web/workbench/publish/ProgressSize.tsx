/** How much room saved progress needs, and the decision that is asked for where it may need too much. */
import { Box, Flex, List, Progress, Text } from "@chakra-ui/react";
import { useEffect, useRef, type ReactNode } from "react";
import { Card } from "../../kit/Card";
import { MainButton } from "../../kit/MainButton";
import { QuietButton } from "../../kit/QuietButton";
import type { Tracking } from "../shell/useCheck";
import { t } from "../../words/publish";

interface Props { tracking: Tracking }

const characters = (count: number): string => count.toLocaleString("en");

/** Says how long saved progress gets at most, and what SCORM 1.2 promises to keep. */
export function ProgressSize({ tracking }: Props): ReactNode {
  const { progress, progress_limit: limit } = tracking;
  const fits = progress <= limit;
  return (
    <>
      <Text mb="2">
        {t("atMost")}{" "}<strong>{characters(progress)}</strong>{" "}{t("ofCharactersCharacters", { characters: characters(limit) })}
        {fits ? "." : t("moreThanEveryLmsWith")}
      </Text>
      <Progress.Root value={Math.min((progress / limit) * 100, 100)} size="sm" aria-label={t("shareOfTheRoomFor")}>
        <Progress.Track borderRadius="full"><Progress.Range bg={fits ? "spruce" : "brick"} /></Progress.Track>
      </Progress.Root>
      <Text mt="2" fontSize="13px" color="quiet">
        {t("withEverythingSeenAndAnswered")}
      </Text>
      {!fits && <LeftOut tracking={tracking} />}
    </>
  );
}

function LeftOut({ tracking }: Props): ReactNode {
  const fits = tracking.progress_short <= tracking.progress_limit;
  return (
    <Box mt="2" fontSize="14px">
      <Text>{t("whereAnLmsKeepsNo")}</Text>
      <List.Root ps="5" my="1">
        {tracking.left_out.map((words) => <List.Item key={words}>{words}</List.Item>)}
      </List.Root>
      <Text>
        {fits
          ? t("thePlaceTheScoreAnd")
          : `That still leaves ${characters(tracking.progress_short)} characters. An LMS that refuses them keeps score and status only; the progress stays in the learner's browser.`}
      </Text>
    </Box>
  );
}

/** Asks whether to publish a course whose progress may be too long. */
export function TooLong({ tracking, onPublish, onCancel }: Props & { onPublish: () => void; onCancel: () => void }): ReactNode {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => box.current?.focus(), []);
  return (
    <Box ref={box} role="alertdialog" aria-label={t("progressMayBeTooLong")} tabIndex={-1}>
      <Card title={t("publishAllTheSame")}>
        <Text>
          {t("savedProgressCanNeedCharacters", { characters: characters(tracking.progress), characters2: characters(tracking.progress_limit) })}
        </Text>
        <LeftOut tracking={tracking} />
        <Flex gap="2" mt="3">
          <MainButton onClick={onPublish}>{t("publishAllTheSame2")}</MainButton>
          <QuietButton onClick={onCancel}>{t("doNotPublish")}</QuietButton>
        </Flex>
      </Card>
    </Box>
  );
}
