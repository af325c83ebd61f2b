/** Which pieces of a video or audio are played, and how its sound begins and ends. */
import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { X } from "lucide-react";
import { useRef, useState, type ReactNode } from "react";
import type { AudioElement, Element, MediaFile, Piece, VideoElement } from "../../../api/types";
import { NumberField } from "../../../kit/NumberField";
import { Pair } from "../../../kit/Pair";
import { QuietButton } from "../../../kit/QuietButton";
import { Tool } from "../../../kit/Tool";
import { lengthOf, playedOf } from "../../../player/engine/pieces";
import { t } from "../../../words/editor";
import { changeElements } from "../../store/store";
import { beginAt, endAt, hasSilence, kept, splitAt, without } from "./cut";
import { FilePlayer, placeOf } from "./FilePlayer";
import { clock } from "./times";
import { useLevels, Wave } from "./Wave";

interface Props {
  element: VideoElement | AudioElement;
  file: MediaFile;
  change: (label: string, part: Partial<VideoElement>) => void;
}

/** The file itself stays as it is: all of it can be taken back. */
export function CutField({ element, file, change }: Props): ReactNode {
  const player = useRef<HTMLVideoElement & HTMLAudioElement>(null);
  const { duration } = file;
  const pieces = playedOf(element.pieces, duration);
  const now = (): number => placeOf(player.current);
  // Each cut is a step of its own, to be undone alone.
  const cut = (to: Piece[]): void => changeElements(t("cut"), [element.id], (one) => ({ ...one, pieces: kept(to, duration) }) as Element);
  const show = (ms: number): void => { if (player.current) player.current.currentTime = ms / 1000; };
  const levels = useLevels(file.id);
  const [at, tell] = useState(0);
  return (
    <Box my="1.5" data-cut>
      <FilePlayer ref={player} file={file} onTime={() => tell(now())} />
      {levels && <Box mt="1.5"><Wave levels={levels} pieces={pieces} duration={duration} now={at} onSeek={(ms) => show(ms)} /></Box>}
      <Flex gap="1.5" mt="1.5" wrap="wrap">
        <QuietButton size="2xs" px="2" onClick={() => cut(beginAt(pieces, now()))}>{t("beginHere")}</QuietButton>
        <QuietButton size="2xs" px="2" onClick={() => cut(endAt(pieces, now()))}>{t("endHere")}</QuietButton>
        <QuietButton size="2xs" px="2" onClick={() => cut(splitAt(pieces, now()))}>{t("splitHere")}</QuietButton>
        {levels && hasSilence(levels, pieces) && <QuietButton size="2xs" px="2" onClick={() => cut(endAt(beginAt(pieces, levels.since), levels.until))}>{t("leaveOutSilence")}</QuietButton>}
      </Flex>
      <Flex as="ol" direction="column" mt="2" gap="0.5" aria-label={t("whatIsPlayed")} listStyleType="none">
        {pieces.map((piece, place) => (
          <Flex as="li" key={piece.since} align="center" gap="2" fontSize="13px">
            <chakra.button type="button" flex="1" textAlign="start" px="2" py="0.5" borderRadius="6px" cursor="pointer" fontVariantNumeric="tabular-nums" _hover={{ bg: "spruce.soft" }} onClick={() => show(piece.since)}>
              {t("fromUntil", { from: clock(piece.since), until: clock(piece.until) })}
            </chakra.button>
            {pieces.length > 1 && <Tool label={t("leaveOutPiece", { from: clock(piece.since), until: clock(piece.until) })} onClick={() => cut(without(pieces, place))}><X size={14} /></Tool>}
          </Flex>
        ))}
      </Flex>
      <Flex align="center" gap="2" my="1" minH="26px">
        <Text fontSize="12px" color="quiet" flex="1" role="status">{t("plays", { played: clock(lengthOf(pieces)), all: clock(duration) })}</Text>
        {element.pieces.length > 0 && <QuietButton size="2xs" px="2" onClick={() => cut([{ since: 0, until: duration }])}>{t("playAllOfIt")}</QuietButton>}
      </Flex>
      <Pair>
        <NumberField label={t("fadeIn")} value={element.fade_in / 1000} min={0} max={60} step={0.1} help={t("helpFade")} onChange={(s) => change(t("fadeIn"), { fade_in: Math.round(s * 1000) })} />
        <NumberField label={t("fadeOut")} value={element.fade_out / 1000} min={0} max={60} step={0.1} help={t("helpFade")} onChange={(s) => change(t("fadeOut"), { fade_out: Math.round(s * 1000) })} />
      </Pair>
    </Box>
  );
}
