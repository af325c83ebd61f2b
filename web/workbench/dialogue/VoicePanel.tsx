/** The voices of a dialogue: a file for each line, added one by one or all at once by their names. */
import { Box, Flex, Stack, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { Play, Plus, Trash2 } from "lucide-react";
import { memo, useState, type ReactNode } from "react";
import { api, take } from "../../api/client";
import { ended } from "../../api/jobs";
import type { components } from "../../api/api";
import type { Dialogue, MediaFile } from "../../api/types";
import { download } from "../../kit/download";
import { QuietButton } from "../../kit/QuietButton";
import { sayDone, sayError } from "../../kit/toaster";
import { Tool } from "../../kit/Tool";
import { t } from "../../words/dialogue";
import { keepFiles, kindOf, knownFile, PLAYING, sendFile } from "../store/media";
import { attempt } from "../store/commands";
import { saveAll } from "../store/saver";
import { useCourse } from "../store/store";
import { changeDialogue, useDialogue, type On } from "./cast/casting";
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

/** Give lines of a dialogue their voices, or take them away. What a machine spoke is told apart: it may be spoken again. */
function setVoices(on: On, voices: ReadonlyMap<string, MediaFile | null>, by_machine = false): void {
  keepFiles([...voices.values()].flatMap((file) => file ?? []));
  changeDialogue(on, t("voice"), ({ beats }) => ({
    beats: beats.map((beat): Dialogue["beats"][number] => ({
      ...beat, lines: beat.lines.map((line) => {
        const file = voices.get(line.id);
        return line.kind !== "said" || file === undefined ? line : { ...line, voice: file?.id ?? null, voiced: file ? line.text : "", by_machine: file !== null && by_machine };
      }),
    })),
  }));
}

async function sentSound(file: File): Promise<MediaFile> {
  const sent = await sendFile(file, () => {});
  if (kindOf(sent) !== "audio") throw new Error(t("noSound", { name: file.name }));
  return sent;
}

/** Machine voices for the lines that have none, and for those whose words were changed since a machine spoke them. */
function SpokenByMachine({ on, lines }: { on: On; lines: readonly Spoken[] }): ReactNode {
  const [share, setShare] = useState<number | null>(null);
  const needed = lines.filter((line) => !line.voice || (line.old && line.by_machine)).length;
  const speak = (): Promise<void> => attempt(async () => {
    setShare(0);
    try {
      await saveAll();
      const params = { path: { slug: useCourse.getState().slug } };
      const { result } = await ended(await take(api.POST("/api/edits/dialogue/speak/{slug}", { params, body: on })), (now) => setShare(now.share));
      const spoken = result?.voices ?? [];
      // Words that were changed meanwhile are spoken with the next press.
      const said = new Map(useCourse.getState().slides[on.slide]?.dialogues.find(({ id }) => id === on.dialogue)?.beats.flatMap((beat) => beat.lines)
        .flatMap((line) => (line.kind === "said" ? [[line.id, line.text] as const] : [])));
      const fitting = spoken.filter(({ line, words }) => said.get(line) === words);
      if (fitting.length) setVoices(on, new Map(fitting.map(({ line, media }) => [line, knownFile(media)])), true);
      sayDone(t("linesSpoken", { count: fitting.length }));
    } finally {
      setShare(null);
    }
  });
  return <QuietButton size="xs" disabled={!needed || share !== null} onClick={() => void speak()}>{share === null ? t("speakByMachine", { count: needed }) : t("speaking", { percent: Math.round(share * 100) })}</QuietButton>;
}

/** Files for many lines at once: each goes to the line whose file is called so. */
function Several({ on, lines }: { on: On; lines: readonly Spoken[] }): ReactNode {
  const picker = useFilePicker({ accept: PLAYING, label: t("addVoices"), several: true, onFiles: (files) => void add(files) });
  const [busy, setBusy] = useState(false);
  async function add(files: readonly File[]): Promise<void> {
    const byName = new Map(lines.map((line) => [line.file, line.id]));
    const lineOf = (file: File): string | undefined => byName.get(file.name.replace(/\.\w+$/, "").toLowerCase());
    const fits = files.filter((file) => lineOf(file));
    const rest = files.filter((file) => !lineOf(file)).map(({ name }) => name);
    setBusy(true);
    try {
      const sent = await Promise.all(fits.map(async (file) => [lineOf(file) ?? "", await sentSound(file)] as const));
      if (sent.length) setVoices(on, new Map(sent));
      sayDone(t("filesTaken", { count: sent.length }) + (rest.length ? ` ${t("filesLeft", { names: rest.join(", ") })}` : ""));
    } catch (error) {
      sayError(error);
    } finally {
      setBusy(false);
    }
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
  const add = (file: File): void => { sentSound(file).then((sent) => setVoices(on, new Map([[line.id, sent]]))).catch(sayError); };
  return (
    <Flex gap="2" align="center" borderTopWidth="1px" pt="1.5" data-voice-line={line.file}>
      <Box flex="1" minW="0">
        <Text truncate title={line.words}><Text as="span" fontWeight="600">{line.speaker}</Text> {line.words}</Text>
        <Text color={line.old ? "marigold.ink" : "quiet"} fontSize="12px">{line.file}{line.old && ` · ${t("wordsChanged")}`}</Text>
      </Box>
      {entry && <Tool label={t("hearLine", { line: label })} onClick={() => { void new Audio(entry.src).play().catch(sayError); }}><Play size={14} /></Tool>}
      {picker.input}
      <Tool label={t("voiceFor", { line: label })} onClick={picker.open}><Plus size={14} /></Tool>
      {line.voice && <Tool label={t("removeVoice", { line: label })} onClick={() => setVoices(on, new Map([[line.id, null]]))}><Trash2 size={14} /></Tool>}
    </Flex>
  );
}
