/** Everything that the palette offers. */
import { useQuery } from "@tanstack/react-query";
import {
  AppWindow, Baseline, Circle, Clock, CircleDot, ClipboardPaste, Copy, CornerDownRight, FilePlus2, Film, Gauge, Group, Hash, Heading1,
  Heading2, Image, Link2, List, Lock, MessageSquare, Minus, MousePointerClick, MoveRight, Music, Palette, Play, Redo2, Search,
  Shapes, SlidersHorizontal, Square, SquareCheck, SquareDashedMousePointer, Star, Table, TextCursorInput, Trash2, Triangle, Undo2,
  PictureInPicture2, Scaling, Ungroup, Variable, Workflow, type LucideIcon,
} from "lucide-react";
import { useNavigate } from "react-router";
import { api, take } from "../../../api/client";
import type { Element, RuleAction, Slide } from "../../../api/types";
import { addElement, type Addition } from "../../store/adding";
import { duplicateSelected } from "../../store/clipboard";
import {
  arrangeSelected, attempt, groupSelected, removeSelected, toggleSelected, ungroupSelected,
} from "../../store/commands";
import { addFile, kindOf, takeFrom } from "../../store/media";
import { addSlide, duplicateSlide } from "../../store/slides";
import { applyStyle, copyStyle } from "../../store/styles";
import { changeElements, changeSlide, currentSlide, goToSlide, redo, select, undo, useCourse } from "../../store/store";
import { newRule, newWhen } from "../../does/sentences";
import { makePattern, type ReadyPattern } from "../../does/patterns";
import { toggleTiming } from "../../timing/useTiming";
import { ARRANGE } from "../cards/ArrangeCard";
import { choicesOf, KINDS, withRight } from "../../judges/parts";
import { makeQuestion } from "../../judges/making";
import { addOverlay } from "../stage/overlays";
import { useLayouts } from "../cards/LayoutPicker";
import { showPanel } from "../panels/panels";

export interface Entry {
  word: string;
  also: string;
  group: string;
  icon: LucideIcon;
  run: () => void;
  /** Tells entries of the same word apart. */
  key?: string;
  /** Only offered for what is typed. */
  whenTyped?: boolean;
  /** The palette stays for what comes next. */
  stays?: boolean;
}

/** Patterns: made of what is selected, or as a ready arrangement. */
const PATTERNS: [word: string, also: string, what: ReadyPattern][] = [
  ["Reveal set", "click show panel hide one at a time", "reveal_set"], ["Tabs", "reveal set click show", "tabs"],
  ["Accordion", "reveal set fold open close", "accordion"], ["Cards that open", "reveal set", "cards"],
  ["Markers on a picture", "reveal set points", "markers"], ["Timeline", "reveal set steps years", "timeline"],
  ["Seen counter", "how many left count", "seen_counter"], ["Flip cards", "turn front back", "flip_cards"],
  ["Sequence of steps", "next back process", "steps"], ["Before and after slider", "compare wipe pictures", "before_after"],
  ["Checklist", "tick off tasks", "checklist"], ["Choose a path", "branch fork scenario", "choose_path"],
  ["Spot the places in a picture", "find hotspots areas", "spot_places"],
];

type Row = [word: string, also: string, icon: LucideIcon, what: Addition];

const ELEMENTS: Row[] = [
  ["Text", "words paragraph", TextCursorInput, "text"],
  ["Title", "heading", Heading1, "title"],
  ["Heading", "subtitle", Heading2, "heading"],
  ["Button", "click link", MousePointerClick, "button"],
  ["Area", "click region invisible", SquareDashedMousePointer, "area"],
  ["Rectangle", "shape box panel", Square, "rectangle"],
  ["Ellipse", "shape circle", Circle, "ellipse"],
  ["Line", "shape rule", Minus, "line"],
  ["Arrow", "shape line pointer", MoveRight, "arrow"],
  ["Callout", "shape speech bubble", MessageSquare, "callout"],
  ["Triangle", "shape polygon", Triangle, "triangle"],
  ["Star", "shape polygon", Star, "star"],
  ["Table", "rows columns cells", Table, "table"],
  ["Text input", "field answer name", Baseline, "text_input"],
  ["Number input", "field", Hash, "number_input"],
  ["Choice list", "input select", List, "choice_list"],
  ["Checkbox", "input yes no", SquareCheck, "checkbox"],
  ["Slider", "input number", SlidersHorizontal, "slider"],
  ["Progress bar", "meter", Gauge, "progress_bar"],
  ["Progress ring", "meter circle", Gauge, "progress_ring"],
  ["Progress in words", "meter text", Gauge, "progress_text"],
  ["Web page", "embed frame site", AppWindow, "embed"],
];

const NUMBERS: [word: string, also: string, put: (to: number) => Partial<Element>][] = [
  ["left", "x across place", (x) => ({ x })], ["top", "y down place", (y) => ({ y })],
  ["wide", "width w size", (w) => ({ w: Math.max(w, 1) })], ["high", "height h size", (h) => ({ h: Math.max(h, 1) })],
  ["turn", "rotate degrees", (turn) => ({ turn })],
];

/** Typed with a number: where the selected elements stand, how large they are. */
function exactly(typed: string, selected: readonly string[]): Entry[] {
  const [, name = "", amount = ""] = /^\s*([a-z]+)\s+(-?\d+(?:\.\d+)?)\s*$/i.exec(typed) ?? [];
  if (!name || !selected.length || Math.abs(Number(amount)) > 10_000) return [];
  return NUMBERS.filter(([word, also]) => `${word} ${also}`.split(" ").some((one) => one === name.toLowerCase()))
    .map(([word, , put]): Entry => ({
      word: `${word} ${amount}`, also: typed, group: "arrange", icon: Scaling, whenTyped: true,
      run: () => changeElements(`Set ${word}`, selected, (element) => ({ ...element, ...put(Number(amount)) }) as Element),
    }));
}

/** That an answer is the right one, where `element` is one of a question that is judged. */
function marking({ questions }: Slide, element: string): Entry[] {
  const asked = questions.find((q) => q.purpose !== "survey" && choicesOf(q).some((c) => c.element === element));
  return !asked ? [] : [{
    word: "Mark as the right answer", also: "judges correct", group: "question", icon: SquareCheck,
    run: () => { const now = currentSlide(); if (now) changeSlide("Right answer", {
      ...now, questions: now.questions.map((q) => (q.id === asked.id ? withRight(q, element) : q)),
    }); },
  }];
}

/** What the palette offers for the words typed so far; `at` is where new elements go, in px. */
export function useEntries(typed: string, at: [number, number] | null, pickPicture: () => void, pickPlaying: () => void): Entry[] {
  const navigate = useNavigate();
  const { slug, course, slides, selection } = useCourse.getState();
  const layouts = useLayouts();
  const drawings = useQuery({
    queryKey: ["drawings"], staleTime: Infinity, queryFn: () => take(api.GET("/api/drawings")),
  }).data ?? [];
  const slide = selection.slide;
  const elements = ELEMENTS.map(([word, also, icon, what]): Entry => (
    { word, also, group: "element", icon, run: () => void addElement(what, at) }));
  const files: Entry[] = [
    { word: "Picture", also: "image photo drawing svg png", group: "element", icon: Image, run: pickPicture, stays: true },
    { word: "Video or audio", also: "film sound mp4 mp3", group: "element", icon: Film, run: pickPlaying, stays: true },
  ];
  const commands: Entry[] = [
    ...KINDS.map(([kind, word, also]): Entry => ({ word, key: `ask ${kind}`, also: `question quiz ${also}`, group: "question", icon: CircleDot, run: () => void addElement(kind, at) })),
    ...(selection.selected.length ? KINDS.map(([kind, word]): Entry => ({
      word: `Make a question of this: ${word}`, key: `from ${kind}`, also: "from selection", group: "question", icon: CircleDot, whenTyped: true, run: () => void makeQuestion(kind),
    })) : []),
    ...PATTERNS.map(([word, also, what]): Entry => ({ word, also, group: "pattern", icon: Workflow, run: () => void makePattern(what) })),
    { word: "Overlay", also: "panel popup dialog over", group: "element", icon: PictureInPicture2, run: () => void addOverlay() },
    { word: "Timing", also: "cues time axis appear animation", group: "command", icon: Clock, run: toggleTiming },
    { word: "Variables", also: "number text yes no remember", group: "command", icon: Variable, run: () => showPanel("variables") },
    { word: "New slide", also: "add page", group: "slide", icon: FilePlus2, run: () => void addSlide() },
    { word: "Duplicate slide", also: "copy", group: "slide", icon: Copy, run: () => { if (slide) void duplicateSlide(slide); } },
    { word: "Duplicate what is selected", also: "copy", group: "command", icon: Copy, run: () => void duplicateSelected() },
    { word: "Delete what is selected", also: "remove", group: "command", icon: Trash2, run: () => void removeSelected() },
    { word: "Group", also: "together", group: "command", icon: Group, run: () => void groupSelected() },
    { word: "Ungroup", also: "apart", group: "command", icon: Ungroup, run: () => void ungroupSelected() },
    { word: "Lock or unlock", also: "fix", group: "command", icon: Lock, run: () => toggleSelected("locked") },
    { word: "Copy look", also: "style format", group: "command", icon: Palette, run: copyStyle },
    { word: "Apply copied look", also: "style format", group: "command", icon: ClipboardPaste, run: applyStyle },
    { word: "Find and replace", also: "search change text colour", group: "command", icon: Search, run: () => showPanel("find") },
    { word: "Media", also: "files library drawings pictures", group: "command", icon: Shapes, run: () => showPanel("media") },
    { word: "Earlier states", also: "history versions back", group: "command", icon: Undo2, run: () => showPanel("earlier") },
    { word: "Undo", also: "back", group: "command", icon: Undo2, run: undo },
    { word: "Redo", also: "again", group: "command", icon: Redo2, run: redo },
    { word: "Rehearse from here", also: "play try run", group: "command", icon: Play, run: () => void navigate(`/courses/${slug}/rehearse?from=${slide ?? ""}`) },
  ];
  const many = selection.selected.length > 1;
  const arranging = selection.selected.length === 0 ? [] : ARRANGE.map(([label, how, icon]): Entry => ({
    word: label, also: "arrange line up space size order", group: "arrange", icon,
    run: () => void arrangeSelected(label, { ...how, ...(how.edge || how.axis ? { to_slide: !many } : {}) }),
  }));
  const shown = slides[slide ?? ""];
  const only = many ? undefined : shown?.elements.find(({ id }) => id === selection.selected[0]);
  const leading = !only ? [] : [
    ...course.slides.filter((id) => id !== slide).map((id): Entry => ({
      word: `When clicked, go to ${slides[id]?.title ?? ""}`, key: `lead ${id}`, also: "does link lead", group: `does “${only.name}”`,
      icon: CornerDownRight, whenTyped: true, run: () => addAction(only.id, { action: "go", go: { to: "slide", slide: id } }),
    })),
    ...(shown?.overlays ?? []).map(({ id, name }): Entry => ({
      word: `When clicked, open ${name}`, key: `open ${id}`, also: "does show overlay", group: `does “${only.name}”`,
      icon: PictureInPicture2, whenTyped: true, run: () => addAction(only.id, { action: "show", what: id }),
    })),
  ];
  const judging = only && shown ? marking(shown, only.id) : [];
  const fromLayouts = layouts.map((layout): Entry => ({
    word: `New slide: ${layout.name}`, key: layout.id, also: "layout", group: "slide", icon: FilePlus2, whenTyped: true, run: () => void addSlide(layout.id),
  }));
  const toSlides = course.slides.map((id, n): Entry => ({
    word: `${n + 1} ${slides[id]?.title ?? ""}`, key: id, also: "go to", group: "go to slide", icon: CornerDownRight, whenTyped: true, run: () => goToSlide(id),
  }));
  const toElements = course.slides.flatMap((id, n) => (slides[id]?.elements ?? []).map((element): Entry => ({
    word: element.name, key: element.id, also: `go to ${slides[id]?.title ?? ""}`, group: `on slide ${n + 1}`, icon: Link2, whenTyped: true,
    run: () => { goToSlide(id); select([element.id]); },
  })));
  const ownFiles = course.media.map((file): Entry => ({
    word: file.name, key: file.id, also: file.tags.join(" "), group: "file", icon: kindOf(file) === "audio" ? Music : Image, whenTyped: true,
    run: () => void addFile(file, at),
  }));
  const drawn = drawings.map(({ key, name, tags, group }): Entry => ({
    word: name, key, also: `${tags.join(" ")} ${group}`, group: "drawing", icon: Shapes, whenTyped: true,
    run: () => void attempt(async () => addFile(await takeFrom({ drawing: key }), at)),
  }));
  return [...elements.slice(0, 3), ...files, ...elements.slice(3), ...commands, ...exactly(typed, selection.selected), ...arranging, ...judging, ...leading, ...toSlides, ...fromLayouts, ...ownFiles, ...toElements, ...drawn];
}

/** Let a click on an element do one thing more: in the sentence that it has, or in a new one. */
function addAction(id: string, action: RuleAction): void {
  changeElements("Add sentence", [id], (element) => {
    const clicked = element.rules.find((rule) => rule.when.event === "clicked" && rule.condition === true);
    const rules = clicked
      ? element.rules.map((rule) => (rule === clicked ? { ...rule, do: [...rule.do.filter((old) => old.action !== "go"), action] } : rule))
      : [...element.rules, { ...newRule(newWhen("clicked", [])), do: [action] }];
    return { ...element, rules } as Element;
  });
}
