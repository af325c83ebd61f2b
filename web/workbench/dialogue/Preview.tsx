/** The line that is written, as learners see it: who speaks, where, and what may be replied. */
import { Box, Heading, Text } from "@chakra-ui/react";
import { memo, useMemo, type ReactNode } from "react";
import type { components } from "../../api/api";
import type { Dialogue } from "../../api/types";
import { pictureOf, sceneOf, sceneryOf, type Scene } from "../../player/render/dialogue/scene";
import { SceneView } from "../../player/render/dialogue/SceneView";
import { themeVariables } from "../../player/render/theme";
import { t } from "../../words/dialogue";
import { useCourse } from "../store/store";

type Read = components["schemas"]["ScriptRead"];
type Line = Read["lines"][number];

interface Props { dialogue: Dialogue; read: Read | undefined; line: number }

/** What is seen at a line (from 1) of the script. */
export const Preview = memo(function Preview({ dialogue, read, line }: Props): ReactNode {
  const media = useCourse((state) => state.media);
  const theme = useCourse((state) => state.course.theme);
  const { before, said, replies } = useMemo(() => around(read?.lines ?? [], line), [read, line]);
  const scene = useMemo(() => seen(dialogue, before), [dialogue, before]);
  return (
    <Box as="section" aria-label={t("asLearnersSeeIt")}>
      <Heading as="h3" fontSize="14px" pb="1.5">{t("asLearnersSeeIt")}</Heading>
      <Box borderRadius="card" overflow="hidden" borderWidth="1px" bg="sheet" style={themeVariables(theme)} data-preview>
        {(scene.backdrop !== null || scene.people.length > 0) && <Box h="190px" display="flex" className="zz-preview-scene"><SceneView scene={scene} media={media} /></Box>}
        <Box p="3">
          {said ? (
            <>
              <Text fontWeight="700" fontSize="13px" color="spruce">{said.kind === "advice" ? t("advice") : said.speaker}{said.mood && <Text as="span" color="quiet" fontWeight="400"> ({said.mood})</Text>}</Text>
              <Text>{said.words}</Text>
            </>
          ) : <Text color="quiet">{t("nothingIsSaidHere")}</Text>}
          {replies.map(({ line: at, words }) => <Box key={at} mt="2" px="3" py="1.5" borderWidth="1px" borderRadius="card" fontSize="13.5px">{words}</Box>)}
        </Box>
      </Box>
    </Box>
  );
});

/** What stands before a line in its turn and before, what is said at it, and the replies to that. */
function around(lines: readonly Line[], line: number): { before: readonly Line[]; said: Line | undefined; replies: readonly Line[] } {
  const at = lines.findLastIndex((one) => one.line <= line && (one.kind === "line" || one.kind === "advice"));
  const first = lines.findIndex((one) => one.kind === "line" || one.kind === "advice");
  const here = at < 0 ? first : at;
  const said = lines[here];
  const rest = lines.slice(here + 1);
  const stop = rest.findIndex((one) => one.turn !== said?.turn || one.kind === "line" || one.kind === "advice");
  return { before: lines.slice(0, here + 1), said, replies: (stop < 0 ? rest : rest.slice(0, stop)).filter(({ kind }) => kind === "reply") };
}

/** The stage after these lines, as the player would show it. */
function seen(dialogue: Dialogue, lines: readonly Line[]): Scene {
  const { speakers } = dialogue;
  const place = new Map(speakers.map(({ name }, number) => [name.toLowerCase(), number]));
  const entries = lines.map(({ kind, words, speaker, mood }) => {
    const person = place.get(speaker.toLowerCase()) ?? null;
    const picture = kind === "backdrop" ? sceneryOf(dialogue, kind, words) : pictureOf(dialogue, person ?? -1, mood);
    return { kind: kind === "leads" ? "pause" as const : kind, person, picture, mood, ms: 0, later: false };
  });
  return sceneOf(dialogue, entries);
}
