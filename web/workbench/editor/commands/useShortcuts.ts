import { useEffect } from "react";
import { useNavigate } from "react-router";
import type { Slide } from "../../../api/types";
import { addElement } from "../../store/adding";
import {
  copiedFor, copySelected, cutSelected, duplicateSelected, paste, pastesWhatIsBeingCopied,
} from "../../store/clipboard";
import {
  arrangeSelected, groupSelected, nudge, removeSelected, selectNext, ungroupSelected,
} from "../../store/commands";
import { paragraphs } from "../../store/richText";
import { save } from "../../store/saver";
import { currentSlide, edit, goToSlide, redo, select, undo, useCourse } from "../../store/store";
import { applyStyle, copyStyle } from "../../store/styles";
import { isEditable } from "../text/editable";
import { toggleTiming } from "../../timing/useTiming";
import { goToPane } from "../panes";
import { showPanel } from "../panels/panels";
import { sendAll } from "../panels/uploads";
import { toggleRoom, zoomBy, zoomToFit } from "../stage/view";
import { t } from "../../../words/editor";

const STEP = 1;
const FAR = 10;

const ARROWS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1],
};

/** Whether the key belongs to something else that has the focus. */
function elsewhere(target: EventTarget | null): boolean {
  return target instanceof Element
    && target.closest("input, textarea, select, [contenteditable=true], [role=menu], [role=dialog], [role=listbox], [data-own-keys]") !== null;
}

interface Pressed {
  event: KeyboardEvent;
  /** In lower case. */
  key: string;
  command: boolean;
  arrow: [number, number] | undefined;
  selected: boolean;
  openPalette: (at: [number, number] | null) => void;
  openHelp: () => void;
  rehearse: () => void;
}

interface Shortcut {
  fits: (pressed: Pressed) => boolean;
  run: (pressed: Pressed) => void;
  /** The browser does with the key what it does. */
  passes?: boolean;
}

/** Keys that count wherever the focus is. */
const EVERYWHERE: readonly Shortcut[] = [
  { fits: ({ command, key }) => command && key === "s", run: () => void save() },
  { fits: ({ command, key }) => command && key === "f", run: () => showPanel("find") },
  {
    fits: ({ event }) => event.key === "F6" && !useCourse.getState().editing,
    run: ({ event }) => goToPane(event.shiftKey ? -1 : 1),
  },
];

/** Keys that count while nothing is typed; the first that fits. */
const SHORTCUTS: readonly Shortcut[] = [
  { fits: ({ command }) => command, run: onCommand, passes: true },
  {
    fits: ({ event }) => event.altKey && (event.key === "ArrowLeft" || event.key === "ArrowRight"),
    run: ({ event }) => goBy(event.key === "ArrowRight" ? 1 : -1),
  },
  {
    fits: ({ event, arrow, selected }) => arrow !== undefined && selected && !event.altKey,
    run: ({ event, arrow }) => nudgeBy(arrow, event.shiftKey ? FAR : STEP, false),
  },
  { fits: ({ key }) => key === "/", run: ({ openPalette }) => openPalette(null) },
  { fits: ({ key }) => key === "?", run: ({ openHelp }) => openHelp() },
  { fits: ({ key, selected }) => selected && (key === "delete" || key === "backspace"), run: () => void removeSelected() },
  { fits: ({ event, key }) => key === "tab" && inStage(event.target), run: ({ event }) => selectNext(event.shiftKey ? -1 : 1) },
  {
    fits: ({ event, key }) => (key === "enter" || key === "f2") && inStage(event.target),
    run: ({ event }) => editSelected(event), passes: true,
  },
  { fits: ({ key }) => key === "escape", run: leave, passes: true },
  { fits: ({ event, key }) => key === "t" && !event.altKey, run: toggleTiming, passes: true },
  { fits: ({ event, key }) => key === "w" && !event.altKey, run: toggleRoom, passes: true },
  { fits: ({ event, key }) => key === "r" && !event.altKey, run: ({ rehearse }) => rehearse(), passes: true },
];

function runFirst(shortcuts: readonly Shortcut[], pressed: Pressed): boolean {
  const found = shortcuts.find(({ fits }) => fits(pressed));
  if (!found) return false;
  if (!found.passes) pressed.event.preventDefault();
  found.run(pressed);
  return true;
}

/** The keys of Build. They rest while something is typed or a menu is open. */
export function useShortcuts(openPalette: (at: [number, number] | null) => void, openHelp: () => void): void {
  const navigate = useNavigate();
  useEffect(() => {
    function onKeyDown(event: KeyboardEvent): void {
      const { slug, selection, editing } = useCourse.getState();
      const pressed: Pressed = {
        event, key: event.key.toLowerCase(), command: event.ctrlKey || event.metaKey, arrow: ARROWS[event.key],
        selected: selection.selected.length > 0, openPalette, openHelp,
        rehearse: () => void navigate(`/courses/${slug}/rehearse?from=${selection.slide ?? ""}`),
      };
      if (!runFirst(EVERYWHERE, pressed) && !elsewhere(event.target) && !editing) runFirst(SHORTCUTS, pressed);
    }
    function onPaste(event: ClipboardEvent): void {
      if (elsewhere(event.target) || useCourse.getState().editing) return;
      event.preventDefault();
      pasteFrom(event.clipboardData);
    }
    window.addEventListener("keydown", onKeyDown);
    window.addEventListener("paste", onPaste);
    return () => {
      window.removeEventListener("keydown", onKeyDown);
      window.removeEventListener("paste", onPaste);
    };
  }, [navigate, openPalette, openHelp]);
}

function nudgeBy(arrow: [number, number] | undefined, by: number, resizes: boolean): void {
  if (arrow) nudge(arrow[0] * by, arrow[1] * by, resizes);
}

/** What comes from the clipboard: files, what was copied here, or words for a new text. */
function pasteFrom(data: DataTransfer | null): void {
  const files = [...data?.files ?? []];
  if (files.length) {
    sendAll(files, { at: null });
    return;
  }
  if (pastesWhatIsBeingCopied()) return;
  const words = data?.getData("text/plain") ?? "";
  const copied = copiedFor(words);
  if (copied) void paste(copied);
  else if (words.trim()) void addElement("text", null, { finish: (slide, ids) => withWords(slide, ids[0] ?? "", words) });
}

function withWords(slide: Slide, id: string, words: string): Slide {
  const text = paragraphs(words.trim());
  return {
    ...slide, elements: slide.elements.map((element) => (element.id === id && element.kind === "text"
      ? { ...element, text } : element)),
  };
}

/** The keys of the slide itself: Tab steps through its elements, until Escape lets go. */
function inStage(target: EventTarget | null): boolean {
  return target instanceof Element && target.closest("[data-stage]") !== null;
}

/** Escape lets go of the selection, then of the slide. */
function leave(): void {
  if (useCourse.getState().selection.selected.length) select([]);
  else if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
}

function editSelected(event: KeyboardEvent): void {
  const { selection } = useCourse.getState();
  const element = currentSlide()?.elements.find((other) => other.id === selection.selected[0]);
  if (selection.selected.length === 1 && element && isEditable(element) && !element.locked) {
    event.preventDefault();
    edit(element.id);
  }
}

/** What Ctrl with a key does; with Shift some of it does the opposite. */
const COMMANDS: Readonly<Record<string, (shift: boolean) => void>> = {
  z: (shift) => (shift ? redo() : undo()),
  y: redo,
  c: () => void copySelected(),
  x: () => void cutSelected(),
  g: (shift) => void (shift ? ungroupSelected() : groupSelected()),
  "]": () => void arrangeSelected(t("forwardOne"), { level: "forward" }),
  "[": () => void arrangeSelected(t("backwardOne"), { level: "backward" }),
  "0": zoomToFit,
  "-": () => zoomBy(-1),
  "+": () => zoomBy(1),
  "=": () => zoomBy(1),
  d: () => void duplicateSelected(),
  a: () => select(currentSlide()?.elements.filter((e) => !e.group && !e.locked).map((e) => e.id) ?? []),
};

function onCommand({ event, key, arrow, selected }: Pressed): void {
  if (event.altKey && (key === "c" || key === "v")) {
    event.preventDefault();
    (key === "c" ? copyStyle : applyStyle)();
    return;
  }
  const far = event.shiftKey ? FAR : STEP;
  const action = arrow && selected ? () => nudgeBy(arrow, far, true) : COMMANDS[key];
  if (!action) return;
  // What is selected as text on the page is copied as text.
  if ((key === "c" || key === "x") && !selected) return;
  event.preventDefault();
  action(event.shiftKey);
}

function goBy(step: number): void {
  const { course, selection } = useCourse.getState();
  const next = course.slides[course.slides.indexOf(selection.slide ?? "") + step];
  if (next) goToSlide(next);
}
