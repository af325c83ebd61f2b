/** Who speaks, and where: pictures for the moods of everybody, places on the stage, backdrops and sounds. */
import { Box, Flex, Heading, Stack, Text } from "@chakra-ui/react";
import { memo, type ReactNode } from "react";
import type { components } from "../../../api/api";
import { t } from "../../../words/dialogue";
import { useDialogue, useDrawings, type On } from "./casting";
import { SceneryRow } from "./SceneryRow";
import { SpeakerCard } from "./SpeakerCard";

type Read = components["schemas"]["ScriptRead"];

/** The cast of a dialogue; it follows from the script who is in it. */
export const CastPanel = memo(function CastPanel({ on, read }: { on: On; read: Read | undefined }): ReactNode {
  const dialogue = useDialogue(on);
  const drawings = useDrawings();
  if (!dialogue) return null;
  const directions = named(read);
  return (
    <Stack gap="3" fontSize="13px">
      {!dialogue.speakers.length && <Text color="quiet">{t("nobodySpeaks")}</Text>}
      {dialogue.speakers.map((speaker) => (
        <SpeakerCard key={speaker.id} on={on} speaker={speaker} drawings={drawings} written={moodsOf(read, speaker.name)} />
      ))}
      <Box as="section" aria-label={t("scenery")}>
        <Heading as="h3" fontSize="14px" pb="1">{t("scenery")}</Heading>
        {!directions.length && <Text color="quiet">{t("noScenery")}</Text>}
        {directions.map(({ kind, words }) => (
          <Flex key={`${kind} ${words}`} py="1" borderTopWidth="1px"><SceneryRow on={on} dialogue={dialogue} kind={kind} words={words} drawings={drawings} /></Flex>
        ))}
      </Box>
    </Stack>
  );
});

/** The moods in which somebody speaks, in the order in which they come. */
function moodsOf(read: Read | undefined, name: string): string[] {
  const found = (read?.lines ?? []).filter(({ kind, speaker, mood }) => kind === "line" && mood && speaker.toLowerCase() === name.toLowerCase());
  return [...new Set(found.map(({ mood }) => mood.toLowerCase()))];
}

/** The backdrops and sounds that directions name, each once. */
function named(read: Read | undefined): { kind: "backdrop" | "sound"; words: string }[] {
  const found = new Map<string, { kind: "backdrop" | "sound"; words: string }>();
  for (const { kind, words } of read?.lines ?? []) {
    if ((kind === "backdrop" || kind === "sound") && words) found.set(`${kind} ${words.toLowerCase()}`, { kind, words });
  }
  return [...found.values()];
}
