import { Box, Stack, Text, Textarea } from "@chakra-ui/react";
import { useState, type ReactNode } from "react";
import type { Blank, QuestionOf, Slide, TextElement } from "../../../api/types";
import { Choose } from "../../../kit/Choose";
import { TextField } from "../../../kit/TextField";
import { freshId } from "../../store/ids";
import { changeSlide } from "../../store/store";
import { FoldCard } from "../../../kit/FoldCard";
import { AcceptsFields } from "../AcceptsFields";
import { read, written } from "../blankText";
import { changeQuestion } from "../parts";
import { PartPoints } from "./PartPoints";

interface Props { slide: Slide; question: QuestionOf<"blanks"> }

const HOW = [["typed", "typed"], ["list", "chosen from a list"], ["bank", "taken from a word bank"]] as const;

/** A running text, and the words in it that are blanks. */
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
        <Text fontSize="12.5px" color="quiet" mb="1">The text; words in [brackets] are blanks, a / stands between words that are both right. On the slide: select words and press Blank.</Text>
        <Textarea
          size="sm" rows={4} bg="sheet" borderRadius="6px" aria-label="Text with blanks" value={draft ?? written(element.text, question.blanks)}
          onChange={(event) => setDraft(event.target.value)}
          onBlur={() => { if (draft !== null) keep(slide, question, element, draft); setDraft(null); }}
        />
      </label>
      {question.blanks.map((blank, index) => (
        <FoldCard key={blank.id} title={`Blank ${index + 1}: ${blank.accepts.words[0] ?? ""}`}>
          <Choose label="is" value={blank.how} options={HOW} onChange={(how) => change(blank.id, { how })} />
          <AcceptsFields accepts={blank.accepts} numbers={blank.how === "typed" ? "also" : "no"} picked={blank.how !== "typed"} name={blank.how === "typed" ? "Accepted" : "Right, the first one is shown"} onChange={(accepts) => change(blank.id, { accepts })} />
          <PartPoints question={question} words={`blank ${index + 1}`} value={blank.points} onChange={(points) => change(blank.id, { points })} />
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

function keep(slide: Slide, question: QuestionOf<"blanks">, element: TextElement, typed: string): void {
  const { blocks, blanks } = read(typed, element.text, question.blanks, freshId);
  changeSlide("Blanks", {
    ...slide,
    elements: slide.elements.map((other) => (other.id === element.id ? { ...element, text: { blocks } } : other)),
    questions: slide.questions.map((other) => (other.id === question.id ? { ...question, blanks } : other)),
  });
}
