/** One line of the script: where it is said, by whom, its words, how it sounds, its captions. */
import { Box, Flex, Table, Text, Textarea, chakra } from "@chakra-ui/react";
import { Circle, Mic, Pause, Play, Plus, Trash2 } from "lucide-react";
import { memo, useEffect, useRef, useState, type KeyboardEvent, type ReactNode } from "react";
import { useNavigate } from "react-router";
import { QuietButton } from "../../kit/QuietButton";
import { Tool } from "../../kit/Tool";
import { useFilePicker } from "../../kit/useFilePicker";
import { t } from "../../words/script";
import { attempt } from "../store/commands";
import { PLAYING } from "../store/media";
import { goToSlide, useCourse } from "../store/store";
import { RecordBar } from "./RecordBar";
import { addRecording, minutes, partOf, sayWords, setVoices, speak, type ScriptRow } from "./rows";

interface Props {
  row: ScriptRow;
  /** Whether it is the line that keys work on. */
  current: boolean;
  editing: boolean;
  heard: boolean;
  recording: boolean;
  onChoose: (key: string) => void;
  onEdit: (key: string | null) => void;
  onHear: (key: string, voice: string) => void;
  onRecord: (key: string | null) => void;
}

const MARKS = {
  missing: { bg: "brick.soft", color: "brick" }, changed: { bg: "marigold.soft", color: "marigold.ink" },
  machine: { bg: "sky.soft", color: "sky.ink" }, recorded: { bg: "spruce.soft", color: "spruce" },
} as const;

/** A line of the table. */
export const ScriptLine = memo(function ScriptLine(props: Props): ReactNode {
  const { row, current, editing, recording, onChoose, onEdit, onRecord } = props;
  const line = useRef<HTMLTableRowElement>(null);
  useEffect(() => { if (current && !editing) line.current?.focus({ preventScroll: false }); }, [current, editing]);
  const where = `${row.number} ${row.title}, ${partOf(row)}`;
  return (
    <>
      <Table.Row
        ref={line} tabIndex={current ? 0 : -1} bg={row.state === "changed" ? "marigold.soft" : "sheet"} aria-selected={current} data-script-row={row.key} data-state={row.state}
        verticalAlign="top" _focusVisible={{ outline: "2px solid", outlineColor: "sky", outlineOffset: "-2px" }} onFocus={() => onChoose(row.key)}
      >
        <Table.Cell py="2" px="3"><Where row={row} current={current} /></Table.Cell>
        <Table.Cell py="2" px="3">{row.speaker || (row.part === "feedback" ? "" : t("narrator"))}</Table.Cell>
        <Table.Cell py="2" px="3" onClick={() => { if (row.plain) onEdit(row.key); }} cursor={row.plain ? "text" : "default"}>
          {editing ? <WordsField row={row} label={t("wordsOf", { where })} onDone={() => onEdit(null)} />
            : <Text whiteSpace="pre-wrap" color={row.words ? "ink" : "quiet"} title={row.plain ? undefined : t("notPlain")}>{row.words || t("typeWhatIsSaid")}</Text>}
        </Table.Cell>
        <Table.Cell py="2" px="3"><Voice {...props} where={where} /></Table.Cell>
        <Table.Cell py="2" px="3" fontSize="12.5px" color="quiet"><CaptionsOf row={row} /></Table.Cell>
      </Table.Row>
      {recording && <Table.Row><Table.Cell colSpan={5} p="0"><RecordBar row={row} onClose={() => onRecord(null)} /></Table.Cell></Table.Row>}
    </>
  );
});

function Where({ row, current }: { row: ScriptRow; current: boolean }): ReactNode {
  const slug = useCourse((state) => state.slug);
  const navigate = useNavigate();
  return (
    <>
      <chakra.button
        type="button" tabIndex={current ? 0 : -1} fontWeight="700" textAlign="left" cursor="pointer" _hover={{ textDecoration: "underline" }} title={t("toSlide", { number: row.number })}
        onClick={() => { goToSlide(row.slide); void navigate(`/courses/${slug}/build`); }}
      >
        {row.number} {row.title}
      </chakra.button>
      <Text color="quiet" fontSize="12.5px">{partOf(row)}</Text>
    </>
  );
}

/** The words as they are typed; kept when one leaves them, or goes on to the next line. */
function WordsField({ row, label, onDone }: { row: ScriptRow; label: string; onDone: () => void }): ReactNode {
  const [words, setWords] = useState(row.words);
  const field = useRef<HTMLTextAreaElement>(null);
  const left = useRef(false);
  useEffect(() => {
    const box = field.current;
    box?.focus();
    box?.setSelectionRange(box.value.length, box.value.length);
  }, []);
  function keep(): void {
    if (left.current) return;
    left.current = true;
    if (words.trim() !== row.words.trim()) void sayWords(row, words.trim());
    onDone();
  }
  function onKeyDown(event: KeyboardEvent): void {
    event.stopPropagation();
    if (event.key === "Escape") {
      left.current = true;
      onDone();
    } else if (event.key === "Enter" && !event.shiftKey) {
      event.preventDefault();
      keep();
    }
  }
  return (
    <Textarea
      ref={field} value={words} aria-label={label} maxLength={20_000} autoresize bg="paper" borderRadius="6px" size="sm" px="2" py="1" minH="0" rows={1} placeholder={t("typeWhatIsSaid")}
      onChange={(event) => setWords(event.target.value)} onBlur={keep} onKeyDown={onKeyDown} onClick={(event) => event.stopPropagation()}
    />
  );
}

function Voice({ row, current, heard, recording, onHear, onRecord, where }: Props & { where: string }): ReactNode {
  const picker = useFilePicker({ accept: PLAYING, label: t("addFile", { where }), onFiles: ([file]) => void attempt(() => addRecording(row, file)) });
  const { state, voice } = row;
  // With Tab one comes to what can be done with the current line, and on to the next thing of the page.
  const tab = current ? 0 : -1;
  if (!row.words) return null;
  return (
    <Flex gap="1.5" align="center" wrap="wrap">
      {voice && <Tool label={t(heard ? "pause" : "hear", { where })} tabIndex={tab} onClick={() => onHear(row.key, voice)}>{heard ? <Pause size={14} /> : <Play size={14} />}</Tool>}
      {voice && <Text fontVariantNumeric="tabular-nums" title={row.loudness == null ? undefined : t("loudness", { lufs: row.loudness.toFixed(1) })}>{minutes(row.length)}</Text>}
      {state !== "silent" && <Text as="span" fontSize="12.5px" fontWeight="600" px="2" borderRadius="full" whiteSpace="nowrap" {...MARKS[state]}>{t(`state_${state}`)}</Text>}
      <Box flex="1" />
      {state !== "machine" && state !== "recorded" && (
        <QuietButton size="xs" h="26px" px="2" tabIndex={tab} aria-label={t("speakRow", { where })} onClick={() => void attempt(() => speak([row.key]))}><Mic size={13} aria-hidden />{t(state === "changed" ? "speakAgain" : "speak")}</QuietButton>
      )}
      <Tool label={t("recordRow", { where })} aria-expanded={recording} tabIndex={tab} onClick={() => onRecord(recording ? null : row.key)}><Circle size={13} fill="var(--chakra-colors-brick)" color="var(--chakra-colors-brick)" /></Tool>
      {picker.input}
      <Tool label={t("addFile", { where })} tabIndex={tab} onClick={picker.open}><Plus size={14} /></Tool>
      {voice && <Tool label={t("removeVoice", { where })} tabIndex={tab} onClick={() => void setVoices([{ key: row.key, words: row.words, file: null }])}><Trash2 size={14} /></Tool>}
    </Flex>
  );
}

function CaptionsOf({ row: { voice, captions, too_fast: fast } }: { row: ScriptRow }): ReactNode {
  if (!voice) return "–";
  if (!captions) return <Text color="brick">{t("noCaptions")}</Text>;
  return (
    <>
      {t("someCaptions", { count: captions })}
      {fast > 0 && <Text color="brick" fontWeight="600">{t("tooFast", { count: fast })}</Text>}
    </>
  );
}
