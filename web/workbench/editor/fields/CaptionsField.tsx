import { Flex, Text } from "@chakra-ui/react";
import { ChevronDown } from "lucide-react";
import { useState, type ReactNode } from "react";
import { api, take } from "../../../api/client";
import type { Caption, MediaFile } from "../../../api/types";
import { attempt } from "../../store/commands";
import { changeFile } from "../../store/media";
import { MenuButton } from "../../../kit/menus/MenuButton";
import { QuietButton } from "../../../kit/QuietButton";
import { download } from "../../../kit/download";
import { t } from "../../../words/editor";
import { useFilePicker } from "../../../kit/useFilePicker";
import { CaptionsEditor } from "../captions/CaptionsEditor";

/** The captions of a video or audio: written, taken in from a file, written out again, taken away. */
export function CaptionsField({ file }: { file: MediaFile }): ReactNode {
  const { captions } = file;
  const [editing, setEditing] = useState(false);

  const keep = (label: string, changed: Caption[]): void => changeFile(label, file.id, { captions: changed });

  const { input, open } = useFilePicker({ accept: ".vtt,.srt", label: t("captionsOfName", { name: file.name }), onFiles: ([chosen]) => void takeIn(chosen) });
  const takeIn = (chosen: File): Promise<void> => attempt(async () => {
    const text = await chosen.text();
    keep(t("captions"), (await take(api.POST("/api/edits/captions", { body: { text } }))).captions);
  });

  const writeOut = (format: "vtt" | "srt"): Promise<void> => attempt(async () => {
    const { text } = await take(api.POST("/api/edits/captions/text", { body: { captions, format } }));
    download(new Blob([text], { type: format === "vtt" ? "text/vtt" : "application/x-subrip" }), `${file.name}.${format}`);
  });

  return (
    <Flex gap="1.5" align="center" wrap="wrap" my="1.5">
      <Text fontSize="12px" color="quiet" flex="1">
        {captions.length ? t("countCaptions", { count: captions.length }) : t("noCaptionsYet")}
      </Text>
      <QuietButton size="2xs" px="2" onClick={() => setEditing(true)}>{captions.length ? t("editCaptions") : t("writeCaptions")}</QuietButton>
      <QuietButton size="2xs" px="2" onClick={open}>{captions.length ? t("replaceCaptions") : t("addCaptions")}</QuietButton>
      {captions.length > 0 && (
        <MenuButton
          button={<QuietButton size="2xs" px="2">{t("saveAsAFile")}<ChevronDown size={12} aria-hidden /></QuietButton>}
          entries={[{ key: "vtt", words: "WebVTT", run: () => void writeOut("vtt") }, { key: "srt", words: "SubRip", run: () => void writeOut("srt") }]}
        />
      )}
      {captions.length > 0 && <QuietButton size="2xs" px="2" color="brick" onClick={() => keep(t("removeCaptions"), [])}>{t("removeCaptions")}</QuietButton>}
      {input}
      {editing && <CaptionsEditor file={file} onKeep={keep} onClose={() => setEditing(false)} />}
    </Flex>
  );
}
