import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useState, type ReactNode } from "react";
import { api, take } from "../../../api/client";
import type { MediaFile } from "../../../api/types";
import { attempt } from "../../store/commands";
import { addFile, changeFile, kindOf, PICTURES, PLAYING, replaceEverywhere, sendFile } from "../../store/media";
import { saveAll } from "../../store/saver";
import { changeCourse, goToSlide, useCourse } from "../../store/store";
import { QuietButton } from "../../../kit/QuietButton";
import { sayDone, sayError } from "../../../kit/toaster";
import { bytes } from "../../../kit/units";
import { CaptionsField } from "../fields/CaptionsField";
import { ChaptersField } from "../fields/ChaptersField";
import { FilePicture } from "../fields/FileField";
import { SizeField } from "../fields/SizeField";
import { t } from "../../../words/editor";
import { useFilePicker } from "../../../kit/useFilePicker";

/** A file of the course: where it is used, its name and tags, replace, remove. */
export function FileCard({ file, use }: { file: MediaFile; use: readonly string[] | undefined }): ReactNode {
  const [open, setOpen] = useState(false);
  return (
    <Box borderBottomWidth="1px" py="1.5">
      <Flex gap="2" align="center">
        <Box
          as="button" aria-label={t("putNameOnTheSlide", { name: file.name })} title={t("putOnTheSlide")} borderRadius="6px" overflow="hidden" borderWidth="1px"
          onClick={() => void addFile(file, null)}
        >
          <FilePicture file={file} w={60} h={45} />
        </Box>
        <Box flex="1" minW="0" as="button" textAlign="left" aria-expanded={open} onClick={() => setOpen(!open)}>
          <Text fontSize="13px" fontWeight="600" truncate>{file.name}</Text>
          <Text fontSize="12px" color="quiet" truncate>{aboutFile(file)}</Text>
          <UseWords use={use} />
        </Box>
      </Flex>
      {open && <FileActions file={file} use={use} />}
    </Box>
  );
}

function aboutFile({ w, h, size, duration, loudness }: MediaFile): string {
  const parts = [bytes(size)];
  if (typeof loudness === "number" && loudness > -70) parts.push(t("loudnessLufs", { loudness: Math.round(loudness) }));
  if (w && h) parts.unshift(`${w} × ${h}`);
  if (duration) parts.unshift(`${Math.round(duration / 100) / 10} s`);
  return parts.join(" · ");
}

function UseWords({ use }: { use: readonly string[] | undefined }): ReactNode {
  const order = useCourse((state) => state.course.slides);
  const course = useCourse((state) => state.course.id);
  if (!use) return null;
  const numbers = use.map((id) => order.indexOf(id) + 1).filter((n) => n > 0);
  const words = !use.length ? t("notUsed") : !numbers.length ? (use.includes(course) ? t("throughoutTheCourse") : t("inALayout"))
    : numbers.length === 1 ? t("onSlideNumbers", { numbers: numbers[0] })
      : t("onSlidesNumbersAndLast", { numbers: `${numbers.slice(0, -1).slice(0, 6).join(", ")}${numbers.length > 7 ? " …" : ""}`, last: numbers.at(-1) });
  return <Text fontSize="12px" color={use.length ? "spruce" : "marigold.ink"}>{words}</Text>;
}

function FileActions({ file, use }: { file: MediaFile; use: readonly string[] | undefined }): ReactNode {
  const order = useCourse((state) => state.course.slides);
  const slides = useCourse((state) => state.slides);

  const change = (part: Partial<MediaFile>, label: string): void => changeFile(label, file.id, part);

  const { input, open } = useFilePicker({
    accept: kindOf(file) === "picture" ? PICTURES : PLAYING, label: t("replaceName", { name: file.name }), onFiles: ([chosen]) => void replace(chosen),
  });
  async function replace(chosen: File): Promise<void> {
    try {
      const taken = await sendFile(chosen, () => {});
      if (kindOf(taken) === kindOf(file)) replaceEverywhere(file.id, taken);
      else sayError(new Error(`“${taken.name}” is another kind of file; nothing was replaced.`));
    } catch (error) {
      sayError(error);
    }
  }

  const share = (): Promise<void> => attempt(async () => {
    await saveAll();
    const path = { slug: useCourse.getState().slug, media_id: file.id };
    await take(api.POST("/api/courses/{slug}/media/{media_id}/share", { params: { path } }));
    sayDone(t("nameIsInYourLibrary", { name: file.name }));
  });

  return (
    <Box pt="2" pl="1">
      <Input
        size="xs" bg="sheet" borderRadius="6px" defaultValue={file.name} aria-label={t("nameOfTheFile")} maxLength={200}
        onBlur={(event) => { if (event.target.value.trim() && event.target.value !== file.name) change({ name: event.target.value.trim() }, t("renameFile")); }}
      />
      <Input
        size="xs" bg="sheet" borderRadius="6px" mt="1" defaultValue={file.tags.join(", ")} placeholder={t("tagsWithCommas")} aria-label={t("tags")}
        onBlur={(event) => {
          const tags = [...new Set(event.target.value.split(",").map((tag) => tag.trim().slice(0, 60)).filter(Boolean))].slice(0, 50);
          if (tags.join() !== file.tags.join()) change({ tags }, t("tagFile"));
        }}
      />
      <Flex gap="1.5" wrap="wrap" my="1.5">
        {use?.filter((id) => order.includes(id)).slice(0, 8).map((id) => (
          <QuietButton key={id} size="2xs" px="2" maxW="150px" onClick={() => goToSlide(id)}>
            {order.indexOf(id) + 1} {slides[id]?.title}
          </QuietButton>
        ))}
      </Flex>
      {kindOf(file) !== "picture" && (
        <>
          <CaptionsField file={file} />
          <ChaptersField file={file} />
          <SizeField file={file} />
        </>
      )}
      <Flex gap="1.5" wrap="wrap">
        <QuietButton size="2xs" px="2" onClick={open}>{t("replaceEverywhere")}</QuietButton>
        <QuietButton size="2xs" px="2" onClick={() => void share()}>{t("addToMyLibrary")}</QuietButton>
        {use && !use.length && (
          <QuietButton size="2xs" px="2" color="brick" onClick={() => {
            const { course } = useCourse.getState();
            changeCourse(t("removeFile"), { media: course.media.filter((other) => other.id !== file.id) });
          }}>
            {t("remove2")}
          </QuietButton>
        )}
      </Flex>
      {input}
    </Box>
  );
}
