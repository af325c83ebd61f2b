/** What is being worked on, at the edge of every page: how far it is, and a way to stop it. */
import { Box, Flex, Progress, Stack, Text } from "@chakra-ui/react";
import { useEffect, useState, type ReactNode } from "react";
import { cancel, type Job } from "../../api/jobs";
import { QuietButton } from "../QuietButton";
import { sayError } from "../toaster";
import { useWork } from "./work";
import { t } from "../../words/kit";

/** What is done within this time is not shown: it would only flash. */
const SHOWN_AFTER_MS = 400;

/** The cards of all jobs that this window follows. */
export function JobTray(): ReactNode {
  const jobs = Object.values(useWork((state) => state.jobs));
  if (!jobs.length) return null;
  return (
    <Stack
      position="fixed" bottom="4" left="4" zIndex="overlay" gap="2" w="320px" maxW="calc(100vw - 32px)"
      role="status" aria-label={t("workInProgress")}
    >
      {jobs.map((job) => <JobCard key={job.id} job={job} />)}
    </Stack>
  );
}

function JobCard({ job }: { job: Job }): ReactNode {
  const [shown, setShown] = useState(false);
  const [stopping, setStopping] = useState(false);
  useEffect(() => {
    const timer = window.setTimeout(() => setShown(true), SHOWN_AFTER_MS);
    return () => window.clearTimeout(timer);
  }, []);
  if (!shown) return null;
  const stop = (): void => {
    setStopping(true);
    cancel(job).catch((error: unknown) => { setStopping(false); sayError(error); });
  };
  return (
    <Box bg="sheet" borderWidth="1px" borderRadius="card" px="3.5" py="3" boxShadow="md" data-job={job.kind}>
      <Flex justify="space-between" align="center" gap="3">
        <Box minW="0">
          <Text fontWeight="600">{job.title}</Text>
          <Text color="quiet" fontSize="13px" truncate>{job.state === "queued" ? t("waitingForItsTurn") : job.words || t("atWork")}</Text>
        </Box>
        <QuietButton size="xs" loading={stopping} onClick={stop}>{t("cancel")}</QuietButton>
      </Flex>
      <Progress.Root mt="2" size="xs" value={job.state === "queued" ? null : Math.max(job.share * 100, 2)} aria-label={job.title}>
        <Progress.Track borderRadius="full"><Progress.Range bg="spruce" /></Progress.Track>
      </Progress.Root>
    </Box>
  );
}
