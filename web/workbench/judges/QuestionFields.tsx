/** What is right, for each kind of question. */
import { QUESTIONS } from "../../api/tables";
import { Box, Flex, Text } from "@chakra-ui/react";
import { Pin } from "lucide-react";
import type { ReactNode } from "react";
import type { Choice, Question, QuestionOf, Slide } from "../../api/types";
import { Check } from "../../kit/Check";
import { Choose } from "../../kit/Choose";
import { NumberField } from "../../kit/NumberField";
import { Pair } from "../../kit/Pair";
import { TextField } from "../../kit/TextField";
import { Tool } from "../../kit/Tool";
import { AcceptsFields } from "./AcceptsFields";
import { BlankFields } from "./BlankFields";
import { PairFields } from "./PairFields";
import { changeQuestion, isUnjudged, withRight } from "./parts";
import { PartRows } from "./PartRows";
import { PartPoints, Saying } from "./Saying";
import { lines, fromLines } from "./words";

interface Props<Q = Question> { slide: Slide; question: Q }

/** The settings that only questions of one kind have. */
export function KindFields({ slide, question }: Props): ReactNode {
  switch (question.kind) {
    case "single_choice":
    case "multiple_response":
    case "true_false": return <ChoiceFields slide={slide} question={question} />;
    case "short_text":
    case "numeric": return (
      <AcceptsFields
        accepts={question.accepts} numbers={question.kind === "numeric" ? "only" : "also"} name={question.kind === "numeric" ? "Accepted numbers" : "Accepted answers"}
        onChange={(accepts) => changeQuestion(question, { accepts })}
      />
    );
    case "blanks": return <BlankFields slide={slide} question={question} />;
    case "matching":
    case "drag_to_target": return <PairFields slide={slide} question={question} />;
    case "ordering": return <OrderFields slide={slide} question={question} />;
    case "hotspot": return <SpotFields slide={slide} question={question} />;
    case "open_answer": return (
      <>
        <Pair>
          <NumberField label="at least" value={question.at_least} min={0} max={1_000} onChange={(at_least) => changeQuestion(question, { at_least: Math.round(at_least) })} />
          <NumberField label="at most" value={question.at_most} min={1} max={1_000} onChange={(at_most) => changeQuestion(question, { at_most: Math.round(at_most) })} />
        </Pair>
        <Text fontSize="12px" color="quiet">Letters. A long answer takes room in what the LMS keeps.</Text>
        <TextField label="Model answer, shown afterwards" lines={3} value={lines(question.model)} onChange={(text) => changeQuestion(question, { model: fromLines(text) })} />
      </>
    );
    case "rating_scale": return <PartRows slide={slide} question={question} list="rows" word="statement" />;
  }
}

const LETTERS = [["none", "no letter"], ["capital", "A, B, C"], ["small", "a, b, c"], ["number", "1, 2, 3"]] as const;

type Choosing = QuestionOf<"single_choice"> | QuestionOf<"multiple_response"> | QuestionOf<"true_false">;

function ChoiceFields({ slide, question }: Props<Choosing>): ReactNode {
  const survey = question.purpose === "survey";
  const several = question.kind === "multiple_response";
  const shuffled = "shuffle" in question && question.shuffle;
  const change = (id: string, part: Partial<Choice>): void => changeQuestion(question, {
    choices: question.choices.map((choice) => (choice.id === id ? { ...choice, ...part } : choice)),
  });
  const choice = (id: string): Choice | undefined => question.choices.find((other) => other.id === id);
  return (
    <>
      <PartRows
        slide={slide} question={question} list="choices" word="answer"
        before={(part, words) => !survey && (
          <input
            type={several ? "checkbox" : "radio"} name={`right-${question.id}`} checked={choice(part.id)?.right ?? false}
            aria-label={`${words} is right`} title="right" style={{ accentColor: "#1e5b4b", width: 16, height: 16, flex: "none" }}
            onChange={() => changeQuestion(question, withRight(question, part.element))}
          />
        )}
        after={(part, words) => {
          const one = choice(part.id);
          return one && (
            <Flex pl="6" gap="2" align="center" wrap="wrap">
              <Saying value={lines(one.says)} label={`Said when “${words}” is chosen`} onChange={(text) => change(part.id, { says: fromLines(text) })} />
              <PartPoints question={question} words={words} value={one.points} onChange={(points) => change(part.id, { points })} />
              {shuffled && (
                <Tool label={one.pinned ? `${words} keeps its place` : `Let ${words} keep its place`} aria-pressed={one.pinned} onClick={() => change(part.id, { pinned: !one.pinned })}>
                  <Pin size={13} />
                </Tool>
              )}
            </Flex>
          );
        }}
      />
      {"letters" in question && <Choose label="at each answer" value={question.letters} options={LETTERS} onChange={(letters) => changeQuestion(question, { letters })} />}
      {"shuffle" in question && <Check label="Shuffle the answers" value={question.shuffle} onChange={(shuffle) => changeQuestion(question, { shuffle })} />}
      {question.kind === "multiple_response" && (
        <Pair>
          <NumberField label="at least" value={question.at_least} min={1} max={QUESTIONS.multiple_response.lists.choices} onChange={(at_least) => changeQuestion(question, { at_least: Math.round(at_least) })} />
          <NumberField label="at most" value={question.at_most ?? question.choices.length} min={1} max={QUESTIONS.multiple_response.lists.choices} onChange={(at_most) => changeQuestion(question, { at_most: at_most >= question.choices.length ? null : Math.round(at_most) })} />
        </Pair>
      )}
    </>
  );
}

function OrderFields({ slide, question }: Props<QuestionOf<"ordering">>): ReactNode {
  return (
    <>
      <Text fontSize="12.5px" color="quiet">In the right order; learners see them mixed.</Text>
      <PartRows
        slide={slide} question={question} list="items" word="step"
        after={(part) => {
          const index = question.items.findIndex(({ id }) => id === part.id);
          return index > 0 && (
            <Box pl="2">
              <Check
                label="may change places with the one before" value={question.items[index]?.level ?? false}
                onChange={(level) => changeQuestion(question, { items: question.items.map((item) => (item.id === part.id ? { ...item, level } : item)) })}
              />
            </Box>
          );
        }}
      />
      {!isUnjudged(question) && (
        <Choose
          label="right are" value={question.counts} onChange={(counts) => changeQuestion(question, { counts })}
          options={[["all", "those in their place"], ["pairs", "right neighbours"], ["run", "the longest right run"]]}
        />
      )}
    </>
  );
}

function SpotFields({ slide, question }: Props<QuestionOf<"hotspot">>): ReactNode {
  const change = (id: string, part: Partial<QuestionOf<"hotspot">["spots"][number]>): void => {
    const spots = question.spots.map((spot) => (spot.id === id ? { ...spot, ...part } : spot));
    const right = spots.filter((spot) => spot.right).length;
    // There are never fewer clicks than places to find.
    const clicks = question.clicks && Math.max(question.clicks, Math.min(question.needed || right, right));
    changeQuestion(question, { spots, clicks });
  };
  const pictures = slide.elements.filter(({ kind }) => kind === "picture" || kind === "video");
  return (
    <>
      <PartRows
        slide={slide} question={question} list="spots" word="place"
        before={(part, words) => (
          <input
            type="checkbox" checked={question.spots.find(({ id }) => id === part.id)?.right ?? false} aria-label={`${words} is right`} title="right"
            style={{ accentColor: "#1e5b4b", width: 16, height: 16, flex: "none" }} onChange={(event) => change(part.id, { right: event.target.checked })}
          />
        )}
        after={(part, words) => {
          const spot = question.spots.find(({ id }) => id === part.id);
          return spot && (
            <Flex pl="6" gap="2" align="center">
              <Saying value={lines(spot.says)} label={`Said when “${words}” is clicked`} onChange={(text) => change(part.id, { says: fromLines(text) })} />
              <PartPoints question={question} words={words} value={spot.points} onChange={(points) => change(part.id, { points })} />
            </Flex>
          );
        }}
      />
      <Choose
        label="clicks count on" value={question.on ?? ""} options={[["", "the whole slide"], ...pictures.map((e) => [e.id, e.name] as const)]}
        onChange={(on) => changeQuestion(question, { on: on || null })}
      />
      <Pair>
        <NumberField label="clicks" value={question.clicks ?? 0} min={0} max={100} onChange={(clicks) => changeQuestion(question, { clicks: clicks ? Math.round(clicks) : null })} />
        <NumberField label="needed" value={question.needed ?? 0} min={0} max={60} onChange={(needed) => changeQuestion(question, { needed: needed ? Math.round(needed) : null })} />
      </Pair>
      <Text fontSize="12px" color="quiet">0 clicks is as many as they like; 0 needed is all right places.</Text>
    </>
  );
}
