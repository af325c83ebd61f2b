/** Choosing a picture: from this computer, or one the course has already. */
import { Box, Flex, Image, Progress, Text } from "@chakra-ui/react";
import { useRef, useState, type ReactNode } from "react";
import type { MediaFile, PictureElement } from "../../api/types";
import { ACCEPTED, sendPicture, showPicture } from "../store/pictures";
import { changeElements, useCourse } from "../store/store";
import { QuietButton } from "../ui/parts";
import { sayError } from "../ui/toaster";

export function PictureChooser({ element }: { element: PictureElement }): ReactNode {
  return (
    <FileChooser
      current={element.media ?? null} word={element.media ? "Another picture" : "Choose a picture"}
      onFile={(file) => showPicture(element.id, file)}
      onExisting={(media) => changeElements("Choose picture", [element.id],
        (e) => (e.kind === "picture" ? { ...e, media } : e))}
    />
  );
}

export function FileChooser(
  { current, word, onFile, onExisting }: {
    current: string | null; word: string; onFile: (file: MediaFile) => void;
    onExisting: (media: string) => void;
  },
): ReactNode {
  const picker = useRef<HTMLInputElement>(null);
  const files = useCourse((state) => state.course.media);
  const media = useCourse((state) => state.media);
  const [share, setShare] = useState<number | null>(null);
  const stop = useRef<AbortController | null>(null);

  async function choose(file: File | undefined): Promise<void> {
    if (!file) return;
    stop.current = new AbortController();
    setShare(0);
    try {
      onFile(await sendPicture(file, setShare, stop.current.signal));
    } catch (error) {
      sayError(error);
    } finally {
      setShare(null);
    }
  }

  return (
    <Box>
      <input
        ref={picker} type="file" accept={ACCEPTED} hidden aria-label="Picture file"
        onChange={(event) => { void choose(event.target.files?.[0]); event.target.value = ""; }}
      />
      {share === null ? (
        <QuietButton size="xs" onClick={() => picker.current?.click()}>{word}</QuietButton>
      ) : (
        <Flex align="center" gap="2">
          <Progress.Root value={share * 100} size="xs" flex="1" aria-label="Sending the picture">
            <Progress.Track><Progress.Range bg="spruce" /></Progress.Track>
          </Progress.Root>
          <QuietButton size="xs" onClick={() => stop.current?.abort()}>Stop</QuietButton>
        </Flex>
      )}
      {files.length > 0 && (
        <>
          <Text fontSize="12.5px" color="quiet" mt="2">In this course</Text>
          <Flex gap="1.5" wrap="wrap" mt="1" maxH="110px" overflowY="auto">
            {files.map((file) => (
              <Box
                as="button" key={file.id} borderWidth="2px" borderRadius="6px" overflow="hidden"
                borderColor={file.id === current ? "marigold" : "edge"} title={file.name}
                aria-label={file.name} aria-pressed={file.id === current} onClick={() => onExisting(file.id)}
              >
                <Image src={media[file.id]?.src} alt="" w="48px" h="36px" objectFit="cover" />
              </Box>
            ))}
          </Flex>
        </>
      )}
    </Box>
  );
}
