import { Flex, Text, Textarea } from "@chakra-ui/react";
import { useEffect, useId, useState, type ReactNode } from "react";
import { api, take } from "../../../api/client";
import type { MediaFile } from "../../../api/types";
import { QuietButton } from "../../../kit/QuietButton";
import { useFilePicker } from "../../../kit/useFilePicker";
import { t } from "../../../words/editor";
import { attempt } from "../../store/commands";
import { changeFile } from "../../store/media";
import { chapterLines, chaptersIn } from "./chapters";

/** The chapters of a video or audio, one in each line; or taken in from a file. */
export function ChaptersField({ file }: { file: MediaFile }): ReactNode {
  const lines = chapterLines(file.chapters);
  const [text, setText] = useState(lines);
  const [wrong, setWrong] = useState<string[]>([]);
  const id = useId();
  useEffect(() => setText(lines), [lines]);

  function keep(written: string): void {
    const read = chaptersIn(written, file.duration);
    setWrong(read.wrong);
    // What is no chapter stays to be mended.
    if (chapterLines(read.chapters) !== lines) changeFile(t("chapters"), file.id, { chapters: read.chapters });
    else if (!read.wrong.length) setText(lines);
  }

  const { input, open } = useFilePicker({ accept: ".vtt,.srt", label: t("chaptersOfName", { name: file.name }), onFiles: ([chosen]) => void takeIn(chosen) });
  const takeIn = (chosen: File): Promise<void> => attempt(async () => {
    const { captions } = await take(api.POST("/api/edits/captions", { body: { text: await chosen.text() } }));
    const read = captions.map(({ since, text: name }) => ({ since, name: name.replace(/\s+/g, " ").slice(0, 200) }));
    keep(chapterLines(read));
  });

  return (
    <Flex direction="column" gap="1" my="1.5">
      <Flex align="center" gap="1.5">
        <Text asChild fontSize="12.5px" color="quiet" flex="1"><label htmlFor={id}>{t("chapters")}</label></Text>
        <QuietButton size="2xs" px="2" onClick={open}>{t("fromAFile")}</QuietButton>
      </Flex>
      <Textarea
        id={id} size="xs" bg="paper" borderRadius="6px" fontSize="13px" rows={Math.min(Math.max(text.split("\n").length, 2), 8)}
        placeholder={t("chaptersExample")} value={text} aria-describedby={`${id}-wrong`}
        onChange={(event) => setText(event.target.value)} onBlur={() => keep(text)}
      />
      <Text id={`${id}-wrong`} role="status" fontSize="12px" color="brick">
        {wrong.length > 0 && t("notAChapter", { lines: wrong.slice(0, 3).map((line) => `“${line}”`).join(", ") })}
      </Text>
      {input}
    </Flex>
  );
}
