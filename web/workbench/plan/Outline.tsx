import { Box, Flex, Heading, Text, Textarea } from "@chakra-ui/react";
import { closestCenter, DndContext, type DragEndEvent } from "@dnd-kit/core";
import { SortableContext, verticalListSortingStrategy } from "@dnd-kit/sortable";
import { useDeferredValue, useEffect, useMemo, useRef, useState, type ClipboardEvent, type KeyboardEvent, type ReactNode } from "react";
import { pasteOutline } from "../store/slides";
import { goToSlide, redo, undo, useCourse } from "../store/store";
import { Kbd } from "../../kit/Kbd";
import { MainButton } from "../../kit/MainButton";
import { QuietButton } from "../../kit/QuietButton";
import { useDragSensors } from "../../kit/useDragSensors";
import { linesOf, type Line } from "./lines";
import {
  addLine, addSection, copyLines, furtherIn, furtherOut, moveLines, prepare, removeLines, shiftLines,
} from "./outlineActions";
import { OutlineRow } from "./OutlineRow";
import { t } from "../../words/plan";

type Choosing = { shiftKey: boolean; ctrlKey: boolean; metaKey: boolean };

/** So many lines fill a tall window. */
const SEEN_FIRST = 60;

/** The outline: sections and slides as lines to type into. */
export function Outline(): ReactNode {
  const slides = useCourse((state) => state.course.slides);
  const sections = useCourse((state) => state.course.sections);
  const styles = useCourse((state) => state.course.styles);
  const kept = useRef<readonly Line[]>([]);
  const lines = useMemo(() => {
    kept.current = sameWhere(linesOf({ slides, sections }), kept.current);
    return kept.current;
  }, [slides, sections]);
  const ids = useMemo(() => lines.map((line) => line.id), [lines]);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [taken, setTaken] = useState<{ ids: readonly string[]; cut: boolean } | null>(null);
  const sensors = useDragSensors();
  useEffect(() => { void prepare(); }, [styles]);

  /** The chosen lines, or the one that is typed into. */
  const actingOn = (id: string): ReadonlySet<string> => (chosen.has(id) ? chosen : new Set([id]));

  function focusBy(id: string, by: number, extend: boolean): void {
    const from = lines.findIndex((line) => line.id === id);
    const to = lines[from + by];
    if (!to) return;
    setChosen(extend ? new Set([...(chosen.size ? chosen : [id]), to.id]) : new Set());
    focusLine(to.id);
  }

  function onKeyDown(event: KeyboardEvent<HTMLInputElement>, id: string): void {
    const command = event.ctrlKey || event.metaKey;
    if (!(command && onCommand(event, id)) && !onLineKey(event, id)) return;
    event.preventDefault();
    event.stopPropagation();
  }

  /** Keys with Ctrl; gives whether there is something to do. */
  function onCommand(event: KeyboardEvent<HTMLInputElement>, id: string): boolean {
    const field = event.currentTarget;
    const key = event.key.toLowerCase();
    if (key === "z") (event.shiftKey ? redo : undo)();
    else if (key === "y") redo();
    else if ((event.key === "c" || event.key === "x") && (chosen.size > 0 || field.selectionStart === field.selectionEnd)) {
      const ids = lines.filter((line) => actingOn(id).has(line.id)).map((line) => line.id);
      setTaken({ ids, cut: key === "x" });
      // What the system's clipboard held before no longer counts: this was taken last.
      void navigator.clipboard?.writeText("").catch(() => {});
    } else return false;
    return true;
  }

  /** Keys that make, move, choose and remove lines; gives whether there is something to do. */
  function onLineKey(event: KeyboardEvent<HTMLInputElement>, id: string): boolean {
    switch (event.key) {
      case "Enter": focusLine(addLine(id)); return true;
      case "Tab": act(id, event.shiftKey ? furtherOut : furtherIn); return true;
      case "Escape": setChosen(new Set()); return true;
      case "ArrowUp": goOrShift(event, id, -1); return true;
      case "ArrowDown": goOrShift(event, id, 1); return true;
      case "Backspace":
      case "Delete": return removed(event, id);
    }
    return false;
  }

  function goOrShift(event: KeyboardEvent, id: string, by: 1 | -1): void {
    if (event.altKey) {
      shiftLines(actingOn(id), by);
      focusLine(id);
    } else focusBy(id, by, event.shiftKey);
  }

  /** Backspace takes away an empty line; with Delete, all that are chosen. */
  function removed(event: KeyboardEvent<HTMLInputElement>, id: string): boolean {
    if (event.key === "Backspace" && !event.currentTarget.value && !chosen.size) {
      focusBy(id, -1, false);
      removeLines(new Set([id]));
    } else if (chosen.size > 1) {
      removeLines(chosen);
      setChosen(new Set());
    } else return false;
    return true;
  }

  function act(id: string, change: (id: string) => string): void {
    const ids = lines.filter((line) => actingOn(id).has(line.id)).map((line) => line.id);
    const after = new Map(ids.map((one) => [one, change(one)]));
    if (chosen.size) setChosen(new Set(after.values()));
    focusLine(after.get(id) ?? id);
  }

  function onPaste(event: ClipboardEvent<HTMLInputElement>, id: string): void {
    const text = event.clipboardData.getData("text/plain");
    if (!text && taken) {
      event.preventDefault();
      const index = lines.findIndex((line) => line.id === id);
      if (taken.cut) moveLines(new Set(taken.ids), lines[index + 1]?.id ?? null);
      else void copyLines(taken.ids, id);
      if (taken.cut) setTaken(null);
    } else if (text.trim().includes("\n")) {
      event.preventDefault();
      const line = lines.findIndex((other) => other.id === id);
      const slide = lines.slice(0, line + 1).findLast((other) => other.kind === "slide");
      void pasteOutline(text, slide?.id ?? null);
    }
  }

  function choose(id: string, event: Choosing): void {
    if (event.ctrlKey || event.metaKey) {
      const next = new Set(chosen);
      if (!next.delete(id)) next.add(id);
      setChosen(next);
    } else if (event.shiftKey && chosen.size) {
      const places = [...chosen, id].map((one) => lines.findIndex((line) => line.id === one));
      setChosen(new Set(lines.slice(Math.min(...places), Math.max(...places) + 1).map((line) => line.id)));
    } else setChosen(new Set([id]));
  }

  function drop({ active, over }: DragEndEvent): void {
    if (!over || active.id === over.id) return;
    const from = lines.findIndex((line) => line.id === active.id);
    const to = lines.findIndex((line) => line.id === over.id);
    const before = to > from ? lines[to + 1]?.id ?? null : String(over.id);
    moveLines(actingOn(String(active.id)), before);
  }

  // Of a long outline the lines that are seen come first; the others follow while one looks.
  const drawn = useDeferredValue(Number.MAX_SAFE_INTEGER, SEEN_FIRST);

  // The same functions all along, so that a change of one line does not draw all.
  const latest = useRef({ onKeyDown, onPaste, choose });
  latest.current = { onKeyDown, onPaste, choose };
  const rowActions = useMemo(() => ({
    onKeyDown: (event: KeyboardEvent<HTMLInputElement>, id: string) => latest.current.onKeyDown(event, id),
    onPaste: (event: ClipboardEvent<HTMLInputElement>, id: string) => latest.current.onPaste(event, id),
    onChoose: (id: string, event: Choosing) => latest.current.choose(id, event),
    onFocus: (id: string) => { if (useCourse.getState().slides[id]) goToSlide(id); },
  }), []);

  return (
    <Flex direction="column" h="100%" minH="0">
      <Flex px="3.5" pt="3" pb="2" align="baseline" justify="space-between">
        <Heading as="h2" fontSize="14px" fontFamily="body" fontWeight="700">{t("outline")}</Heading>
        <Text color="quiet" fontSize="13px">{t("slides", { count: slides.length })}</Text>
      </Flex>
      <Box flex="1" minH="0" overflowY="auto" px="1.5" data-own-keys>
        <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
          <SortableContext items={ids} strategy={verticalListSortingStrategy}>
            <Box as="ol" listStyleType="none" aria-label={t("sectionsAndSlides")}>
              {lines.slice(0, drawn).map((line) => (
                <OutlineRow
                  key={line.id} line={line} chosen={chosen.has(line.id)} cut={Boolean(taken?.cut && taken.ids.includes(line.id))}
                  {...rowActions}
                />
              ))}
            </Box>
          </SortableContext>
        </DndContext>
        {!lines.length && <EmptyOutline />}
      </Box>
      <Flex px="3.5" py="2" gap="2.5" align="center" borderTopWidth="1px" color="quiet" fontSize="12px" whiteSpace="nowrap">
        <QuietButton size="xs" onClick={() => focusLine(addSection(null))}>{t("newSection")}</QuietButton>
        <Text><Kbd>Enter</Kbd>{" "}{t("nextSlide")}</Text>
        <Text><Kbd>Tab</Kbd>{" "}{t("indent")}</Text>
      </Flex>
    </Flex>
  );
}

/** The new lines, the very old ones where they say the same: what has not changed is not drawn. */
function sameWhere(lines: readonly Line[], before: readonly Line[]): readonly Line[] {
  const known = new Map(before.map((line) => [line.id, line]));
  return lines.map((line) => {
    const old = known.get(line.id);
    const same = old?.kind === line.kind && (line.kind === "slide" || (
      old.kind === "section" && old.title === line.title && Boolean(old.has?.quiz) === Boolean(line.has?.quiz)));
    return same ? old : line;
  });
}

function EmptyOutline(): ReactNode {
  return (
    <Box p="4" color="quiet">
      <Text mb="3">{t("typeTheFirstSlidesTitle")}</Text>
      <MainButton onClick={() => focusLine(addLine(null))}>{t("firstSlide")}</MainButton>
      <Textarea
        mt="3" minH="90px" borderRadius="card" bg="sheet" aria-label={t("pasteAListHere")} placeholder={t("pasteAListHere")}
        onPaste={(event) => {
          event.preventDefault();
          void pasteOutline(event.clipboardData.getData("text/plain"), null);
        }}
      />
    </Box>
  );
}

/** After the line has been drawn. */
function focusLine(id: string | null): void {
  if (!id) return;
  requestAnimationFrame(() => {
    document.querySelector<HTMLInputElement>(`[data-line="${id}"]`)?.focus();
  });
}
