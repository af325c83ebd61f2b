/** One line of the outline: a section or a slide, its title to be typed into. */
import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import type { Slide } from "../../api/types";
import { useSortable } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { Diamond, GripVertical } from "lucide-react";
import {
  memo, useCallback, useRef, type ClipboardEvent, type KeyboardEvent, type PointerEvent, type ReactNode,
} from "react";
import { renameSlide } from "../store/slides";
import { useCourse } from "../store/store";
import { renameSection } from "./outlineActions";
import { showQuiz, useQuizPage } from "./quiz/page";
import { makeQuiz } from "./quiz/quizzes";
import type { Line } from "./lines";
import { Tool } from "../../kit/Tool";
import { t } from "../../words/plan";
import { t as quizWords } from "../../words/quiz";

interface Props {
  line: Line;
  chosen: boolean;
  cut: boolean;
  onKeyDown: (event: KeyboardEvent<HTMLInputElement>, id: string) => void;
  onPaste: (event: ClipboardEvent<HTMLInputElement>, id: string) => void;
  onChoose: (id: string, event: { shiftKey: boolean; ctrlKey: boolean; metaKey: boolean }) => void;
  onFocus: (id: string) => void;
}

const IN = 26;

/** Only this shell is drawn anew when lines change places. */
function Row(props: Props): ReactNode {
  const { setNodeRef, listeners, transform, transition, isDragging } = useSortable({ id: props.line.id });
  const latest = useRef(listeners);
  latest.current = listeners;
  const grab = useCallback((event: PointerEvent) => latest.current?.onPointerDown?.(event), []);
  return (
    <li
      ref={setNodeRef}
      style={{
        transform: CSS.Translate.toString(transform), transition, opacity: isDragging ? 0.5 : 1,
        // What is scrolled away costs nothing.
        contentVisibility: "auto", containIntrinsicSize: "auto 28px",
      }}
    >
      <RowContent {...props} onGrab={grab} />
    </li>
  );
}

const RowContent = memo(function RowContent(
  { line, chosen, cut, onKeyDown, onPaste, onChoose, onFocus, onGrab }: Props & { onGrab: (event: PointerEvent) => void },
): ReactNode {
  const slide = useCourse((state) => (line.kind === "slide" ? state.slides[line.id] : undefined));
  const here = useCourse((state) => state.selection.slide === line.id);
  const title = line.kind === "section" ? line.title : slide?.title ?? "";
  const indent = slide?.indent ?? 0;
  return (
    <Flex
      align="center" position="relative" borderRadius="6px" opacity={cut ? 0.5 : 1}
      bg={chosen ? "marigold.soft" : undefined} {...indented(line.kind === "section", indent)}
      borderLeftWidth="3px" borderLeftColor={here ? "marigold" : "transparent"}
      css={{ "&:hover .grip, &:focus-within .grip": { opacity: 1 } }}
    >
      <Box
        as="button" className="grip" opacity={chosen ? 1 : 0} color="quiet" px="0.5" cursor="grab" tabIndex={-1}
        title={t("dragToMoveClickTo")}
        aria-label={t("chooseTitle", { title: title || "untitled" })} onClick={(event) => onChoose(line.id, event)} onPointerDown={onGrab}
      >
        <GripVertical size={14} />
      </Box>
      {indent > 0 && <Text color="edge" mr="1" aria-hidden>↳</Text>}
      <TitleField line={line} title={title} onKeyDown={onKeyDown} onPaste={onPaste} onChoose={onChoose} onFocus={onFocus} />
      {line.kind === "section" && <QuizButton section={line.id} title={title} quiz={Boolean(line.has?.quiz)} />}
      {slide && <Aside slide={slide} />}
    </Flex>
  );
});

/** Opens the page of a quiz, with its mark; or makes a section one. */
function QuizButton({ section, title, quiz }: { section: string; title: string; quiz: boolean }): ReactNode {
  const open = useQuizPage((state) => quiz && state.section === section);
  return (
    <Tool
      label={quiz ? quizWords("openTheQuizTitle", { title }) : quizWords("makeTitleAQuiz", { title })} aria-pressed={open} flex="none" ml="auto"
      className={quiz ? undefined : "grip"} color={quiz ? "spruce" : "quiet"} opacity={quiz ? 1 : 0} bg={open ? "marigold.soft" : undefined}
      onClick={() => {
        if (!quiz) makeQuiz(section);
        showQuiz(open ? null : section);
      }}
    >
      <Diamond size={14} fill={quiz ? "currentColor" : "none"} />
    </Tool>
  );
}

/** A section stands out and has room above it; slides stand in, further where they are within others. */
function indented(section: boolean, indent: number): { pl: string; mt: string } {
  return section ? { pl: "0", mt: "2.5" } : { pl: `${IN + indent * IN}px`, mt: "0" };
}

const SECTION = { fontWeight: 700, color: "spruce", fontFamily: "heading", fontSize: "15px", placeholder: t("section") };
const SLIDE = { fontWeight: 600, color: "ink", fontFamily: "body", fontSize: "14px", placeholder: t("slide") };

function TitleField(
  { line, title, onKeyDown, onPaste, onChoose, onFocus }: Pick<Props, "line" | "onKeyDown" | "onPaste" | "onChoose" | "onFocus"> & { title: string },
): ReactNode {
  const section = line.kind === "section";
  const look = section ? SECTION : SLIDE;
  return (
    <chakra.input
      value={title} data-line={line.id} flex="1 1 auto" minW="60px" h="28px" px="1" bg="transparent" borderRadius="4px"
      {...look} aria-label={`${look.placeholder} ${title}`} maxLength={200}
      onChange={(event) => (section ? renameSection(line.id, event.target.value) : renameSlide(line.id, event.target.value, `title-${line.id}`))}
      onKeyDown={(event) => onKeyDown(event, line.id)} onPaste={(event) => onPaste(event, line.id)} onFocus={() => onFocus(line.id)}
      onClick={(event) => { if (event.ctrlKey || event.metaKey || event.shiftKey) onChoose(line.id, event); }}
      css={{ fieldSizing: "content" }}
    />
  );
}

export const OutlineRow = memo(Row);

/** What there is to a slide, behind its title. */
function Aside({ slide: { notes, questions } }: { slide: Slide }): ReactNode {
  const asked = questions.length === 1 ? t("aQuestion") : t("questionsQuestions", { questions: questions.length });
  const words = questions.length ? asked : notes.split("\n")[0];
  return words && <Text color="quiet" fontSize="12.5px" truncate flex="0 1000 auto" minW="0" px="1.5">{words}</Text>;
}
