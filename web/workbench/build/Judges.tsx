/** Judges: what is right, what it counts, and what is said then. */
import { Box, Flex, Stack, Text } from "@chakra-ui/react";
import { Plus, X } from "lucide-react";
import type { ReactNode } from "react";
import type { Question, RichText, Slide } from "../../api/types";
import { changeSlide } from "../store/store";
import { FoldCard, QuietButton, Tool } from "../ui/parts";
import { Check, Choose, NumberField, TextField } from "./fields";
import { addChoice, removeChoice, withRight } from "./choices";
import { says } from "./says";

const PURPOSE = [
  ["scored", "scored: it counts"], ["practice", "practice: no points"], ["survey", "survey: nothing is wrong"],
] as const;

export function Judges({ slide, question }: { slide: Slide; question: Question }): ReactNode {
  function change(part: Partial<Question>): void {
    const questions = slide.questions.map((q) => (q.id === question.id ? { ...q, ...part } : q));
    changeSlide("Judging", { ...slide, questions }, `judges-${Object.keys(part).join()}-${question.id}`);
  }
  const survey = question.purpose === "survey";
  return (
    <FoldCard title="Judges">
      <Stack gap="2">
        <TextField label="Name in the results" value={question.name} onChange={(name) => change({ name })} />
        <Choose label="for" value={question.purpose} options={PURPOSE} onChange={(purpose) => change({ purpose })} />
        <Answers slide={slide} question={question} onChange={change} />
        <Check label="Shuffle the answers" value={question.shuffle} onChange={(shuffle) => change({ shuffle })} />
        {!survey && (
          <>
            <NumberField label="points" value={question.points} min={0} max={10_000} onChange={(points) => change({ points })} />
            <Check
              label="As many attempts as they like" value={question.attempts === null}
              onChange={(endless) => change({ attempts: endless ? null : 2 })}
            />
            {question.attempts !== null && question.attempts !== undefined && (
              <NumberField
                label="attempts" value={question.attempts} min={1} max={100}
                onChange={(attempts) => change({ attempts: Math.round(attempts) })}
              />
            )}
            <Feedback question={question} onChange={change} />
          </>
        )}
        {!question.submit && <Text color="brick" fontSize="12.5px">There is no button that submits it.</Text>}
      </Stack>
    </FoldCard>
  );
}

function Answers(
  { slide, question, onChange }: {
    slide: Slide; question: Question; onChange: (part: Partial<Question>) => void;
  },
): ReactNode {
  const byId = new Map(slide.elements.map((element) => [element.id, element]));
  const survey = question.purpose === "survey";
  return (
    <Box role={survey ? undefined : "radiogroup"} aria-label="The right answer">
      {question.choices.map((choice) => {
        const element = byId.get(choice.element);
        const words = element ? says(element) || element.name : "";
        return (
          <Flex key={choice.id} align="center" gap="2" py="0.5">
            {!survey && (
              <input
                type="radio" name={`right-${question.id}`} checked={choice.right}
                aria-label={`${words} is right`} style={{ accentColor: "#1e5b4b", width: 16, height: 16 }}
                onChange={() => onChange({ choices: withRight(question, choice.element) })}
              />
            )}
            <Text flex="1" minW="0" truncate fontWeight={choice.right ? 700 : 400}>{words}</Text>
            {choice.right && !survey && <Text color="spruce" fontSize="12px">right</Text>}
            <Tool label={`Remove the answer ${words}`} onClick={() => void removeChoice(choice.element)}>
              <X size={14} />
            </Tool>
          </Flex>
        );
      })}
      {question.choices.length < 26 && (
        <QuietButton size="xs" mt="1" onClick={() => void addChoice(slide, question)}>
          <Plus size={14} /> Another answer
        </QuietButton>
      )}
    </Box>
  );
}

const OUTCOMES = [
  ["right", "After a right answer"], ["wrong", "After a wrong one, with tries left"],
  ["last", "After the last wrong one"],
] as const;

function Feedback(
  { question, onChange }: { question: Question; onChange: (part: Partial<Question>) => void },
): ReactNode {
  return OUTCOMES.filter(([key]) => key !== "wrong" || question.attempts !== 1).map(([key, label]) => (
    <TextField
      key={key} label={label} lines={2} value={lines(question.feedback[key])}
      onChange={(text) => onChange({ feedback: { ...question.feedback, [key]: fromLines(text) } })}
    />
  ));
}

function lines(text: RichText): string {
  return text.blocks
    .map((block) => block.runs.map((run) => (run.kind === "text" ? run.text : "")).join("")).join("\n");
}

function fromLines(text: string): RichText {
  if (!text) return { blocks: [] };
  return {
    blocks: text.split("\n").map((line) => ({
      kind: "paragraph",
      runs: line ? [{ kind: "text", text: line, bold: false, italic: false }] : [],
    })),
  };
}
