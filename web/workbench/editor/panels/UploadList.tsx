import { Box, Flex, Progress, Text } from "@chakra-ui/react";
import { RotateCw, X } from "lucide-react";
import type { ReactNode } from "react";
import { QuietButton } from "../../../kit/QuietButton";
import { Tool } from "../../../kit/Tool";
import { count } from "../../../kit/units";
import { clearEnded, retry, stopAll, useUploads } from "./uploads";

const MOST = 30;

/** Files on their way: how far, what went wrong, stop, try again. */
export function UploadList(): ReactNode {
  const list = useUploads((state) => state.list);
  if (!list.length) return null;
  const done = list.filter(({ state }) => state.kind === "done").length;
  const failed = list.filter(({ state }) => state.kind === "failed");
  const going = list.filter(({ state }) => state.kind === "sending" || state.kind === "waiting").length;
  return (
    <Box borderTopWidth="1px" p="3" maxH="40%" overflowY="auto" role="status" aria-label="Files on their way">
      <Flex align="center" gap="2" mb="1">
        <Text fontSize="13px" fontWeight="600" flex="1">
          {going ? `${done} of ${count(list.length, "file")} sent` : `${count(done, "file")} taken in`}
        </Text>
        {going > 0
          ? <QuietButton size="2xs" px="2" onClick={stopAll}>Stop</QuietButton>
          : <Tool label="Close" onClick={clearEnded}><X size={14} /></Tool>}
      </Flex>
      {going > 0 && (
        <Progress.Root value={(100 * done) / list.length} size="xs" aria-label="Files sent">
          <Progress.Track><Progress.Range bg="spruce" /></Progress.Track>
        </Progress.Root>
      )}
      {failed.length > 0 && <Text fontSize="12.5px" color="brick" mt="1">{count(failed.length, "file")} could not be taken in:</Text>}
      {failed.slice(0, MOST).map(({ id, file, state }) => (
        <Flex key={id} fontSize="12.5px" gap="1" align="flex-start" py="0.5">
          <Text flex="1" minW="0" overflowWrap="anywhere">
            {state.kind === "failed" && !state.reason.includes(file.name) && <b>{file.name}: </b>}
            {state.kind === "failed" ? state.reason : ""}
          </Text>
          <Tool label={`Try ${file.name} again`} onClick={() => retry(id)}><RotateCw size={13} /></Tool>
        </Flex>
      ))}
    </Box>
  );
}
