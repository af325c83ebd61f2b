/** Everything that the palette offers. */
import { useQuery } from "@tanstack/react-query";
import {
  AppWindow, Baseline, Circle, Clock, CircleDot, ClipboardPaste, Copy, CornerDownRight, FilePlus2, Film, Gauge, Group, Hash, Heading1,
  Heading2, Image, Link2, List, Lock, MessageSquare, Mic, Minus, MousePointerClick, MoveRight, Music, Palette, Play, Redo2, Search,
  Shapes, SlidersHorizontal, Square, SquareCheck, SquareDashedMousePointer, Star, Table, TextCursorInput, Trash2, Triangle, Undo2,
  PictureInPicture2, Scaling, Ungroup, Variable, Workflow, type LucideIcon,
} from "lucide-react";
import { useNavigate } from "react-router";
import { PATTERN_PARTS } from "../../../api/tables";
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
import { newDialogue } from "../../dialogue/page";
import { showPanel } from "../panels/panels";
import { settingEntries } from "./settings";
import { showScript } from "../../script/page";
import { t as dialogue } from "../../../words/dialogue";
import { t } from "../../../words/editor";
import { t as script } from "../../../words/script";

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
  [t("revealSet"), t("clickShowPanelHideOne"), "reveal_set"], [t("tabs"), t("revealSetClickShow"), "tabs"],
  [t("accordion"), t("revealSetFoldOpenClose"), "accordion"], [t("cardsThatOpen"), t("revealSet2"), "cards"],
  [t("markersOnAPicture"), t("revealSetPoints"), "markers"], [t("timeline"), t("revealSetStepsYears"), "timeline"],
  [t("seenCounter"), t("howManyLeftCount"), "seen_counter"], [t("flipCards"), t("turnFrontBack"), "flip_cards"],
  [t("sequenceOfSteps"), t("nextBackProcess"), "steps"], [t("beforeAndAfterSlider"), t("compareWipePictures"), "before_after"],
  [t("checklist"), t("tickOffTasks"), "checklist"], [t("chooseAPath"), t("branchForkScenario"), "choose_path"],
  [t("spotThePlacesInA"), t("findHotspotsAreas"), "spot_places"],
];

/** Patterns that can have any number of parts. */
const COUNTED: ReadonlySet<string> = new Set(PATTERN_PARTS.of);

/** Typed with a number, as in “9 checklist”: a ready pattern of so many parts. */
function counted(typed: string): Entry[] {
  const [, before, words = "", after] = /^\s*(?:(\d{1,2})\s+)?([^\d]*?)(?:\s+(\d{1,2}))?\s*$/.exec(typed) ?? [];
  const count = Number(before ?? after ?? 0);
  if (count < PATTERN_PARTS.fewest || count > PATTERN_PARTS.most || !words.trim()) return [];
  return PATTERNS.filter(([, , what]) => COUNTED.has(what)).map(([word, also, what]): Entry => ({
    word: t("countOfPattern", { word, count }), key: `${count} ${what}`, also: `${also} ${typed}`, group: t("pattern"), icon: Workflow, whenTyped: true,
    run: () => void makePattern(what, count),
  })).filter(({ word, also }) => words.toLowerCase().split(/\s+/).every((part) => `${word} ${also.replace(typed, "")}`.toLowerCase().includes(part)));
}

type Row = [word: string, also: string, icon: LucideIcon, what: Addition];

const ELEMENTS: Row[] = [
  [t("text"), t("wordsParagraph"), TextCursorInput, "text"],
  [t("title"), t("heading"), Heading1, "title"],
  [t("heading"), t("subtitle"), Heading2, "heading"],
  [t("button"), t("clickLink"), MousePointerClick, "button"],
  [t("area"), t("clickRegionInvisible"), SquareDashedMousePointer, "area"],
  [t("rectangle"), t("shapeBoxPanel"), Square, "rectangle"],
  [t("ellipse"), t("shapeCircle"), Circle, "ellipse"],
  [t("line"), t("shapeRule"), Minus, "line"],
  [t("arrow"), t("shapeLinePointer"), MoveRight, "arrow"],
  [t("callout"), t("shapeSpeechBubble"), MessageSquare, "callout"],
  [t("triangle"), t("shapePolygon"), Triangle, "triangle"],
  [t("star"), t("shapePolygon"), Star, "star"],
  [t("table"), t("rowsColumnsCells"), Table, "table"],
  [t("textInput"), t("fieldAnswerName"), Baseline, "text_input"],
  [t("numberInput"), t("field"), Hash, "number_input"],
  [t("choiceList"), t("inputSelect"), List, "choice_list"],
  [t("checkbox"), t("inputYesNo"), SquareCheck, "checkbox"],
  [t("slider"), t("inputNumber"), SlidersHorizontal, "slider"],
  [t("progressBar"), t("meter2"), Gauge, "progress_bar"],
  [t("progressRing"), t("meterCircle"), Gauge, "progress_ring"],
  [t("progressText"), t("meterText"), Gauge, "progress_text"],
  [t("webPage"), t("embedFrameSite"), AppWindow, "embed"],
];

const NUMBERS: [word: string, also: string, put: (to: number) => Partial<Element>][] = [
  ["left", t("xAcrossPlace"), (x) => ({ x })], ["top", t("yDownPlace"), (y) => ({ y })],
  ["wide", t("widthWSize"), (w) => ({ w: Math.max(w, 1) })], ["high", t("heightHSize"), (h) => ({ h: Math.max(h, 1) })],
  ["turn", t("rotateDegrees"), (turn) => ({ turn })],
];

/** Typed with a number: where the selected elements stand, how large they are. */
function exactly(typed: string, selected: readonly string[]): Entry[] {
  const [, name = "", amount = ""] = /^\s*([a-z]+)\s+(-?\d+(?:\.\d+)?)\s*$/i.exec(typed) ?? [];
  if (!name || !selected.length || Math.abs(Number(amount)) > 10_000) return [];
  return NUMBERS.filter(([word, also]) => `${word} ${also}`.split(" ").some((one) => one === name.toLowerCase()))
    .map(([word, , put]): Entry => ({
      word: `${word} ${amount}`, also: typed, group: t("arrange2"), icon: Scaling, whenTyped: true,
      run: () => changeElements(t("setWord", { word }), selected, (element) => ({ ...element, ...put(Number(amount)) }) as Element),
    }));
}

/** That an answer is the right one, where `element` is one of a question that is judged. */
function marking({ questions }: Slide, element: string): Entry[] {
  const asked = questions.find((q) => q.purpose !== "survey" && choicesOf(q).some((c) => c.element === element));
  return !asked ? [] : [{
    word: t("markAsCorrect"), also: t("judgesCorrect"), group: t("question"), icon: SquareCheck,
    run: () => { const now = currentSlide(); if (now) changeSlide(t("correctAnswer"), {
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
    { word, also, group: t("element"), icon, run: () => void addElement(what, at) }));
  const files: Entry[] = [
    { word: t("picture"), also: t("imagePhotoDrawingSvgPng"), group: t("element"), icon: Image, run: pickPicture, stays: true },
    { word: t("videoOrAudio"), also: t("filmSoundMp4Mp3"), group: t("element"), icon: Film, run: pickPlaying, stays: true },
  ];
  const commands: Entry[] = [
    ...KINDS.map(([kind, word, also]): Entry => ({ word, key: `ask ${kind}`, also: t("questionQuizAlso", { also }), group: t("question"), icon: CircleDot, run: () => void addElement(kind, at) })),
    ...(selection.selected.length ? KINDS.map(([kind, word]): Entry => ({
      word: t("makeThisAQuestionWord", { word }), key: `from ${kind}`, also: t("fromSelection"), group: t("question"), icon: CircleDot, whenTyped: true, run: () => void makeQuestion(kind),
    })) : []),
    ...PATTERNS.map(([word, also, what]): Entry => ({ word, also, group: t("pattern"), icon: Workflow, run: () => void makePattern(what) })),
    { word: dialogue("dialogue"), also: dialogue("conversationScriptTalk"), group: t("pattern"), icon: MessageSquare, run: () => void newDialogue() },
    { word: t("overlay"), also: t("panelPopupDialogOver"), group: t("element"), icon: PictureInPicture2, run: () => void addOverlay() },
    { word: t("timing"), also: t("cuesTimeAxisAppearAnimation"), group: t("command"), icon: Clock, run: toggleTiming },
    { word: t("variables"), also: t("numberTextYesNoRemember"), group: t("command"), icon: Variable, run: () => showPanel("variables") },
    { word: t("newSlide"), also: t("addPage"), group: t("slide"), icon: FilePlus2, run: () => void addSlide() },
    { word: t("duplicateSlide"), also: t("copy"), group: t("slide"), icon: Copy, run: () => { if (slide) void duplicateSlide(slide); } },
    { word: t("duplicateWhatIsSelected"), also: t("copy"), group: t("command"), icon: Copy, run: () => void duplicateSelected() },
    { word: t("deleteWhatIsSelected"), also: t("remove"), group: t("command"), icon: Trash2, run: () => void removeSelected() },
    { word: t("group"), also: t("together"), group: t("command"), icon: Group, run: () => void groupSelected() },
    { word: t("ungroup"), also: t("apart"), group: t("command"), icon: Ungroup, run: () => void ungroupSelected() },
    { word: t("lockOrUnlock"), also: t("fix"), group: t("command"), icon: Lock, run: () => toggleSelected("locked") },
    { word: t("copyStyle"), also: t("styleFormat"), group: t("command"), icon: Palette, run: copyStyle },
    { word: t("pasteStyle"), also: t("styleFormat"), group: t("command"), icon: ClipboardPaste, run: applyStyle },
    { word: t("findAndReplace"), also: t("searchChangeTextColour"), group: t("command"), icon: Search, run: () => showPanel("find") },
    { word: script("openScript"), also: script("scriptAlso"), group: t("command"), icon: Mic, run: () => { showScript(true); void navigate(`/courses/${slug}/plan`); } },
    { word: t("media"), also: t("filesLibraryDrawingsPictures"), group: t("command"), icon: Shapes, run: () => showPanel("media") },
    { word: t("versionHistory"), also: t("historyVersionsBack"), group: t("command"), icon: Undo2, run: () => showPanel("earlier") },
    { word: t("undo"), also: t("back2"), group: t("command"), icon: Undo2, run: undo },
    { word: t("redo"), also: t("again"), group: t("command"), icon: Redo2, run: redo },
    { word: t("rehearseFromHere2"), also: t("playTryRun"), group: t("command"), icon: Play, run: () => void navigate(`/courses/${slug}/rehearse?from=${slide ?? ""}`) },
  ];
  const many = selection.selected.length > 1;
  const arranging = selection.selected.length === 0 ? [] : ARRANGE.map(([label, how, icon]): Entry => ({
    word: label, also: t("arrangeLineUpSpaceSize"), group: t("arrange2"), icon,
    run: () => void arrangeSelected(label, { ...how, ...(how.edge || how.axis ? { to_slide: !many } : {}) }),
  }));
  const shown = slides[slide ?? ""];
  const only = many ? undefined : shown?.elements.find(({ id }) => id === selection.selected[0]);
  const leading = !only ? [] : [
    ...course.slides.filter((id) => id !== slide).map((id): Entry => ({
      word: t("whenClickedGoToTitle", { title: slides[id]?.title ?? "" }), key: `lead ${id}`, also: t("doesLinkLead"), group: t("doesName", { name: only.name }),
      icon: CornerDownRight, whenTyped: true, run: () => addAction(only.id, { action: "go", go: { to: "slide", slide: id } }),
    })),
    ...(shown?.overlays ?? []).map(({ id, name }): Entry => ({
      word: t("whenClickedOpenName", { name }), key: `open ${id}`, also: t("doesShowOverlay"), group: t("doesName", { name: only.name }),
      icon: PictureInPicture2, whenTyped: true, run: () => addAction(only.id, { action: "show", what: id }),
    })),
  ];
  const judging = only && shown ? marking(shown, only.id) : [];
  const fromLayouts = layouts.map((layout): Entry => ({
    word: t("newSlideName", { name: layout.name }), key: layout.id, also: t("layout2"), group: t("slide"), icon: FilePlus2, whenTyped: true, run: () => void addSlide(layout.id),
  }));
  const toSlides = course.slides.map((id, n): Entry => ({
    word: `${n + 1} ${slides[id]?.title ?? ""}`, key: id, also: t("goTo"), group: t("goToSlide"), icon: CornerDownRight, whenTyped: true, run: () => goToSlide(id),
  }));
  const toElements = course.slides.flatMap((id, n) => (slides[id]?.elements ?? []).map((element): Entry => ({
    word: element.name, key: element.id, also: t("goToTitle", { title: slides[id]?.title ?? "" }), group: t("onSlideN", { n: n + 1 }), icon: Link2, whenTyped: true,
    run: () => { goToSlide(id); select([element.id]); },
  })));
  const ownFiles = course.media.map((file): Entry => ({
    word: file.name, key: file.id, also: file.tags.join(" "), group: t("file"), icon: kindOf(file) === "audio" ? Music : Image, whenTyped: true,
    run: () => void addFile(file, at),
  }));
  const drawn = drawings.map(({ key, name, tags, group }): Entry => ({
    word: name, key, also: `${tags.join(" ")} ${group}`, group: t("drawing"), icon: Shapes, whenTyped: true,
    run: () => void attempt(async () => addFile(await takeFrom({ drawing: key }), at)),
  }));
  return [...elements.slice(0, 3), ...files, ...elements.slice(3), ...counted(typed), ...commands, ...exactly(typed, selection.selected), ...arranging, ...judging, ...leading, ...toSlides, ...fromLayouts, ...settingEntries(), ...ownFiles, ...toElements, ...drawn];
}

/** Let a click on an element do one thing more: in the sentence that it has, or in a new one. */
function addAction(id: string, action: RuleAction): void {
  changeElements(t("addSentence"), [id], (element) => {
    const clicked = element.rules.find((rule) => rule.when.event === "clicked" && rule.condition === true);
    const rules = clicked
      ? element.rules.map((rule) => (rule === clicked ? { ...rule, do: [...rule.do.filter((old) => old.action !== "go"), action] } : rule))
      : [...element.rules, { ...newRule(newWhen("clicked", [])), do: [action] }];
    return { ...element, rules } as Element;
  });
}
