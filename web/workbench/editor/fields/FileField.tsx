import { Box, Flex, Image, Progress, Text } from "@chakra-ui/react";
import { Film, Music } from "lucide-react";
import { useRef, useState, type ReactNode } from "react";
import type { AudioElement, MediaFile, PictureElement, VideoElement } from "../../../api/types";
import { keepFiles, kindOf, PICTURES, PLAYING, sendFile, showFile } from "../../store/media";
import { changeElements, useCourse } from "../../store/store";
import { QuietButton } from "../../../kit/QuietButton";
import { sayError } from "../../../kit/toaster";
import { t } from "../../../words/editor";
import { clockWords } from "../../../player/render/clockWords";
import { useFilePicker } from "../../../kit/useFilePicker";

/** Choosing a file for an element: from this computer, or one the course has already. */
export function FileField({ element }: { element: PictureElement | VideoElement | AudioElement }): ReactNode {
  const words = { picture: t("aPicture"), video: t("aVideo"), audio: t("anAudioFile") }[element.kind];
  return (
    <FileChooser
      kind={element.kind} current={element.media ?? null} word={element.media ? t("chooseReplace", { replace: words.replace(/^an?/, "another") }) : t("chooseWords", { words })}
      onFile={(file) => showFile(element.id, file)}
    />
  );
}

/** The picture that stands in front of a video until it plays. */
export function PosterField({ element }: { element: VideoElement }): ReactNode {
  function put(file: MediaFile): void {
    keepFiles([file]);
    changeElements(t("poster"), [element.id], (e) => (e.kind === "video" ? { ...e, poster: file.id } : e));
  }
  return (
    <Box>
      <Text fontSize="12.5px" color="quiet" mb="1">{t("posterPictureBeforeItPlays")}</Text>
      <FileChooser kind="picture" current={element.poster ?? null} word={t("choosePicture")} onFile={put} />
    </Box>
  );
}

interface ChooserProps {
  kind: "picture" | "video" | "audio";
  current: string | null;
  word: string;
  onFile: (file: MediaFile) => void;
}

/** Chooses one of the course's files, or takes in one from this computer. */
export function FileChooser({ kind, current, word, onFile }: ChooserProps): ReactNode {
  const picker = useFilePicker({
    accept: kind === "picture" ? PICTURES : PLAYING, label: { picture: t("pictureFile"), video: t("videoFile"), audio: t("audioFile") }[kind], onFiles: ([file]) => void choose(file),
  });
  // What was spoken for the script of the course belongs to its place there.
  const files = useCourse((state) => state.course.media).filter((file) => kindOf(file) === kind && (!file.speech || kind !== "audio" || file.id === current));
  const Button = kind === "audio" ? SoundButton : FileButton;
  const [share, setShare] = useState<number | null>(null);
  const stop = useRef<AbortController | null>(null);

  async function choose(file: File): Promise<void> {
    stop.current = new AbortController();
    setShare(0);
    try {
      const taken = await sendFile(file, setShare, stop.current.signal);
      if (kindOf(taken) === kind) onFile(taken);
      else sayError(new Error(t("nameCannotBeUsedHere", { name: taken.name })));
    } catch (error) {
      sayError(error);
    } finally {
      setShare(null);
    }
  }

  return (
    <Box>
      {picker.input}
      {share === null ? (
        <QuietButton size="xs" onClick={picker.open}>{word}</QuietButton>
      ) : (
        <Flex align="center" gap="2">
          <Progress.Root value={share * 100} size="xs" flex="1" aria-label={t("uploadingTheFile")}>
            <Progress.Track><Progress.Range bg="spruce" /></Progress.Track>
          </Progress.Root>
          <QuietButton size="xs" onClick={() => stop.current?.abort()}>{t("stop")}</QuietButton>
        </Flex>
      )}
      {files.length > 0 && (
        <>
          <Text fontSize="12.5px" color="quiet" mt="2">{t("inThisCourse")}</Text>
          <Flex gap="1.5" wrap="wrap" mt="1" maxH="110px" overflowY="auto" direction={kind === "audio" ? "column" : "row"}>
            {files.map((file) => <Button key={file.id} file={file} on={file.id === current} onPick={() => onFile(file)} />)}
          </Flex>
        </>
      )}
    </Box>
  );
}

interface ButtonProps { file: MediaFile; on: boolean; onPick: () => void }

function FileButton({ file, on, onPick }: ButtonProps): ReactNode {
  return (
    <Box
      as="button" borderWidth="2px" borderRadius="6px" overflow="hidden" borderColor={on ? "marigold" : "edge"}
      title={file.name} aria-label={file.name} aria-pressed={on} onClick={onPick}
    >
      <FilePicture file={file} w={48} h={36} />
    </Box>
  );
}

/** A sound is known by its name. */
function SoundButton({ file, on, onPick }: ButtonProps): ReactNode {
  return (
    <Flex
      as="button" align="center" gap="2" px="2" py="1" flex="none" borderWidth="2px" borderRadius="6px" borderColor={on ? "marigold" : "edge"} textAlign="left"
      title={file.name} aria-pressed={on} onClick={onPick}
    >
      <Music size={14} aria-hidden />
      <Text fontSize="13px" flex="1" minW="0" truncate>{file.name}</Text>
      <Text fontSize="12px" color="quiet">{clockWords(Math.round(file.duration / 1000))}</Text>
    </Flex>
  );
}

/** A small picture of a file; a sign for what cannot be seen. */
export function FilePicture({ file, w, h }: { file: MediaFile; w: number; h: number }): ReactNode {
  const entry = useCourse((state) => state.media[file.id]);
  const preview = entry?.preview;
  if (!preview) {
    const Icon = kindOf(file) === "video" ? Film : Music;
    return <Flex w={`${w}px`} h={`${h}px`} align="center" justify="center" bg="table"><Icon size={18} aria-hidden /></Flex>;
  }
  return <Image src={preview} alt="" w={`${w}px`} h={`${h}px`} objectFit="contain" bg="table" loading="lazy" />;
}
