import { Box, Flex, Input } from "@chakra-ui/react";
import { Plus, Unlink, X } from "lucide-react";
import { useEffect, useRef, type ClipboardEvent, type KeyboardEvent, type ReactNode } from "react";
import type { Element, Question, Slide } from "../../api/types";
import { says } from "../editor/order/rowText";
import { useCourse } from "../store/store";
import { QuietButton } from "../../kit/QuietButton";
import { Tool } from "../../kit/Tool";
import { changeRole } from "./making";
import { addParts, mostParts, partsIn, partWords, pasteParts, removePart, say, type PartList } from "./parts";

interface Props {
  slide: Slide;
  question: Question;
  list: PartList;
  /** What one of them is called: answer, item, target. */
  word: string;
  /** What stands before and after the words of a part. */
  before?: (part: { id: string; element: string }, words: string) => ReactNode;
  after?: (part: { id: string; element: string }, words: string) => ReactNode;
  /** Further tools beside the words of a part. */
  tools?: (part: { id: string; element: string }) => ReactNode;
}

/** The parts of a question as a list to type into: Enter for the next, a pasted list for many. */
export function PartRows({ slide, question, list, word, before, after, tools }: Props): ReactNode {
  const parts = partsIn(question, list);
  const most = mostParts(question.kind, list);
  const box = useRef<HTMLDivElement>(null);
  const wanted = useRef<number | null>(null);
  const selected = useCourse((state) => state.selection.selected);
  const byId = new Map(slide.elements.map((element) => [element.id, element]));
  useEffect(() => {
    if (wanted.current === null) return;
    box.current?.querySelectorAll<HTMLInputElement>("[data-words]")[wanted.current]?.select();
    wanted.current = null;
  }, [parts.length]);

  function more(words: string[], at: number): void {
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
    else more([`Another ${word}`], parts.length);
  }
  function onPaste(event: ClipboardEvent, index: number): void {
    const rows = event.clipboardData.getData("text/plain").split(/\r?\n/).filter((line) => line.trim()).map((line) => line.split("\t"));
    if (rows.length < 2 && (rows[0]?.length ?? 0) < 2) return;
    event.preventDefault();
    void pasteParts(question, list, index, rows.slice(0, 10_000));
  }

  return (
    <Box ref={box} role="group" aria-label={`${word}s`}>
      {parts.map((part, index) => {
        const element = byId.get(part.element);
        const words = element ? ownWords(slide, part, element) : "";
        return (
          <Box key={part.id} py="0.5">
            <Flex align="center" gap="0.5">
              {before?.(part, words || element?.name || "")}
              <Input
                key={words} data-words size="xs" bg="sheet" borderRadius="6px" flex="1" minW="0" defaultValue={words} maxLength={2_000}
                placeholder={element?.name} aria-label={`${word} ${index + 1}`}
                onBlur={(event) => { if (element) say(element, event.target.value); }}
                onKeyDown={(event) => onKeyDown(event, index)} onPaste={(event) => onPaste(event, index)}
              />
              {tools?.(part)}
              <Tool label={`Take ${word} ${index + 1} out, but keep it on the slide`} onClick={() => void changeRole(question, "take_out", part.element)}><Unlink size={14} /></Tool>
              <Tool label={`Remove ${word} ${index + 1}`} onClick={() => void removePart(part.element, selected)}><X size={14} /></Tool>
            </Flex>
            {after?.(part, words || element?.name || "")}
          </Box>
        );
      })}
      {parts.length > 0 && parts.length < most && (
        <QuietButton size="xs" mt="1" onClick={() => more([`Another ${word}`], parts.length)}><Plus size={14} /> Another {word}</QuietButton>
      )}
    </Box>
  );
}

/** The words of a part; none where only its name stands for them. */
function ownWords(slide: Slide, part: { id: string; element: string }, element: Element): string {
  const text = partWords(slide, part);
  return text === element.name && !says(element) ? "" : text;
}
