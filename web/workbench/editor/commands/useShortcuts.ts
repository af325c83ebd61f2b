/** The keys of Build. They rest while something is typed or a menu is open. */
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
import { isEditable } from "../text/EditInPlace";
import { toggleTiming } from "../../timing/useTiming";
import { goToPane } from "../panes";
import { showPanel } from "../panels/panels";
import { sendAll } from "../panels/uploads";
import { zoomBy, zoomToFit } from "../stage/view";

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

export function useShortcuts(openPalette: (at: [number, number] | null) => void): void {
  const navigate = useNavigate();
  useEffect(() => {
    function onKeyDown(event: KeyboardEvent): void {
      const { slug, place, editing } = useCourse.getState();
      const command = event.ctrlKey || event.metaKey;
      if (command && event.key.toLowerCase() === "s") {
        event.preventDefault();
        void save();
        return;
      }
      if (command && event.key.toLowerCase() === "f") {
        event.preventDefault();
        showPanel("find");
        return;
      }
      if (event.key === "F6" && !editing) {
        event.preventDefault();
        goToPane(event.shiftKey ? -1 : 1);
        return;
      }
      if (elsewhere(event.target) || editing) return;
      const arrow = ARROWS[event.key];
      const selected = place.selected.length > 0;
      if (command) onCommand(event, arrow, selected);
      else if (event.altKey && (event.key === "ArrowLeft" || event.key === "ArrowRight")) {
        event.preventDefault();
        goBy(event.key === "ArrowRight" ? 1 : -1);
      } else if (arrow && selected && !event.altKey) {
        event.preventDefault();
        const far = event.shiftKey ? FAR : STEP;
        nudge(arrow[0] * far, arrow[1] * far, false);
      } else if (event.key === "/") {
        event.preventDefault();
        openPalette(null);
      } else if ((event.key === "Delete" || event.key === "Backspace") && selected) {
        event.preventDefault();
        void removeSelected();
      } else if (event.key === "Tab" && inStage(event.target)) {
        event.preventDefault();
        selectNext(event.shiftKey ? -1 : 1);
      } else if ((event.key === "Enter" || event.key === "F2") && inStage(event.target)) {
        editSelected(event);
      } else if (event.key === "Escape") {
        leave();
      } else if (event.key.toLowerCase() === "t" && !event.altKey) {
        toggleTiming();
      } else if (event.key.toLowerCase() === "r" && !event.altKey) {
        void navigate(`/courses/${slug}/rehearse?from=${place.slide ?? ""}`);
      }
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
  }, [navigate, openPalette]);
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
  else if (words.trim()) void addElement("text", null, (slide, ids) => withWords(slide, ids[0] ?? "", words));
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
  if (useCourse.getState().place.selected.length) select([]);
  else if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
}

function editSelected(event: KeyboardEvent): void {
  const { place } = useCourse.getState();
  const element = currentSlide()?.elements.find((other) => other.id === place.selected[0]);
  if (place.selected.length === 1 && element && isEditable(element) && !element.locked) {
    event.preventDefault();
    edit(element.id);
  }
}

function onCommand(
  event: KeyboardEvent, arrow: [number, number] | undefined, selected: boolean,
): void {
  const key = event.key.toLowerCase();
  const far = event.shiftKey ? FAR : STEP;
  const actions: Record<string, () => void> = {
    z: () => (event.shiftKey ? redo() : undo()),
    y: redo,
    c: () => void copySelected(),
    x: () => void cutSelected(),
    g: () => void (event.shiftKey ? ungroupSelected() : groupSelected()),
    "]": () => void arrangeSelected("One further up", { level: "forward" }),
    "[": () => void arrangeSelected("One further down", { level: "backward" }),
    "0": zoomToFit,
    "-": () => zoomBy(-1),
    "+": () => zoomBy(1),
    "=": () => zoomBy(1),
    d: () => void duplicateSelected(),
    a: () => select(currentSlide()?.elements.filter((e) => !e.group && !e.locked).map((e) => e.id) ?? []),
  };
  if (event.altKey && (key === "c" || key === "v")) {
    event.preventDefault();
    (key === "c" ? copyStyle : applyStyle)();
    return;
  }
  const action = arrow && selected
    ? () => nudge(arrow[0] * far, arrow[1] * far, true) : actions[key];
  if (!action) return;
  // What is selected as text on the page is copied as text.
  if ((key === "c" || key === "x") && !selected) return;
  event.preventDefault();
  action();
}

function goBy(step: number): void {
  const { course, place } = useCourse.getState();
  const next = course.slides[course.slides.indexOf(place.slide ?? "") + step];
  if (next) goToSlide(next);
}
