import { Box, Flex, Image, Text } from "@chakra-ui/react";
import { type ReactNode } from "react";
import type { Dialogue } from "../../../api/types";
import { Choose } from "../../../kit/Choose";
import { QuietButton } from "../../../kit/QuietButton";
import { sayError } from "../../../kit/toaster";
import { t } from "../../../words/dialogue";
import { PICTURES, PLAYING, sendFile, takeFrom } from "../../store/media";
import { useCourse } from "../../store/store";
import { setScenery, suggested, type Drawing, type On } from "./casting";
import { useFilePicker } from "../../../kit/useFilePicker";

interface Props { on: On; dialogue: Dialogue; kind: "backdrop" | "sound"; words: string; drawings: readonly Drawing[] }

/** What a direction of the script shows or plays. */
export function SceneryRow({ on, dialogue, kind, words, drawings }: Props): ReactNode {
  const media = dialogue.scenery.find((one) => one.kind === kind && one.words.toLowerCase() === words.toLowerCase())?.media ?? "";
  const name = useCourse((state) => state.course.media.find(({ id }) => id === media)?.name) ?? "";
  return (
    <Flex gap="2" align="center" w="100%" data-scenery={words}>
      {kind === "backdrop" && <Small media={media} />}
      <Box flex="1" minW="0">
        <Text truncate title={words}><Text as="span" color="quiet">{kind === "backdrop" ? t("backdrop") : t("sound")}: </Text>{words}</Text>
        <Flex gap="1.5" align="center">
          {kind === "backdrop" ? <Drawn {...{ on, words, drawings, name }} /> : <Text flex="1" color="quiet" truncate>{name || t("nothing")}</Text>}
          <OwnFile on={on} kind={kind} words={words} />
        </Flex>
      </Box>
    </Flex>
  );
}

function Small({ media }: { media: string }): ReactNode {
  const entry = useCourse((state) => state.media[media]);
  return (
    <Box w="64px" h="36px" flex="none" borderRadius="4px" overflow="hidden" bg="table">
      {entry && <Image src={entry.preview ?? entry.src} alt="" w="64px" h="36px" objectFit="cover" />}
    </Box>
  );
}

/** One of the shipped backdrops; the one that is meant by the words is offered. */
function Drawn({ on, words, drawings, name }: { on: On; words: string; drawings: readonly Drawing[]; name: string }): ReactNode {
  const backdrops = drawings.filter(({ group }) => group === "backdrops");
  const shown = backdrops.find((one) => one.name === name)?.key ?? "";
  const fits = name ? undefined : suggested(words, backdrops);
  const draw = (key: string): void => {
    if (!key) setScenery(on, "backdrop", words, null);
    else takeFrom({ drawing: key }).then((file) => setScenery(on, "backdrop", words, file)).catch(sayError);
  };
  const none = shown ? t("nothing") : name || t("nothing");
  return (
    <>
      <Box flex="1" minW="0"><Choose bare label={t("backdropFor", { words })} value={shown} options={[["", none], ...backdrops.map(({ key, name: title }) => [key, title] as const)]} onChange={draw} /></Box>
      {fits && <QuietButton size="2xs" px="2" onClick={() => draw(fits.key)}>{t("useIt", { name: fits.name })}</QuietButton>}
    </>
  );
}

function OwnFile({ on, kind, words }: { on: On; kind: "backdrop" | "sound"; words: string }): ReactNode {
  const label = t("fileFor", { words });
  const { input, open } = useFilePicker({
    accept: kind === "backdrop" ? PICTURES : PLAYING, label,
    onFiles: ([file]) => void sendFile(file, () => {}).then((sent) => setScenery(on, kind, words, sent)).catch(sayError),
  });
  return <>{input}<QuietButton size="2xs" px="2" aria-label={label} onClick={open}>{t("addFile")}</QuietButton></>;
}
