/** What is right, for each kind of question. */
import { Box, chakra, Flex, Stack, Text } from "@chakra-ui/react";
import { Pin } from "lucide-react";
import type { ReactNode } from "react";
import type { Choice, Question, QuestionOf, Slide } from "../../api/types";
import { Check, Choose, NumberField, Pair, TextField } from "../build/fields";
import { Tool } from "../ui/parts";
import { AcceptsFields } from "./AcceptsFields";
import { BlankFields } from "./BlankFields";
import { changeQuestion, isUnjudged, partWords, withRight } from "./parts";
import { PartRows } from "./PartRows";
import { lines, fromLines } from "./words";

interface Props<Q = Question> { slide: Slide; question: Q }

export function KindFields({ slide, question }: Props): ReactNode {
  switch (question.kind) {
    case "single_choice":
    case "multiple_response":
    case "true_false": return <ChoiceFields slide={slide} question={question} />;
    case "short_text":
    case "numeric": return (
      <AcceptsFields
        accepts={question.accepts} numbers={question.kind === "numeric"} name={question.kind === "numeric" ? "Accepted numbers" : "Accepted answers"}
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
    case "rating_scale": return <PartRows slide={slide} question={question} list="rows" word="row" most={30} />;
  }
}

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
        slide={slide} question={question} list="choices" word="answer" most={question.kind === "true_false" ? 2 : 26}
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
              {question.partial === "per_answer" && (
                <NumberField bare label={`points for ${words}`} value={one.points} min={-10_000} max={10_000} onChange={(points) => change(part.id, { points })} />
              )}
              {shuffled && (
                <Tool label={one.pinned ? `${words} keeps its place` : `Let ${words} keep its place`} aria-pressed={one.pinned} onClick={() => change(part.id, { pinned: !one.pinned })}>
                  <Pin size={13} />
                </Tool>
              )}
            </Flex>
          );
        }}
      />
      {"shuffle" in question && <Check label="Shuffle the answers" value={question.shuffle} onChange={(shuffle) => changeQuestion(question, { shuffle })} />}
      {question.kind === "multiple_response" && (
        <Pair>
          <NumberField label="at least" value={question.at_least} min={1} max={26} onChange={(at_least) => changeQuestion(question, { at_least: Math.round(at_least) })} />
          <NumberField label="at most" value={question.at_most ?? question.choices.length} min={1} max={26} onChange={(at_most) => changeQuestion(question, { at_most: at_most >= question.choices.length ? null : Math.round(at_most) })} />
        </Pair>
      )}
    </>
  );
}

/** A line for what is said about one answer; small until there is something. */
export function Saying({ value, label, onChange }: { value: string; label: string; onChange: (text: string) => void }): ReactNode {
  return (
    <chakra.input
      key={value} defaultValue={value} aria-label={label} placeholder="What is said to this one" fontSize="12px" flex="1" minW="120px" px="2" py="0.5"
      borderRadius="6px" bg={value ? "sky.soft" : "transparent"} borderWidth="1px" {...(value ? { borderColor: "transparent" } : {})}
      onBlur={(event) => { if (event.target.value !== value) onChange(event.target.value); }}
    />
  );
}

type Pairing = QuestionOf<"matching"> | QuestionOf<"drag_to_target">;

function PairFields({ slide, question }: Props<Pairing>): ReactNode {
  const item = (id: string): Pairing["items"][number] | undefined => question.items.find((other) => other.id === id);
  const change = (id: string, part: object): void => changeQuestion(question, {
    items: question.items.map((other) => (other.id === id ? { ...other, ...part } : other)),
  });
  return (
    <Stack gap="2">
      <Heading>Things, and where they belong</Heading>
      <PartRows
        slide={slide} question={question} list="items" word="thing"
        after={(part, words) => {
          const one = item(part.id);
          return one && (
            <Flex pl="2" gap="1" wrap="wrap" align="center">
              {question.targets.map((target) => {
                const on = one.to.includes(target.id);
                return (
                  <chakra.button
                    key={target.id} type="button" aria-pressed={on} aria-label={`${words} belongs on ${partWords(slide, target)}`} fontSize="12px" px="2" py="0.5"
                    borderRadius="6px" borderWidth="1px" bg={on ? "spruce" : "sheet"} color={on ? "white" : "ink"} {...(on ? { borderColor: "spruce" } : {})} maxW="100%" truncate
                    onClick={() => change(part.id, { to: on ? one.to.filter((id) => id !== target.id) : [...one.to, target.id] })}
                  >
                    {on ? "✓ " : ""}{partWords(slide, target) || "target"}
                  </chakra.button>
                );
              })}
              {!one.to.length && <Text fontSize="12px" color="quiet">belongs nowhere</Text>}
              {question.kind === "drag_to_target" && one.to.length > 1 && (
                <Check label="on all of them" value={one.endless} onChange={(endless) => change(part.id, { endless })} />
              )}
              <Saying value={lines(one.says)} label={`Said when ${words} is wrong`} onChange={(text) => change(part.id, { says: fromLines(text) })} />
            </Flex>
          );
        }}
      />
      <Heading>{question.kind === "matching" ? "What they are matched with" : "Targets"}</Heading>
      <PartRows
        slide={slide} question={question} list="targets" word="target"
        after={(part) => {
          const target = question.targets.find((other) => other.id === part.id);
          return target && (
            <Flex pl="2" align="center" gap="1" fontSize="12px" color="quiet">
              <span>takes</span>
              <chakra.select
                aria-label={`${partWords(slide, target)} takes`} value={target.takes ?? ""} bg="sheet" borderRadius="6px"
                onChange={(event) => changeQuestion(question, {
                  targets: question.targets.map((other) => (other.id === part.id ? { ...other, takes: event.target.value ? Number(event.target.value) : null } : other)),
                })}
              >
                <option value="">any number</option>
                {[1, 2, 3, 4, 5, 6].map((n) => <option key={n} value={n}>{n}</option>)}
              </chakra.select>
            </Flex>
          );
        }}
      />
      {question.kind === "drag_to_target" && (
        <Choose
          label="on a target they" value={question.arrange} options={[["tile", "stand side by side"], ["stack", "lie on each other"], ["snap", "go to its middle"]]}
          onChange={(arrange) => changeQuestion(question, { arrange })}
        />
      )}
    </Stack>
  );
}

function OrderFields({ slide, question }: Props<QuestionOf<"ordering">>): ReactNode {
  return (
    <>
      <Text fontSize="12.5px" color="quiet">In the right order; learners see them mixed.</Text>
      <PartRows slide={slide} question={question} list="items" word="step" most={30} />
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
  const change = (id: string, part: object): void => changeQuestion(question, {
    spots: question.spots.map((spot) => (spot.id === id ? { ...spot, ...part } : spot)),
  });
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
        after={(part, words) => (
          <Box pl="6"><Saying value={lines(question.spots.find(({ id }) => id === part.id)?.says ?? { blocks: [] })} label={`Said when “${words}” is clicked`} onChange={(text) => change(part.id, { says: fromLines(text) })} /></Box>
        )}
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

function Heading({ children }: { children: string }): ReactNode {
  return <Text fontSize="12.5px" fontWeight="700" color="quiet">{children}</Text>;
}
