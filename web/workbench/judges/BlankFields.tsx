/** A running text, and the words in it that are blanks. */
import { Box, Stack, Text, Textarea } from "@chakra-ui/react";
import { useState, type ReactNode } from "react";
import type { Blank, Block, QuestionOf, Run, Slide, TextElement } from "../../api/types";
import { Choose, TextField } from "../build/fields";
import { freshId } from "../store/ids";
import { changeSlide } from "../store/store";
import { FoldCard } from "../ui/parts";
import { AcceptsFields } from "./AcceptsFields";
import { changeQuestion } from "./parts";

interface Props { slide: Slide; question: QuestionOf<"blanks"> }

const HOW = [["typed", "typed"], ["list", "chosen from a list"], ["bank", "taken from a word bank"]] as const;

export function BlankFields({ slide, question }: Props): ReactNode {
  const element = slide.elements.find((other): other is TextElement => other.id === question.text && other.kind === "text");
  const [draft, setDraft] = useState<string | null>(null);
  const change = (id: string, part: Partial<Blank>): void => changeQuestion(question, {
    blanks: question.blanks.map((blank) => (blank.id === id ? { ...blank, ...part } : blank)),
  });
  if (!element) return <Text color="brick" fontSize="12.5px">Its text is gone.</Text>;
  return (
    <Stack gap="2">
      <label>
        <Text fontSize="12.5px" color="quiet" mb="1">The text; words in [brackets] are blanks, a / between words that are both right</Text>
        <Textarea
          size="sm" rows={4} bg="sheet" borderRadius="6px" aria-label="Text with blanks" value={draft ?? written(element, question.blanks)}
          onChange={(event) => setDraft(event.target.value)}
          onBlur={() => { if (draft !== null) keep(slide, question, element, draft); setDraft(null); }}
        />
      </label>
      {question.blanks.map((blank, place) => (
        <FoldCard key={blank.id} title={`Blank ${place + 1}: ${blank.accepts.words[0] ?? ""}`}>
          <Choose label="is" value={blank.how} options={HOW} onChange={(how) => change(blank.id, { how })} />
          <AcceptsFields accepts={blank.accepts} numbers={false} name="Accepted" onChange={(accepts) => change(blank.id, { accepts })} />
          {blank.how !== "typed" && (
            <TextField
              label="Wrong words beside it, one on each line" lines={2} value={blank.others.join("\n")}
              onChange={(text) => change(blank.id, { others: text.split("\n").map((word) => word.slice(0, 200)).slice(0, 50) })}
            />
          )}
        </FoldCard>
      ))}
      {!question.blanks.length && <Box><Text color="brick" fontSize="12.5px">No word is a blank yet.</Text></Box>}
    </Stack>
  );
}

/** The text with its blanks as they are typed. */
export function written(element: TextElement, blanks: readonly Blank[]): string {
  const words = new Map(blanks.map((blank) => [blank.id, blank.accepts.words.filter(Boolean).join("/")]));
  return element.text.blocks.map((block) => block.runs.map((run) => (
    run.kind === "blank" ? `[${words.get(run.blank) ?? ""}]` : run.kind === "text" ? run.text : ""
  )).join("")).join("\n");
}

/** Text and blanks as typed; a blank whose place is kept keeps what was said of it. */
export function read(typed: string, before: readonly Blank[], fresh: () => string): { blocks: Block[]; blanks: Blank[] } {
  const blanks: Blank[] = [];
  const blocks = typed.split("\n").map((line): Block => ({
    kind: "paragraph",
    runs: line.split(/(\[[^[\]]*\])/).filter(Boolean).map((piece): Run => {
      if (!piece.startsWith("[") || !piece.endsWith("]")) return { kind: "text", text: piece, bold: false, italic: false };
      const words = piece.slice(1, -1).split("/").map((word) => word.trim()).filter(Boolean);
      const same = before.find((blank) => !blanks.some(({ id }) => id === blank.id) && blank.accepts.words[0] === words[0]) ?? before[blanks.length];
      const old = same && !blanks.some(({ id }) => id === same.id) ? same : undefined;
      const blank: Blank = old ? { ...old, accepts: { ...old.accepts, words } } : { ...NEW, id: fresh(), accepts: { ...NEW.accepts, words } };
      blanks.push(blank);
      return { kind: "blank", blank: blank.id, bold: false, italic: false };
    }),
  }));
  return { blocks, blanks };
}

const NEW: Blank = {
  id: "", how: "typed", others: [],
  accepts: { words: [], ranges: [], units: [], any_case: true, any_accents: true, any_spaces: true, any_punctuation: true, typos: false },
};

function keep(slide: Slide, question: QuestionOf<"blanks">, element: TextElement, typed: string): void {
  const { blocks, blanks } = read(typed, question.blanks, freshId);
  changeSlide("Blanks", {
    ...slide,
    elements: slide.elements.map((other) => (other.id === element.id ? { ...element, text: { blocks } } : other)),
    questions: slide.questions.map((other) => (other.id === question.id ? { ...question, blanks } : other)),
  });
}
