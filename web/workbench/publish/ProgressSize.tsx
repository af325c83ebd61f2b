/** How much room saved progress needs, and the decision that is asked for where it may need too much. */
import { Box, Flex, List, Progress, Text } from "@chakra-ui/react";
import { useEffect, useRef, type ReactNode } from "react";
import { Card } from "../../kit/Card";
import { MainButton } from "../../kit/MainButton";
import { QuietButton } from "../../kit/QuietButton";
import type { Tracking } from "../shell/useCheck";
import { KIND_WORDS, type PackageKind } from "./kinds";
import { t } from "../../words/publish";

interface Props {
  tracking: Tracking;
  kind: PackageKind;
}

type Room = Tracking["rooms"][number];

const characters = (count: number): string => count.toLocaleString("en");

/** The room that the standard of a package promises; none where nobody but the browser keeps it. */
export const roomOf = (tracking: Tracking, kind: PackageKind): Room | undefined => tracking.rooms.find((room) => room.kind === kind);

/** Says how long saved progress gets at most, and what the standard promises to keep. */
export function ProgressSize({ tracking, kind }: Props): ReactNode {
  const room = roomOf(tracking, kind);
  if (!room) return <Text>{t("progressInBrowser")}</Text>;
  const { progress } = tracking;
  const fits = progress <= room.limit;
  return (
    <>
      <Text mb="2">
        {t("atMost")}{" "}<strong>{characters(progress)}</strong>{" "}{t("ofCharactersCharacters", { characters: characters(room.limit) })}
        {fits ? "." : t("moreThanEveryLmsWith", { standard: KIND_WORDS[kind] })}
      </Text>
      <Progress.Root value={Math.min((progress / room.limit) * 100, 100)} size="sm" aria-label={t("shareOfTheRoomFor")}>
        <Progress.Track borderRadius="full"><Progress.Range bg={fits ? "spruce" : "brick"} /></Progress.Track>
      </Progress.Root>
      <Text mt="2" fontSize="13px" color="quiet">
        {t("withEverythingSeenAndAnswered")}
      </Text>
      {!fits && <LeftOut room={room} />}
    </>
  );
}

function LeftOut({ room }: { room: Room }): ReactNode {
  return (
    <Box mt="2" fontSize="14px">
      <Text>{t("whereAnLmsKeepsNo")}</Text>
      <List.Root ps="5" my="1">
        {room.left_out.map((words) => <List.Item key={words}>{words}</List.Item>)}
      </List.Root>
      <Text>{room.short <= room.limit ? t("thePlaceTheScoreAnd") : t("stillLeaves", { characters: characters(room.short) })}</Text>
    </Box>
  );
}

/** Asks whether to publish a course whose progress may be too long. */
export function TooLong({ tracking, kind, onPublish, onCancel }: Props & { onPublish: () => void; onCancel: () => void }): ReactNode {
  const box = useRef<HTMLDivElement>(null);
  const room = roomOf(tracking, kind);
  useEffect(() => box.current?.focus(), []);
  if (!room) return null;
  return (
    <Box ref={box} role="alertdialog" aria-label={t("progressMayBeTooLong", { standard: KIND_WORDS[kind] })} tabIndex={-1}>
      <Card title={t("publishAllTheSame")}>
        <Text>
          {t("savedProgressCanNeedCharacters", { standard: KIND_WORDS[kind], characters: characters(tracking.progress), characters2: characters(room.limit) })}
        </Text>
        <LeftOut room={room} />
        <Flex gap="2" mt="3">
          <MainButton onClick={onPublish}>{t("publishAllTheSame2")}</MainButton>
          <QuietButton onClick={onCancel}>{t("doNotPublish")}</QuietButton>
        </Flex>
      </Card>
    </Box>
  );
}
