import { Box, Flex, Progress, Text } from "@chakra-ui/react";
import { RotateCw, X } from "lucide-react";
import type { ReactNode } from "react";
import { QuietButton } from "../../../kit/QuietButton";
import { Tool } from "../../../kit/Tool";
import { clearEnded, retry, stopAll, useUploads } from "./uploads";
import { t } from "../../../words/editor";

const MOST = 30;

/** Files on their way: how far, what went wrong, stop, try again. */
export function UploadList(): ReactNode {
  const list = useUploads((state) => state.list);
  if (!list.length) return null;
  const done = list.filter(({ state }) => state.kind === "done").length;
  const failed = list.filter(({ state }) => state.kind === "failed");
  const going = list.filter(({ state }) => state.kind === "sending" || state.kind === "waiting").length;
  return (
    <Box borderTopWidth="1px" p="3" maxH="40%" overflowY="auto" role="status" aria-label={t("uploads")}>
      <Flex align="center" gap="2" mb="1">
        <Text fontSize="13px" fontWeight="600" flex="1">
          {going ? t("uploadingDoneOfAll", { done, all: t("files", { count: list.length }) }) : t("doneAdded", { done: t("files", { count: done }) })}
        </Text>
        {going > 0
          ? <QuietButton size="2xs" px="2" onClick={stopAll}>{t("stop")}</QuietButton>
          : <Tool label={t("close")} onClick={clearEnded}><X size={14} /></Tool>}
      </Flex>
      {going > 0 && (
        <Progress.Root value={(100 * done) / list.length} size="xs" aria-label={t("uploadProgress")}>
          <Progress.Track><Progress.Range bg="spruce" /></Progress.Track>
        </Progress.Root>
      )}
      {failed.length > 0 && <Text fontSize="12.5px" color="brick" mt="1">{t("failedCouldNotBeAdded", { failed: t("files", { count: failed.length }) })}</Text>}
      {failed.slice(0, MOST).map(({ id, file, state }) => (
        <Flex key={id} fontSize="12.5px" gap="1" align="flex-start" py="0.5">
          <Text flex="1" minW="0" overflowWrap="anywhere">
            {state.kind === "failed" && !state.reason.includes(file.name) && <b>{file.name}: </b>}
            {state.kind === "failed" ? state.reason : ""}
          </Text>
          <Tool label={t("tryNameAgain", { name: file.name })} onClick={() => retry(id)}><RotateCw size={13} /></Tool>
        </Flex>
      ))}
    </Box>
  );
}
