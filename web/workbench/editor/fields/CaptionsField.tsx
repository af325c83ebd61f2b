import { Flex, Text } from "@chakra-ui/react";
import { type ReactNode } from "react";
import { api, take } from "../../../api/client";
import type { Caption, MediaFile } from "../../../api/types";
import { attempt } from "../../store/commands";
import { changeFile } from "../../store/media";
import { QuietButton } from "../../../kit/QuietButton";
import { download } from "../../../kit/download";
import { t } from "../../../words/editor";
import { useFilePicker } from "../../../kit/useFilePicker";

/** The captions of a video or audio: taken in from a file, written out again, taken away. */
export function CaptionsField({ file }: { file: MediaFile }): ReactNode {
  const { captions } = file;

  const keep = (label: string, changed: Caption[]): void => changeFile(label, file.id, { captions: changed });

  const { input, open } = useFilePicker({ accept: ".vtt,.srt", label: t("captionsOfName", { name: file.name }), onFiles: ([chosen]) => void takeIn(chosen) });
  const takeIn = (chosen: File): Promise<void> => attempt(async () => {
    const text = await chosen.text();
    keep(t("captions"), (await take(api.POST("/api/edits/captions", { body: { text } }))).captions);
  });

  const writeOut = (): Promise<void> => attempt(async () => {
    const { text } = await take(api.POST("/api/edits/captions/text", { body: { captions } }));
    download(new Blob([text], { type: "text/vtt" }), `${file.name}.vtt`);
  });

  return (
    <Flex gap="1.5" align="center" wrap="wrap" my="1.5">
      <Text fontSize="12px" color="quiet" flex="1">
        {captions.length ? `${captions.length} ${captions.length === 1 ? "caption" : "captions"}` : t("noCaptionsYet")}
      </Text>
      <QuietButton size="2xs" px="2" onClick={open}>{captions.length ? t("replaceCaptions") : t("addCaptions")}</QuietButton>
      {captions.length > 0 && <QuietButton size="2xs" px="2" onClick={() => void writeOut()}>{t("saveAsAFile")}</QuietButton>}
      {captions.length > 0 && <QuietButton size="2xs" px="2" color="brick" onClick={() => keep(t("removeCaptions"), [])}>{t("removeCaptions")}</QuietButton>}
      {input}
    </Flex>
  );
}
