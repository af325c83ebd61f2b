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
import { t } from "../../../words/judges";

interface Props { slide: Slide; question: QuestionOf<"blanks"> }

const HOW = [["typed", t("typed")], ["list", t("chosenFromAList")], ["bank", t("takenFromAWordBank")]] as const;

/** A running text, and the words in it that are blanks. */
export function BlankFields({ slide, question }: Props): ReactNode {
  const element = slide.elements.find((other): other is TextElement => other.id === question.text && other.kind === "text");
  const [draft, setDraft] = useState<string | null>(null);
  const change = (id: string, part: Partial<Blank>): void => changeQuestion(question, {
    blanks: question.blanks.map((blank) => (blank.id === id ? { ...blank, ...part } : blank)),
  });
  if (!element) return <Text color="brick" fontSize="12.5px">{t("itsTextIsGone")}</Text>;
  return (
    <Stack gap="2">
      <label>
        <Text fontSize="12.5px" color="quiet" mb="1">{t("writeBlanksInBracketsWith")}</Text>
        <Textarea
          size="sm" rows={4} bg="sheet" borderRadius="6px" aria-label={t("textWithBlanks")} value={draft ?? written(element.text, question.blanks)}
          onChange={(event) => setDraft(event.target.value)}
          onBlur={() => { if (draft !== null) keep(slide, question, element, draft); setDraft(null); }}
        />
      </label>
      {question.blanks.map((blank, index) => (
        <FoldCard key={blank.id} title={t("blankIndexWords", { index: index + 1, words: blank.accepts.words[0] ?? "" })}>
          <Choose label={t("filledInBy")} help={t("helpFilledBy")} value={blank.how} options={HOW} onChange={(how) => change(blank.id, { how })} />
          <AcceptsFields accepts={blank.accepts} numbers={blank.how === "typed" ? "also" : "no"} picked={blank.how !== "typed"} name={blank.how === "typed" ? t("accepted") : t("correctTheFirstOneIs")} onChange={(accepts) => change(blank.id, { accepts })} />
          <PartPoints question={question} words={`blank ${index + 1}`} value={blank.points} onChange={(points) => change(blank.id, { points })} />
          {blank.how !== "typed" && (
            <TextField
              label={t("distractorsOnePerLine")} help={t("helpDistractors")} lines={2} value={blank.others.join("\n")}
              onChange={(text) => change(blank.id, { others: text.split("\n").map((word) => word.slice(0, 200)).slice(0, 50) })}
            />
          )}
        </FoldCard>
      ))}
      {!question.blanks.length && <Box><Text color="brick" fontSize="12.5px">{t("noBlanksYet")}</Text></Box>}
    </Stack>
  );
}

function keep(slide: Slide, question: QuestionOf<"blanks">, element: TextElement, typed: string): void {
  const { blocks, blanks } = read(typed, element.text, question.blanks, freshId);
  changeSlide(t("blanks"), {
    ...slide,
    elements: slide.elements.map((other) => (other.id === element.id ? { ...element, text: { blocks } } : other)),
    questions: slide.questions.map((other) => (other.id === question.id ? { ...question, blanks } : other)),
  });
}
