/** The cards: the settings of what is selected, and only those. */
import { Box, Flex, Heading, Stack, Text } from "@chakra-ui/react";
import { ArrowDownToLine, ArrowUpToLine, Copy, Trash2 } from "lucide-react";
import { useRef, type ReactNode } from "react";
import type { Element, Slide } from "../../api/types";
import { duplicateSelected, removeSelected, restack } from "../store/commands";
import { useCourse } from "../store/store";
import { Tool } from "../ui/parts";
import { count } from "../ui/words";
import { Does } from "./Does";
import { Judges } from "./Judges";
import { Looks } from "./Looks";
import { Says } from "./Says";
import { SlideCard } from "./SlideCard";

export function Cards(): ReactNode {
  const slide = useCourse((state) => (state.place.slide ? state.slides[state.place.slide] : undefined));
  const selected = useCourse((state) => state.place.selected);
  const holding = useCourse((state) => state.holding);
  // While something is dragged the cards wait: drawing them would make it stutter.
  const shown = useRef(selected);
  if (!holding) shown.current = selected;
  if (!slide) return null;
  const elements = slide.elements.filter((element) => shown.current.includes(element.id));
  const only = elements.length === 1 ? elements[0] : undefined;
  if (!elements.length) return <Stack p="3" gap="3"><SlideCard slide={slide} /></Stack>;
  return (
    <Stack p="3" gap="3">
      <Flex align="center" justify="space-between" gap="2">
        <Heading as="h2" fontSize="16px" fontFamily="body" truncate>
          {only ? only.name : count(elements.length, "element")}
        </Heading>
        <Flex flex="none">
          <Tool label="Bring to front" onClick={() => restack("front")}><ArrowUpToLine size={16} /></Tool>
          <Tool label="Send to back" onClick={() => restack("back")}><ArrowDownToLine size={16} /></Tool>
          <Tool label="Duplicate (Ctrl D)" onClick={() => void duplicateSelected()}><Copy size={16} /></Tool>
          <Tool label="Delete (Del)" onClick={() => void removeSelected()}><Trash2 size={16} /></Tool>
        </Flex>
      </Flex>
      {only && <Says element={only} />}
      <Looks elements={elements} />
      {only && <Does element={only} submits={submitted(slide, only)} />}
      {questionsOf(slide, elements).map((question) => (
        <Judges key={question.id} slide={slide} question={question} />
      ))}
      {!only && (
        <Box px="1"><Text color="quiet" fontSize="13px">What these say and do is set one by one.</Text></Box>
      )}
    </Stack>
  );
}

function questionsOf(slide: Slide, elements: readonly Element[]): Slide["questions"] {
  const ids = new Set(elements.map((element) => element.id));
  return slide.questions.filter((question) => [
    question.prompt, question.submit, ...question.choices.map((choice) => choice.element),
  ].some((part) => part && ids.has(part)));
}

function submitted(slide: Slide, element: Element): string | null {
  return slide.questions.find((question) => question.submit === element.id)?.name ?? null;
}
