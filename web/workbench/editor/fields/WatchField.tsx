import { Box, Flex } from "@chakra-ui/react";
import { useRef, useState, type ReactNode } from "react";
import { api, take } from "../../../api/client";
import type { MediaFile } from "../../../api/types";
import { QuietButton } from "../../../kit/QuietButton";
import { t } from "../../../words/editor";
import { attempt } from "../../store/commands";
import { changeFile, keepFiles, knownFile } from "../../store/media";
import { saveAll } from "../../store/saver";
import { changeElements, useCourse } from "../../store/store";
import { FilePlayer, placeOf } from "./FilePlayer";

/** A video to look through: a chapter begins where it stands, or that picture becomes the poster of `element`. */
export function WatchField({ file, element }: { file: MediaFile; element: string }): ReactNode {
  const player = useRef<HTMLVideoElement & HTMLAudioElement>(null);
  const [taking, setTaking] = useState(false);
  const now = (): number => placeOf(player.current);

  function begin(): void {
    const since = Math.floor(now() / 100) * 100;
    const chapters = file.chapters.filter((one) => one.since !== since);
    const name = t("chapterNumber", { number: chapters.filter((one) => one.since < since).length + 1 });
    changeFile(t("chapters"), file.id, { chapters: [...chapters, { since, name }].sort((one, other) => one.since - other.since) });
  }

  const pose = (): Promise<void> => attempt(async () => {
    setTaking(true);
    try {
      await saveAll();
      const path = { slug: useCourse.getState().slug, media_id: file.id };
      const still = knownFile(await take(api.POST("/api/courses/{slug}/media/{media_id}/still", { params: { path }, body: { at: now() } })));
      keepFiles([still]);
      changeElements(t("poster"), [element], (one) => (one.kind === "video" ? { ...one, poster: still.id } : one));
    } finally {
      setTaking(false);
    }
  });

  return (
    <Box my="1.5">
      <FilePlayer ref={player} file={file} />
      <Flex gap="1.5" mt="1.5" wrap="wrap">
        <QuietButton size="2xs" px="2" onClick={begin}>{t("chapterBeginsHere")}</QuietButton>
        <QuietButton size="2xs" px="2" loading={taking} onClick={() => void pose()}>{t("useAsPoster")}</QuietButton>
      </Flex>
    </Box>
  );
}
