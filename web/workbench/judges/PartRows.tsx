import { Box, Flex, Input } from "@chakra-ui/react";
import { Ellipsis, MessageSquareText, Plus, Unlink, X } from "lucide-react";
import { useEffect, useRef, useState, type ClipboardEvent, type KeyboardEvent, type ReactNode } from "react";
import type { Element, Question, Slide } from "../../api/types";
import { says } from "../editor/order/rowText";
import { useCourse } from "../store/store";
import { QuietButton } from "../../kit/QuietButton";
import { Tool } from "../../kit/Tool";
import { changeRole } from "./making";
import { addParts, mostParts, partsIn, partWords, pasteParts, removePart, say, type PartList } from "./parts";
import { t } from "../../words/judges";

type PartOf = { id: string; element: string };

interface Shown {
  /** What one of them is called: answer, item, target. */
  word: string;
  /** What stands before the words of a part, and in short after them. */
  before?: (part: PartOf, words: string) => ReactNode;
  note?: (part: PartOf, words: string) => ReactNode;
  /** What a part shows when its row is opened, further tools first; and whether some of it is set. */
  more?: (part: PartOf, words: string) => ReactNode;
  tools?: (part: PartOf) => ReactNode;
  isSet?: (part: PartOf) => boolean;
}

interface Props extends Shown {
  slide: Slide;
  question: Question;
  list: PartList;
}

/** The parts of a question as a list to type into: Enter for the next, a pasted list for many. */
export function PartRows({ slide, question, list, ...show }: Props): ReactNode {
  const { word } = show;
  const parts = partsIn(question, list);
  const most = mostParts(question.kind, list);
  const box = useRef<HTMLDivElement>(null);
  const wanted = useRef<number | null>(null);
  const selected = useCourse((state) => state.selection.selected);
  const [opened, open] = useState<readonly string[]>([]);
  const byId = new Map(slide.elements.map((element) => [element.id, element]));
  useEffect(() => {
    if (wanted.current === null) return;
    box.current?.querySelectorAll<HTMLInputElement>("[data-words]")[wanted.current]?.select();
    wanted.current = null;
  }, [parts.length]);

  function add(words: string[], at: number): void {
    const room = words.slice(0, most - parts.length);
    if (!room.length) return;
    wanted.current = at;
    void addParts(question, list, room);
  }
  function onKeyDown(event: KeyboardEvent, index: number): void {
    if (event.key !== "Enter") return;
    event.preventDefault();
    (event.currentTarget as HTMLElement).blur();
    if (index < parts.length - 1) box.current?.querySelectorAll<HTMLInputElement>("[data-words]")[index + 1]?.select();
    else add([t("addWord", { word })], parts.length);
  }
  function onPaste(event: ClipboardEvent, index: number): void {
    const rows = event.clipboardData.getData("text/plain").split(/\r?\n/).filter((line) => line.trim()).map((line) => line.split("\t"));
    if (rows.length < 2 && (rows[0]?.length ?? 0) < 2) return;
    event.preventDefault();
    void pasteParts(question, list, index, rows.slice(0, 10_000));
  }

  return (
    <Box ref={box} role="group" aria-label={`${word}s`}>
      {parts.map((part, index) => (
        <Row
          key={part.id} slide={slide} element={byId.get(part.element)} index={index} part={part} isOpen={opened.includes(part.id)} show={show}
          onToggle={() => open(opened.includes(part.id) ? opened.filter((id) => id !== part.id) : [...opened, part.id])}
          onKeyDown={onKeyDown} onPaste={onPaste} onTakeOut={() => void changeRole(question, "take_out", part.element)}
          onRemove={() => void removePart(part.element, selected)}
        />
      ))}
      {parts.length > 0 && parts.length < most && (
        <QuietButton size="xs" mt="1" onClick={() => add([t("addWord", { word })], parts.length)}><Plus size={14} />{t("addWord", { word })}</QuietButton>
      )}
    </Box>
  );
}

interface RowProps {
  slide: Slide;
  element: Element | undefined;
  index: number;
  part: PartOf;
  isOpen: boolean;
  show: Shown;
  onToggle: () => void;
  onKeyDown: (event: KeyboardEvent, index: number) => void;
  onPaste: (event: ClipboardEvent, index: number) => void;
  onTakeOut: () => void;
  onRemove: () => void;
}

/** A part in one line; what else there is to set, once it is opened. */
function Row({ slide, element, index, part, isOpen, show, onToggle, onKeyDown, onPaste, onTakeOut, onRemove }: RowProps): ReactNode {
  const { word, before, note, more, tools, isSet } = show;
  const words = element ? ownWords(slide, part, element) : "";
  const called = words || element?.name || "";
  const set = isSet?.(part) ?? false;
  const details = useRef<HTMLDivElement>(null);
  // Whoever opens a row wants to write in it.
  useEffect(() => { if (isOpen) (details.current?.querySelector<HTMLElement>("[data-feedback]") ?? details.current?.querySelector("input"))?.focus(); }, [isOpen]);
  return (
    <Box py="0.5">
      <Flex align="center" gap="0.5">
        {before?.(part, called)}
        <Input
          key={words} data-words size="xs" bg="sheet" borderRadius="6px" flex="1" minW="0" defaultValue={words} maxLength={2_000}
          placeholder={element?.name} aria-label={`${word} ${index + 1}`}
          onBlur={(event) => { if (element) say(element, event.target.value); }}
          onKeyDown={(event) => onKeyDown(event, index)} onPaste={(event) => onPaste(event, index)}
        />
        {note?.(part, called)}
        <Tool label={t("moreForWordIndex", { word, index: index + 1 })} aria-expanded={isOpen} color={set ? "spruce" : "quiet"} minW="24px" onClick={onToggle}>
          {set ? <MessageSquareText size={14} /> : <Ellipsis size={14} />}
        </Tool>
        <Tool label={t("removeWordIndex", { word, index: index + 1 })} minW="24px" onClick={onRemove}><X size={14} /></Tool>
      </Flex>
      {isOpen && (
        <Flex ref={details} pl="5" py="1" gap="1" align="center" wrap="wrap">
          {more?.(part, called)}
          {tools?.(part)}
          <Tool label={t("takeWordIndexOutOf", { word, index: index + 1 })} onClick={onTakeOut}><Unlink size={14} /></Tool>
        </Flex>
      )}
    </Box>
  );
}

/** The words of a part; none where only its name stands for them. */
function ownWords(slide: Slide, part: { id: string; element: string }, element: Element): string {
  const text = partWords(slide, part);
  return text === element.name && !says(element) ? "" : text;
}
