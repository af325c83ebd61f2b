import { Box, chakra, Flex, Stack, Text } from "@chakra-ui/react";
import { ArrowDown, ArrowLeftRight, ArrowUp } from "lucide-react";
import type { ReactNode } from "react";
import type { Slide } from "../../../api/types";
import { Check } from "../../../kit/Check";
import { Choose } from "../../../kit/Choose";
import { QuietButton } from "../../../kit/QuietButton";
import { Tool } from "../../../kit/Tool";
import { changeRole } from "../making";
import type { Pairing } from "../pairing";
import { PairTable } from "../PairTable";
import { changeQuestion, partWords } from "../parts";
import { PartRows } from "../PartRows";
import { PartFeedback } from "./PartFeedback";
import { PartPoints } from "./PartPoints";
import { fromLines, lines } from "../words";

const WRONG = [["stay", "stay where they are put"], ["return_at_once", "go back at once"], ["return_when_judged", "go back when it is judged"]] as const;

interface Props { slide: Slide; question: Pairing }

/** Things and the targets that they belong on. */
export function PairFields({ slide, question }: Props): ReactNode {
  const item = (id: string): Pairing["items"][number] | undefined => question.items.find((other) => other.id === id);
  const change = (id: string, part: object): void => changeQuestion(question, {
    items: question.items.map((other) => (other.id === id ? { ...other, ...part } : other)),
  });
  return (
    <Stack gap="2">
      <Heading>Things, and where they belong</Heading>
      <PartRows
        slide={slide} question={question} list="items" word="thing"
        tools={(part) => <Tool label="Make it a target" onClick={() => void changeRole(question, "targets", part.element)}><ArrowDown size={14} /></Tool>}
        after={(part, words) => {
          const one = item(part.id);
          return one && (
            <Flex pl="2" gap="1" wrap="wrap" align="center">
              <Text fontSize="12px" color="quiet" truncate maxW="100%">{belongs(slide, question, one.to)}</Text>
              {question.kind === "drag_to_target" && (
                <Check label={one.to.length > 1 ? "can be used again and again, and belongs on all of them" : "can be used again and again"} value={one.endless} onChange={(endless) => change(part.id, { endless })} />
              )}
              <PartPoints question={question} words={words} value={one.points} onChange={(points) => change(part.id, { points })} />
              <PartFeedback value={lines(one.says)} label={`Said when ${words} is wrong`} onChange={(text) => change(part.id, { says: fromLines(text) })} />
            </Flex>
          );
        }}
      />
      <Box><QuietButton size="xs" onClick={() => void changeRole(question, "swap")}><ArrowLeftRight size={14} /> Swap things and targets</QuietButton></Box>
      <PairTable slide={slide} question={question} />
      <Heading>{question.kind === "matching" ? "What they are matched with" : "Targets"}</Heading>
      <PartRows
        slide={slide} question={question} list="targets" word="target"
        tools={(part) => <Tool label="Make it a thing" onClick={() => void changeRole(question, "items", part.element)}><ArrowUp size={14} /></Tool>}
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
      {question.kind === "drag_to_target" && (
        <Choose label="wrong ones" value={question.wrong_items} options={WRONG} onChange={(wrong_items) => changeQuestion(question, { wrong_items })} />
      )}
      {question.kind === "drag_to_target" && question.wrong_items === "return_at_once" && (
        <Check label="Each wrong drop counts as wrong" value={question.drops_count} onChange={(drops_count) => changeQuestion(question, { drops_count })} />
      )}
    </Stack>
  );
}

function belongs(slide: Slide, question: Pairing, to: readonly string[]): string {
  const words = question.targets.filter(({ id }) => to.includes(id)).map((target) => partWords(slide, target) || "target");
  return words.length ? `belongs on ${words.join(" or ")}` : "belongs nowhere";
}

function Heading({ children }: { children: string }): ReactNode {
  return <Text fontSize="12.5px" fontWeight="700" color="quiet">{children}</Text>;
}
