/** A row of the running order: an element, its words, and what can be done with it. */
import { Box, Input, Text, Textarea } from "@chakra-ui/react";
import { useSortable } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import {
  AppWindow, Circle, EyeOff, Film, Gauge, Group, Heading1, Image, Lock, MessageSquare,
  Minus, MousePointerClick, MoveRight, Square, SquareDashedMousePointer, Table, TextCursorInput, Triangle, Type, Volume2, type LucideIcon,
} from "lucide-react";
import { memo, type ComponentProps, type FocusEvent, type KeyboardEvent, type ReactNode } from "react";
import type { AudioElement, Element } from "../../../api/types";
import { renameElement, reorderElement } from "../../store/commands";
import { changeElements, currentSlide, select, useCourse } from "../../store/store";
import { placeOf, sayAt } from "../../script/rows";
import { says, withWords, writtenWords } from "./rowText";
import { stopTyping, typeInRow, useTyping, type Typed } from "./typing";
import { shownWay } from "../../does/ShownWhen";
import { t } from "../../../words/editor";

/** Other words for a narration: cues at its words move along. */
function sayNarration(element: AudioElement, words: string): void {
  const slide = currentSlide()?.id;
  if (slide) void sayAt(slide, placeOf(slide, element), words);
}

/** The row so many steps from the one that is `here`, which may be being typed into. */
function rowBeside(here: globalThis.Element, step: number): HTMLElement | undefined {
  const rows = [...here.closest("[data-pane]")?.querySelectorAll<HTMLElement>("[data-row], [data-typing]") ?? []];
  return rows[rows.findIndex((row) => row === here) + step];
}

/** In the list the arrows go from row to row, with Shift selecting them; on the slide they move things. */
function goToRow(event: KeyboardEvent, id: string, step: number): void {
  const next = rowBeside(event.currentTarget, step);
  next?.focus();
  if (next?.dataset.row && event.shiftKey) {
    select([...new Set([...useCourse.getState().selection.selected, id, next.dataset.row])]);
  }
}

interface RowProps {
  element: Element;
  number: number | null;
  /** How deep in groups it stands. */
  depth: number;
  /** What it is in a question, in words. */
  part: string;
  /** Whether those who do not see it would miss it. */
  missed: boolean;
}

/** It knows nothing of the other elements: a letter in one of them draws no row but that one. */
export const Row = memo(function Row({ element, number, depth, part, missed }: RowProps): ReactNode {
  const typing = useTyping((state) => (state.row === element.id ? state.what : null));
  const { setNodeRef, listeners, transform, transition, isDragging } = useSortable({ id: element.id });
  const Icon = iconOf(element);
  const faint = isDragging || element.hidden_while_editing;
  return (
    <RowFrame
      id={element.id} ref={setNodeRef}
      style={{ opacity: faint ? 0.6 : 1, transform: CSS.Translate.toString(transform), transition, paddingLeft: depth * 16 }}
    >
      {typing ? (
        <TypedRow element={element} what={typing} onDone={() => stopTyping(element.id)} />
      ) : (
        <RowButton id={element.id} {...listeners}>
          <Box pt="2px" color="quiet" flex="none"><Icon size={15} aria-hidden /></Box>
          <RowWords element={element} part={part} missed={missed} />
          {element.locked && <Lock size={13} aria-label={t("locked")} />}
          {element.hidden_while_editing && <EyeOff size={13} aria-label={t("hiddenWhileEditing")} />}
          {number && <Text color="quiet" fontSize="12px">{number}</Text>}
        </RowButton>
      )}
    </RowFrame>
  );
});

const useSelected = (id: string): boolean => useCourse((state) => state.selection.selected.includes(id));

/** The row's place in the list. What follows the selection is in parts of its own: selecting all draws nothing else. */
function RowFrame({ id, ...rest }: ComponentProps<"li"> & { id: string }): ReactNode {
  const selected = useSelected(id);
  return <li {...rest} data-chosen={selected || undefined} />;
}

/** The row itself: chosen by a click, walked through by arrows, written in by keys or a double click. */
function RowButton({ id, ...rest }: ComponentProps<"button"> & { id: string }): ReactNode {
  const selected = useSelected(id);

  function onKeyDown(event: KeyboardEvent): void {
    const step = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    const command = event.ctrlKey || event.metaKey;
    if (step && event.altKey) {
      const all = currentSlide()?.elements ?? [];
      reorderElement(id, all.findIndex((other) => other.id === id) + step);
    } else if (step && !command) {
      goToRow(event, id, step);
    } else if (event.key === "F2") typeInRow(id, "name");
    else if (event.key === "Enter" && event.shiftKey) typeInRow(id, "words");
    else if (event.key === " " && command) choose(event);
    else return;
    event.preventDefault();
    event.stopPropagation();
  }

  function choose(event: { shiftKey: boolean; ctrlKey: boolean; metaKey: boolean }): void {
    const before = useCourse.getState().selection.selected;
    const several = event.shiftKey || event.ctrlKey || event.metaKey;
    if (!several) select([id]);
    else select(selected ? before.filter((other) => other !== id) : [...before, id]);
  }

  return (
    <button
      type="button" {...rest}
      onClick={choose} onDoubleClick={(event) => typeInRow(id, inWords(event.target) ? "words" : "name")} onKeyDown={onKeyDown}
      aria-pressed={selected} data-row={id}
    />
  );
}

/** The name, what is read out, what it is in a question, and that something is missing. */
function RowWords({ element, part, missed }: Pick<RowProps, "element" | "part" | "missed">): ReactNode {
  const words = says(element);
  const shown = shownWay(element);
  const missing = missed || (part && element.kind === "shape" && !words);
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
  { element, what, onDone }: { element: Element; what: Typed; onDone: () => void },
): ReactNode {
  const before = what === "name" ? element.name : writtenWords(element);
  function finish(text: string): void {
    onDone();
    if (text === before) return;
    if (what === "name") renameElement(element.id, text);
    else if (element.kind === "audio" && element.narration) void sayNarration(element, text.trim());
    else changeElements(t("editText"), [element.id], (e) => withWords(e, text));
  }
  const common = {
    autoFocus: true, defaultValue: before, m: "1", w: "calc(100% - 8px)", size: "xs" as const, bg: "sheet",
    onFocus: (event: FocusEvent<HTMLInputElement | HTMLTextAreaElement>) => event.target.select(),
    "data-typing": element.id, "aria-label": what === "name" ? t("name") : t("whatNameSays", { name: element.name }),
  };
  const onKeyDown = (event: KeyboardEvent<HTMLInputElement | HTMLTextAreaElement>): void => {
    event.stopPropagation();
    if (event.key === "Enter" && !event.shiftKey) {
      event.preventDefault();
      finish(event.currentTarget.value);
    }
    if (event.key === "Escape") onDone();
    // Tab goes on in the next row, with Shift in the one before; at the ends it leaves the list.
    const other = event.key === "Tab" ? rowBeside(event.currentTarget, event.shiftKey ? -1 : 1)?.dataset.row : undefined;
    if (other) {
      event.preventDefault();
      finish(event.currentTarget.value);
      typeInRow(other, what);
    }
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
