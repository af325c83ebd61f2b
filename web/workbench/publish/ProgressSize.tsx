/** How much room saved progress needs, and the decision that is asked for where it may need too much. */
import { Box, Flex, List, Progress, Text } from "@chakra-ui/react";
import { useEffect, useRef, type ReactNode } from "react";
import { Card } from "../../kit/Card";
import { MainButton } from "../../kit/MainButton";
import { QuietButton } from "../../kit/QuietButton";
import type { Tracking } from "../shell/useCheck";

interface Props { tracking: Tracking }

const characters = (count: number): string => count.toLocaleString("en");

/** Says how long saved progress gets at most, and what SCORM 1.2 promises to keep. */
export function ProgressSize({ tracking }: Props): ReactNode {
  const { progress, progress_limit: limit } = tracking;
  const fits = progress <= limit;
  return (
    <>
      <Text mb="2">
        At most <strong>{characters(progress)}</strong> of {characters(limit)} characters
        {fits ? "." : ": more than every LMS with SCORM 1.2 keeps."}
      </Text>
      <Progress.Root value={Math.min((progress / limit) * 100, 100)} size="sm" aria-label="Share of the room for saved progress">
        <Progress.Track borderRadius="full"><Progress.Range bg={fits ? "spruce" : "brick"} /></Progress.Track>
      </Progress.Root>
      <Text mt="2" fontSize="13px" color="quiet">
        With everything seen and answered, and every text as long as it may be. Most learners need far less.
      </Text>
      {!fits && <LeftOut tracking={tracking} />}
    </>
  );
}

function LeftOut({ tracking }: Props): ReactNode {
  const fits = tracking.progress_short <= tracking.progress_limit;
  return (
    <Box mt="2" fontSize="14px">
      <Text>Where an LMS keeps no more, this is left out for learners who come that far:</Text>
      <List.Root ps="5" my="1">
        {tracking.left_out.map((words) => <List.Item key={words}>{words}</List.Item>)}
      </List.Root>
      <Text>
        {fits
          ? "The place, the score and the answers that count are always saved there. The rest stays in the learner's browser."
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
    <Box ref={box} role="alertdialog" aria-label="Progress may be too long for SCORM 1.2" tabIndex={-1}>
      <Card title="Publish all the same?">
        <Text>
          Saved progress can need {characters(tracking.progress)} characters. SCORM 1.2 asks an LMS to keep {characters(tracking.progress_limit)};
          many keep more. Shorter texts and fewer variables make it shorter.
        </Text>
        <LeftOut tracking={tracking} />
        <Flex gap="2" mt="3">
          <MainButton onClick={onPublish}>Publish all the same</MainButton>
          <QuietButton onClick={onCancel}>Do not publish</QuietButton>
        </Flex>
      </Card>
    </Box>
  );
}
