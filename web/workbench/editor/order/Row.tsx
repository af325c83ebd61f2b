/** A row of the running order: an element, its words, and what can be done with it. */
import { Box, Flex, Input, Text, Textarea } from "@chakra-ui/react";
import { useSortable } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import {
  AppWindow, Circle, EyeOff, Film, Gauge, Group, Heading1, Image, Lock, MessageSquare,
  Minus, MousePointerClick, MoveRight, Square, SquareDashedMousePointer, Table, TextCursorInput, Triangle, Type, Volume2, type LucideIcon,
} from "lucide-react";
import { memo, useState, type KeyboardEvent, type ReactNode } from "react";
import type { Element, Slide } from "../../../api/types";
import { roleIn } from "../../judges/parts";
import { renameElement, reorderElement } from "../../store/commands";
import { changeElements, select, useCourse } from "../../store/store";
import { RowMenu } from "./RowMenu";
import { needsAlternative, says, withWords, writtenWords } from "./rowText";
import { shownWay } from "../../does/ShownWhen";
import { t } from "../../../words/editor";

/** How deep in groups an element stands. */
export function depthOf(slide: Slide, element: Element): number {
  const groups = new Map(slide.elements.map((other) => [other.id, other.group]));
  let depth = 0;
  for (let group = element.group; group && depth < 9; group = groups.get(group)) depth += 1;
  return depth;
}

/** In the list the arrows go from row to row, with Shift selecting them; on the slide they move things. */
function goToRow(event: KeyboardEvent, id: string, step: number): void {
  const rows = [...event.currentTarget.closest("[data-pane]")?.querySelectorAll<HTMLElement>("[data-row]") ?? []];
  const next = rows[rows.findIndex((row) => row.dataset.row === id) + step];
  next?.focus();
  if (next?.dataset.row && event.shiftKey) {
    select([...new Set([...useCourse.getState().selection.selected, id, next.dataset.row])]);
  }
}

interface RowProps { slide: Slide; element: Element; number: number | null; depth: number }

export const Row = memo(function Row({ slide, element, number, depth }: RowProps): ReactNode {
  const selected = useCourse((state) => state.selection.selected.includes(element.id));
  const [typing, setTyping] = useState<"name" | "words" | null>(null);
  const { setNodeRef, listeners, transform, transition, isDragging } = useSortable({ id: element.id });
  const Icon = iconOf(element);

  function onKeyDown(event: KeyboardEvent): void {
    const step = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    const command = event.ctrlKey || event.metaKey;
    if (step && event.altKey) {
      reorderElement(element.id, slide.elements.indexOf(element) + step);
    } else if (step && !command) {
      goToRow(event, element.id, step);
    } else if (event.key === "F2") setTyping("name");
    else if (event.key === "Enter" && event.shiftKey) setTyping("words");
    else if (event.key === " " && command) choose(event);
    else return;
    event.preventDefault();
    event.stopPropagation();
  }

  function choose(event: { shiftKey: boolean; ctrlKey: boolean; metaKey: boolean }): void {
    const before = useCourse.getState().selection.selected;
    const several = event.shiftKey || event.ctrlKey || event.metaKey;
    if (!several) select([element.id]);
    else select(selected ? before.filter((id) => id !== element.id) : [...before, element.id]);
  }

  return (
    <Box
      as="li" ref={setNodeRef} opacity={isDragging || element.hidden_while_editing ? 0.6 : 1}
      style={{ transform: CSS.Translate.toString(transform), transition }} pl={`${depth * 16}px`}
      bg={selected ? "marigold.soft" : undefined} borderLeftWidth="3px"
      borderLeftColor={selected ? "marigold" : "transparent"}
    >
      {typing ? (
        <TypedRow element={element} what={typing} onDone={() => setTyping(null)} />
      ) : (
        <RowMenu element={element} onType={setTyping}>
          <Flex
            as="button" w="100%" px="3" py="1.5" gap="2.5" textAlign="left" align="flex-start"
            onClick={choose} onDoubleClick={(event) => setTyping(inWords(event.target) ? "words" : "name")}
            onKeyDown={onKeyDown} {...listeners}
            aria-pressed={selected} data-row={element.id} _hover={{ bg: selected ? undefined : "table" }}
          >
            <Box pt="2px" color="quiet" flex="none"><Icon size={15} aria-hidden /></Box>
            <RowWords slide={slide} element={element} />
            {element.locked && <Lock size={13} aria-label={t("locked")} />}
            {element.hidden_while_editing && <EyeOff size={13} aria-label={t("hiddenWhileEditing")} />}
            {number && <Text color="quiet" fontSize="12px">{number}</Text>}
          </Flex>
        </RowMenu>
      )}
    </Box>
  );
});

/** The name, what is read out, what it is in a question, and that something is missing. */
function RowWords({ slide, element }: { slide: Slide; element: Element }): ReactNode {
  const part = partOf(slide, element);
  const words = says(element);
  const shown = shownWay(element);
  const missing = needsAlternative(slide, element) || (part && element.kind === "shape" && !words);
  return (
    <Box flex="1" minW="0">
      <Text fontWeight="600" truncate>{element.name}</Text>
      {words && <Text color="quiet" fontSize="12.5px" lineClamp={2} data-words>{words}</Text>}
      {part && <Text color="spruce" fontSize="12px">{part}</Text>}
      {shown !== "always" && <Text color="quiet" fontSize="12px">{shown === "hidden" ? t("hiddenAtFirst") : t("shownOnlyWhenACondition")}</Text>}
      {missing && <Text color="brick" fontSize="12px" data-words>{t("noTextAlternative")}</Text>}
    </Box>
  );
}

function inWords(target: EventTarget): boolean {
  return target instanceof globalThis.Element && target.closest("[data-words]") !== null;
}

/** A row being typed into: the name, or what it says: its words or its text alternative. */
function TypedRow(
  { element, what, onDone }: { element: Element; what: "name" | "words"; onDone: () => void },
): ReactNode {
  const before = what === "name" ? element.name : writtenWords(element);
  function finish(text: string): void {
    onDone();
    if (text === before) return;
    if (what === "name") renameElement(element.id, text);
    else changeElements(t("editText"), [element.id], (e) => withWords(e, text));
  }
  const common = {
    autoFocus: true, defaultValue: before, m: "1", w: "calc(100% - 8px)", size: "xs" as const, bg: "sheet",
    "aria-label": what === "name" ? t("name") : t("whatNameSays", { name: element.name }),
  };
  const onKeyDown = (event: KeyboardEvent<HTMLInputElement | HTMLTextAreaElement>): void => {
    event.stopPropagation();
    if (event.key === "Enter" && !event.shiftKey) {
      event.preventDefault();
      finish(event.currentTarget.value);
    }
    if (event.key === "Escape") onDone();
  };
  return what === "name"
    ? <Input {...common} maxLength={200} onBlur={(event) => finish(event.target.value)} onKeyDown={onKeyDown} />
    : <Textarea {...common} rows={3} onBlur={(event) => finish(event.target.value)} onKeyDown={onKeyDown} />;
}

function iconOf(element: Element): LucideIcon {
  switch (element.kind) {
    case "text": return element.level === "body" ? Type : Heading1;
    case "picture": return Image;
    case "video": return Film;
    case "audio": return Volume2;
    case "button": return MousePointerClick;
    case "area": return SquareDashedMousePointer;
    case "input": return TextCursorInput;
    case "meter": return Gauge;
    case "group": return Group;
    case "table": return Table;
    case "embed": return AppWindow;
    case "shape":
      return { rectangle: Square, ellipse: Circle, line: Minus, arrow: MoveRight, callout: MessageSquare, polygon: Triangle }[element.shape];
  }
}

/** The part that an element plays in a question. */
function partOf(slide: Slide, element: Element): string {
  return slide.questions.map((question) => roleIn(question, element.id)).find(Boolean) ?? "";
}
