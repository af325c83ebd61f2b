/** The voices of a dialogue: a file for each line, added one by one or all at once by their names. */
import { Box, Flex, Stack, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { Play, Plus, Trash2 } from "lucide-react";
import { memo, useState, type ReactNode } from "react";
import { api, take } from "../../api/client";
import type { components } from "../../api/api";
import { download } from "../../kit/download";
import { QuietButton } from "../../kit/QuietButton";
import { sayDone, sayError } from "../../kit/toaster";
import { Tool } from "../../kit/Tool";
import { t } from "../../words/dialogue";
import { PLAYING } from "../store/media";
import { addRecording, addRecordings, keyOf, setVoices, speak } from "../script/rows";
import { attempt } from "../store/commands";
import { useCourse } from "../store/store";
import { useDialogue, type On } from "./cast/casting";
import { useFilePicker } from "../../kit/useFilePicker";

type Spoken = components["schemas"]["SpokenLine"];

/** The lines that are to be spoken, in the order of the script. */
export const VoicePanel = memo(function VoicePanel({ on }: { on: On }): ReactNode {
  const dialogue = useDialogue(on);
  const { data } = useQuery({
    queryKey: ["voices", dialogue], enabled: dialogue !== undefined, placeholderData: (before: components["schemas"]["ScriptVoices"] | undefined) => before,
    queryFn: () => {
      const { course, slides } = useCourse.getState();
      const slide = slides[on.slide];
      if (!slide) throw new Error(t("noLines"));
      return take(api.POST("/api/edits/dialogue/voices", { body: { course, slide, titles: {}, dialogue: on.dialogue } }));
    },
  });
  const lines = data?.lines ?? [];
  const voiced = lines.filter(({ voice }) => voice).length;
  const old = lines.filter((one) => one.old).length;
  return (
    <Stack gap="2" fontSize="13px">
      <Text color="quiet">{t("voicesHelp")}</Text>
      <Flex gap="2" wrap="wrap">
        <SpokenByMachine on={on} lines={lines} />
        <Several on={on} lines={lines} />
        <QuietButton size="xs" disabled={!lines.length} onClick={() => download(new Blob([`\ufeff${data?.csv ?? ""}`], { type: "text/csv" }), `${dialogue?.name ?? "dialogue"}.csv`)}>{t("linesAsCsv")}</QuietButton>
      </Flex>
      <Text fontWeight="600" role="status">{t("haveVoice", { count: lines.length, voiced })}{old > 0 && ` · ${t("changedSince", { count: old })}`}</Text>
      {lines.map((line) => <Line key={line.id} on={on} line={line} />)}
    </Stack>
  );
});

/** The place of a line in the script of the course. */
const placeOf = (on: On, { id }: Spoken): string => keyOf(on.slide, "dialogue", on.dialogue, id);

/** Machine voices for the lines that have none, and for those whose words were changed since a machine spoke them. */
function SpokenByMachine({ on, lines }: { on: On; lines: readonly Spoken[] }): ReactNode {
  const [busy, setBusy] = useState(false);
  const needed = lines.filter((line) => !line.voice || (line.old && line.by_machine));
  const run = async (): Promise<void> => {
    setBusy(true);
    await attempt(() => speak(needed.map((line) => placeOf(on, line))));
    setBusy(false);
  };
  return <QuietButton size="xs" disabled={!needed.length} loading={busy} onClick={() => void run()}>{t("speakByMachine", { count: needed.length })}</QuietButton>;
}

/** Files for many lines at once: each goes to the line whose file is called so. */
function Several({ on, lines }: { on: On; lines: readonly Spoken[] }): ReactNode {
  const picker = useFilePicker({ accept: PLAYING, label: t("addVoices"), several: true, onFiles: (files) => void add(files) });
  const [busy, setBusy] = useState(false);
  async function add(files: readonly File[]): Promise<void> {
    setBusy(true);
    await attempt(async () => {
      const { taken, left } = await addRecordings(lines.map((line) => ({ key: placeOf(on, line), words: line.words, file: line.file })), files);
      sayDone(t("filesTaken", { count: taken }) + (left.length ? ` ${t("filesLeft", { names: left.join(", ") })}` : ""));
    });
    setBusy(false);
  }
  return (
    <>
      {picker.input}
      <QuietButton size="xs" loading={busy} disabled={!lines.length} onClick={picker.open}>{t("addVoices")}</QuietButton>
    </>
  );
}

function Line({ on, line }: { on: On; line: Spoken }): ReactNode {
  const entry = useCourse((state) => state.media[line.voice ?? ""]);
  const label = `${line.speaker}: ${line.words}`;
  const picker = useFilePicker({ accept: PLAYING, label: t("voiceFor", { line: label }), onFiles: ([file]) => add(file) });
  const add = (file: File): void => void attempt(() => addRecording({ key: placeOf(on, line), words: line.words }, file));
  return (
    <Flex gap="2" align="center" borderTopWidth="1px" pt="1.5" data-voice-line={line.file}>
      <Box flex="1" minW="0">
        <Text truncate title={line.words}><Text as="span" fontWeight="600">{line.speaker}</Text> {line.words}</Text>
        <Text color={line.old ? "marigold.ink" : "quiet"} fontSize="12px">{line.file}{line.old && ` · ${t("wordsChanged")}`}</Text>
      </Box>
      {entry && <Tool label={t("hearLine", { line: label })} onClick={() => { void new Audio(entry.src).play().catch(sayError); }}><Play size={14} /></Tool>}
      {picker.input}
      <Tool label={t("voiceFor", { line: label })} onClick={picker.open}><Plus size={14} /></Tool>
      {line.voice && <Tool label={t("removeVoice", { line: label })} onClick={() => void setVoices([{ key: placeOf(on, line), words: line.words, file: null }])}><Trash2 size={14} /></Tool>}
    </Flex>
  );
}
