/** Captions beside what plays: written, timed, split and joined by keyboard. */
import { Box, Dialog, Flex, Portal, Text } from "@chakra-ui/react";
import { useRef, useState, type KeyboardEvent, type ReactNode } from "react";
import type { Caption, MediaFile } from "../../../api/types";
import { MainButton } from "../../../kit/MainButton";
import { NumberField } from "../../../kit/NumberField";
import { QuietButton } from "../../../kit/QuietButton";
import { t } from "../../../words/editor";
import { FilePlayer, placeOf } from "../fields/FilePlayer";
import { CaptionRow } from "./CaptionRow";
import { added, changed, joined, shifted, split } from "./changing";

interface Props { file: MediaFile; onKeep: (label: string, captions: Caption[]) => void; onClose: () => void }

/** Each change is kept at once, and is a step to be undone. */
export function CaptionsEditor({ file, onKeep, onClose }: Props): ReactNode {
  const { captions, name } = file;
  const player = useRef<HTMLVideoElement & HTMLAudioElement>(null);
  const list = useRef<HTMLOListElement>(null);
  /** Where it stops by itself (ms): only one caption is heard. */
  const stopsAt = useRef<number | null>(null);
  const [now, setNow] = useState(0);
  const [by, setBy] = useState(0.5);
  const stands = (): number => placeOf(player.current);
  const keep = (to: Caption[]): void => { if (to.some((one, at) => one !== captions[at]) || to.length !== captions.length) onKeep(t("captions"), to); };

  /** Go on in the caption at `place`, once it is there. */
  function goTo(place: number): void {
    requestAnimationFrame(() => list.current?.querySelectorAll("textarea")[place]?.focus());
  }
  function add(): void {
    const { captions: to, place } = added(captions, stands(), t("newCaption"));
    keep(to);
    requestAnimationFrame(() => list.current?.querySelectorAll("textarea")[place]?.select());
  }
  function toggle(): void {
    stopsAt.current = null;
    const media = player.current;
    if (media?.paused) void media.play();
    else media?.pause();
  }
  function play({ since, until }: Caption): void {
    const media = player.current;
    if (!media) return;
    media.currentTime = since / 1000;
    stopsAt.current = until;
    void media.play().catch(() => undefined);
  }
  function onKeyDown(event: KeyboardEvent): void {
    if (event.key !== " " || !event.ctrlKey) return;
    event.preventDefault();
    toggle();
  }
  function follow(): void {
    setNow(stands());
    if (stopsAt.current === null || stands() < stopsAt.current) return;
    stopsAt.current = null;
    player.current?.pause();
  }
  const shown = captions.filter(({ since, until }) => since <= now && now < until).map(({ text }) => text).join("\n");
  return (
    <Dialog.Root open size="cover" onOpenChange={({ open }) => { if (!open) onClose(); }}>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content bg="sheet" maxW="1160px" maxH="88vh" aria-label={t("captionsOfName", { name })} onKeyDown={onKeyDown} data-captions>
            <Dialog.Header><Dialog.Title>{t("captionsOfName", { name })}</Dialog.Title></Dialog.Header>
            <Dialog.Body display="flex" gap="6" minH="0">
              <Box w="400px" flex="none">
                <FilePlayer ref={player} file={file} onTime={follow} high={260} />
                <Text minH="60px" mt="2" px="3" py="2" borderRadius="card" bg="table" whiteSpace="pre-wrap" textAlign="center" fontSize="15px" data-now>{shown}</Text>
                <Flex mt="3" gap="2" align="center" wrap="wrap">
                  <QuietButton size="xs" onClick={add}>{t("addCaptionHere")}</QuietButton>
                  {captions.length > 0 && (
                    <Flex gap="2" align="center">
                      <Box w="170px"><NumberField label={t("shiftAll")} value={by} min={-3_600} max={3_600} step={0.1} onChange={setBy} /></Box>
                      <QuietButton size="xs" onClick={() => keep(shifted(captions, Math.round(by * 1000)))}>{t("shift")}</QuietButton>
                    </Flex>
                  )}
                </Flex>
                <Text mt="3" fontSize="12.5px" color="quiet">{t("captionKeys")}</Text>
              </Box>
              <Box as="ol" ref={list} flex="1" minW="0" overflowY="auto" listStyleType="none" aria-label={t("captions")}>
                {!captions.length && <Text color="quiet">{t("noCaptionsYet")}</Text>}
                {captions.map((caption, place) => (
                  <CaptionRow
                    key={place} number={place + 1} caption={caption} current={caption.since <= now && now < caption.until}
                    hasNext={place + 1 < captions.length}
                    onChange={(part) => keep(changed(captions, place, part))} onPlay={() => play(caption)} stands={stands}
                    onSplit={(text, caret) => { keep(split(changed(captions, place, { text }), place, caret)); goTo(place + 1); }}
                    onJoin={() => keep(joined(captions, place))}
                    onRemove={() => { keep(captions.filter((_, at) => at !== place)); goTo(Math.max(place - 1, 0)); }}
                    onNext={() => goTo(place + 1)}
                  />
                ))}
              </Box>
            </Dialog.Body>
            <Dialog.Footer><MainButton onClick={onClose}>{t("captionsDone")}</MainButton></Dialog.Footer>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
