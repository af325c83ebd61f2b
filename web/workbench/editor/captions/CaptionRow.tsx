/** One caption: when it begins and ends, and its words. */
import { Flex, Input, Text, Textarea } from "@chakra-ui/react";
import { ArrowLeftToLine, ArrowRightToLine, Play, Scissors, TableCellsMerge, Trash2 } from "lucide-react";
import { useRef, useState, type KeyboardEvent, type ReactNode } from "react";
import { READING } from "../../../api/tables";
import type { Caption } from "../../../api/types";
import { Tool } from "../../../kit/Tool";
import { t } from "../../../words/editor";
import { clock, timeIn } from "../fields/times";
import { hard, LONGEST_TEXT } from "./changing";

interface Props {
  number: number;
  caption: Caption;
  /** Whether it is shown where the film stands. */
  current: boolean;
  hasNext: boolean;
  stands: () => number;
  onChange: (part: Partial<Caption>) => void;
  onPlay: () => void;
  onSplit: (text: string, caret: number) => void;
  onJoin: () => void;
  onRemove: () => void;
  onNext: () => void;
}

const WHY = { fast: t("captionFast"), long: t("captionLong", { line: READING.line }), lines: t("captionLines", { lines: READING.lines }) };

/** Its words are kept when it is left; its tools go by where the film stands. */
export function CaptionRow({ number, caption, current, hasNext, stands, onChange, onPlay, onSplit, onJoin, onRemove, onNext }: Props): ReactNode {
  /** What is typed and not kept yet. */
  const [draft, setDraft] = useState<string | null>(null);
  const text = draft ?? caption.text;
  const field = useRef<HTMLTextAreaElement>(null);
  const why = hard({ ...caption, text });

  function keep(): void {
    const words = text.trim();
    if (words && words !== caption.text) onChange({ text: words });
    setDraft(null);
  }
  function cut(): void {
    setDraft(null);
    onSplit(text, field.current?.selectionStart ?? 0);
  }
  function onKeyDown(event: KeyboardEvent<HTMLTextAreaElement>): void {
    if (event.key !== "Enter" || event.shiftKey) return;
    event.preventDefault();
    if (event.ctrlKey) cut();
    else {
      keep();
      onNext();
    }
  }
  return (
    <Flex as="li" gap="2" py="2" px="2" borderRadius="card" bg={current ? "marigold.soft" : undefined} borderBottomWidth="1px" data-caption css={{ contentVisibility: "auto", containIntrinsicSize: "auto 96px" }}>
      <Flex direction="column" gap="1" w="92px" flex="none">
        <Time label={t("beginOfCaption", { number })} value={caption.since} onChange={(since) => onChange({ since })} />
        <Time label={t("endOfCaption", { number })} value={caption.until} onChange={(until) => onChange({ until })} />
      </Flex>
      <Flex direction="column" flex="1" minW="0" gap="1">
        <Textarea
          ref={field} size="sm" bg="paper" rows={2} maxLength={LONGEST_TEXT} value={text} aria-label={t("captionNumber", { number })} aria-describedby={why ? `hard-${number}` : undefined}
          onChange={(event) => setDraft(event.target.value)} onBlur={keep} onKeyDown={onKeyDown}
        />
        <Flex align="center" gap="0.5" minH="28px">
          <Tool label={t("playCaption", { number })} onClick={onPlay}><Play size={14} /></Tool>
          <Tool label={t("beginsNow")} onClick={() => onChange({ since: stands() })}><ArrowLeftToLine size={14} /></Tool>
          <Tool label={t("endsNow")} onClick={() => onChange({ until: stands() })}><ArrowRightToLine size={14} /></Tool>
          <Tool label={t("splitAtCaret")} onClick={cut}><Scissors size={14} /></Tool>
          {hasNext && <Tool label={t("joinWithNext")} onClick={onJoin}><TableCellsMerge size={14} /></Tool>}
          <Tool label={t("removeCaption", { number })} onClick={onRemove}><Trash2 size={14} /></Tool>
          {why && <Text id={`hard-${number}`} fontSize="12px" color="brick" ms="2">{WHY[why]}</Text>}
        </Flex>
      </Flex>
    </Flex>
  );
}

/** A time, typed; what is none goes back to what it was. */
function Time({ label, value, onChange }: { label: string; value: number; onChange: (ms: number) => void }): ReactNode {
  const [draft, setDraft] = useState<string | null>(null);
  function keep(): void {
    const ms = draft === null ? null : timeIn(draft);
    if (ms !== null && ms !== value) onChange(ms);
    setDraft(null);
  }
  return (
    <Input
      size="xs" bg="paper" fontVariantNumeric="tabular-nums" aria-label={label} value={draft ?? clock(value)}
      onChange={(event) => setDraft(event.target.value)} onBlur={keep} onKeyDown={(event) => { if (event.key === "Enter") keep(); }}
    />
  );
}
