/** The settings in the cards, to be found by their names and by other words for them. */
import { SlidersHorizontal } from "lucide-react";
import type { Element, Question, Slide } from "../../../api/types";
import { headingOf, openHeading } from "../../../kit/remembered";
import { sayError } from "../../../kit/toaster";
import { t as does } from "../../../words/does";
import { t } from "../../../words/editor";
import { t as judges } from "../../../words/judges";
import { t as timing } from "../../../words/timing";
import { elementsOf } from "../../judges/parts";
import { currentSlide, select, useCourse } from "../../store/store";
import { toggleView, useView } from "../stage/view";
import type { Entry } from "./paletteEntries";

/** What has to be selected for a setting to be there. */
type Of = "element" | "text" | "picture" | "decorative" | "video" | "button" | "question" | "choice" | "slide";

/** A setting: its label, other words for it, what has it, and the headings that it stands under. */
type Setting = [label: string, also: string, of: Of, ...headings: string[]];

const LOOKS = headingOf(t("looks"), t("style"));
const SAYS = headingOf(t("says"), t("textAndMedia"));
const DOES = headingOf(does("does"), does("interaction"));
const JUDGES = headingOf(judges("judges"), judges("questionAndScoring"));
const FEEDBACK = headingOf(judges("feedback"), judges("afterEachOutcome"));
const MOVES = headingOf(timing("moves"), timing("motionEntranceAndExit"));

const SETTINGS: readonly Setting[] = [
  [t("opacity2"), t("findOpacity2"), "element", LOOKS],
  [t("fill"), t("findFill"), "element", LOOKS],
  [t("border"), t("findBorder"), "element", LOOKS],
  [t("borderWidth"), t("findBorderWidth"), "element", LOOKS],
  [t("cornerRadius"), t("findCornerRadius"), "element", LOOKS],
  [t("shadow"), t("findShadow"), "element", LOOKS, t("borderStyleAndShadow")],
  [t("borderStyle"), t("findBorderStyle"), "element", LOOKS, t("borderStyleAndShadow")],
  [t("textColour"), t("findTextColour"), "text", LOOKS],
  [t("textSize"), t("findTextSize"), "text", LOOKS],
  [t("bold"), t("findBold"), "text", LOOKS],
  [t("italic"), t("findItalic"), "text", LOOKS],
  [t("alignText"), t("findAlignText"), "text", LOOKS, t("textLayout")],
  [t("verticalAlignment"), t("findVerticalAlignment"), "text", LOOKS, t("textLayout")],
  [t("font"), t("findFont"), "text", LOOKS, t("textLayout")],
  [t("lineHeight"), t("findLineHeight"), "text", LOOKS, t("textLayout")],
  [t("padding"), t("findPadding"), "text", LOOKS, t("textLayout")],
  [t("textOverflow"), t("findTextOverflow"), "text", LOOKS, t("textLayout")],
  [t("namedStyle"), t("findNamedStyle"), "element", LOOKS, t("namedStyle")],
  [t("left"), t("findLeft"), "element", LOOKS, t("positionAndSize")],
  [t("top"), t("findTop"), "element", LOOKS, t("positionAndSize")],
  [t("width"), t("findWidth"), "element", LOOKS, t("positionAndSize")],
  [t("height"), t("findHeight"), "element", LOOKS, t("positionAndSize")],
  [t("rotation"), t("findRotation"), "element", LOOKS, t("positionAndSize")],
  [t("nameOnlyYouSeeIt"), t("findNameOnlyYouSeeIt"), "element"],
  [t("textAlternative"), t("findTextAlternative"), "picture", SAYS],
  [t("decorativeNotReadOut"), t("findDecorativeNotReadOut"), "decorative", SAYS],
  [t("readAs"), t("findReadAs"), "text", SAYS],
  [t("highlightAsSpoken"), t("findHighlightAsSpoken"), "text", SAYS],
  [t("textOnIt"), t("findTextOnIt"), "button", SAYS],
  [t("cut"), t("findCut"), "video", SAYS, t("cutAndFade")],
  [t("backgroundSound"), t("findBackgroundSound"), "slide", t("backgroundSound")],
  [t("loop"), t("findLoop"), "video", LOOKS],
  [t("start"), t("findStart"), "video", LOOKS],
  [t("volume"), t("findVolume"), "video", LOOKS],
  [t("playsAlone"), t("findPlaysAlone"), "video", LOOKS],
  [does("shown"), t("findShown"), "element", DOES],
  [timing("appearsWith"), t("findAppearsWith"), "element", MOVES],
  [timing("leavesWith"), t("findLeavesWith"), "element", MOVES],
  [judges("kind"), t("findKind"), "question", JUDGES],
  [judges("purpose"), t("findPurpose"), "question", JUDGES],
  [judges("points"), t("findPoints"), "question", JUDGES],
  [judges("attempts"), t("findAttempts"), "question", JUDGES],
  [judges("timeLimitS"), t("findTimeLimitS"), "question", JUDGES],
  [judges("partialCredit"), t("findPartialCredit"), "question", JUDGES, judges("partialCreditAndPenalties")],
  [judges("penaltyForAWrongAnswer"), t("findPenaltyForAWrongAnswer"), "question", JUDGES, judges("partialCreditAndPenalties")],
  [judges("checkAnswer"), t("findCheckAnswer"), "question", JUDGES, judges("checkingAndRequirements")],
  [judges("requiredAnswerBeforeGoingOn"), t("findRequiredAnswerBeforeGoingOn"), "question", JUDGES, judges("checkingAndRequirements")],
  [judges("showTheCorrectAnswersAt"), t("findShowTheCorrectAnswersAt"), "question", JUDGES, judges("checkingAndRequirements")],
  [judges("shuffleAnswers"), t("findShuffleAnswers"), "choice", JUDGES, judges("shuffleLettersAndLimits")],
  [judges("nameInTheResults"), t("findNameInTheResults"), "question", JUDGES, judges("nameAndButtons")],
  [judges("incorrectNoAttemptsLeft"), t("findIncorrectNoAttemptsLeft"), "question", FEEDBACK],
  [judges("linkToReview"), t("findLinkToReview"), "question", FEEDBACK],
  [t("titleShownInTheMenu"), t("findTitleShownInTheMenu"), "slide", t("thisSlide")],
  [t("nextLeadsTo"), t("findNextLeadsTo"), "slide", t("thisSlide")],
  [does("whenMayLearnersGoOn"), t("findWhenMayLearnersGoOn"), "slide"],
  [t("layout"), t("findLayout"), "slide", t("layout")],
  [t("menuOpens"), t("findMenuOpens"), "slide", t("navigation")],
  [t("headingFont"), t("findHeadingFont"), "slide", t("theme")],
  [t("slideSize"), t("findSlideSize"), "slide", t("slideSize")],
  [t("languageOfTheCourse"), t("findLanguageOfTheCourse"), "slide", t("language")],
  [t("playersWords"), t("findPlayersWords"), "slide", t("language")],
];

const WORDED: ReadonlySet<Element["kind"]> = new Set(["text", "button", "input", "meter", "table", "shape"]);
const PICTURED: ReadonlySet<Element["kind"]> = new Set(["picture", "shape", "group", "meter", "area", "table", "video", "audio"]);
const DECORATIVE: ReadonlySet<Element["kind"]> = new Set(["picture", "shape", "group", "meter"]);

const has: Readonly<Record<Exclude<Of, "slide" | "question" | "choice">, (element: Element) => boolean>> = {
  element: ({ kind }) => kind !== "group",
  text: ({ kind }) => WORDED.has(kind),
  picture: ({ kind, decoration }) => PICTURED.has(kind) && !decoration,
  decorative: ({ kind }) => DECORATIVE.has(kind),
  video: ({ kind }) => kind === "video" || kind === "audio",
  button: ({ kind }) => kind === "button",
};

/** What the palette offers of them; each opens the card and goes to the field. */
export function settingEntries(): Entry[] {
  return SETTINGS.map(([label, also, of, ...headings]): Entry => ({
    word: label, also, key: `setting ${of} ${label}`, group: t("setting"), icon: SlidersHorizontal, whenTyped: true,
    run: () => {
      if (!selectWhatHas(of)) return sayError(new Error(t("nothingOnThisSlideHas", { label })));
      headings.forEach((heading) => openHeading(heading));
      if (!useView.getState().cards) toggleView("cards");
      goToField(label);
    },
  }));
}

/** Keep or make a selection that has such a setting; return whether there is one. */
function selectWhatHas(of: Of): boolean {
  const slide = currentSlide();
  const { selected } = useCourse.getState().selection;
  if (of === "slide") {
    select([]);
    return slide !== null;
  }
  const fits = (element: Element): boolean => slide !== null && (of === "question" || of === "choice" ? isAsked(slide, element, of) : has[of](element));
  const chosen = slide?.elements.find((element) => fits(element) && selected.includes(element.id)) ?? slide?.elements.find(fits);
  if (!chosen) return false;
  select([chosen.id]);
  return true;
}

function isAsked({ questions }: Slide, { id }: Element, of: "question" | "choice"): boolean {
  const shuffles = (question: Question): boolean => of === "question" || "shuffle" in question;
  return questions.some((question) => shuffles(question) && elementsOf(question).includes(id));
}

/** So long (ms) a field is waited for: its card may have to be fetched, and it is drawn after the slide. */
const PATIENCE_MS = 3000;

/** Put the focus on the field with this label once its card is drawn, unless one has gone on to something else. */
function goToField(label: string): void {
  const until = performance.now() + PATIENCE_MS;
  const search = new AbortController();
  for (const other of ["keydown", "pointerdown"]) {
    document.addEventListener(other, () => search.abort(), { capture: true, signal: search.signal });
  }
  const look = (): void => {
    if (search.signal.aborted) return;
    const field = fieldCalled(label);
    if (!field) {
      if (performance.now() < until) requestAnimationFrame(look);
      else search.abort();
      return;
    }
    search.abort();
    // Only the cards are scrolled, never the page around them.
    const cards = field.closest("[data-pane=cards]");
    cards?.scrollBy({ top: field.getBoundingClientRect().top - cards.getBoundingClientRect().top - cards.clientHeight / 3 });
    field.focus({ preventScroll: true });
  };
  requestAnimationFrame(look);
}

const FIELDS = "input, select, textarea, button";

function fieldCalled(label: string): HTMLElement | null {
  // The cards follow what is selected a moment later: those of before are not meant.
  const about = useCourse.getState().selection.selected.join(" ");
  const cards = document.querySelector(`[data-pane=cards] > [data-about="${about}"]`);
  const fields = [...cards?.querySelectorAll<HTMLElement>(FIELDS) ?? []];
  return fields.find((field) => field.ariaLabel === label || field.ariaLabel?.startsWith(`${label}: `)
    || (field as HTMLInputElement).labels?.[0]?.textContent === label) ?? fields.find((field) => field.textContent === label) ?? null;
}
