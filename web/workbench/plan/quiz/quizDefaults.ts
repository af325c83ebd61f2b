/** What an author does with the defaults of a quiz: set them, change them, let questions follow. */
import { DEFAULTS } from "../../../api/defaults";
import { SETTINGS } from "../../../api/tables";
import type { Question, QuestionDefaults, Setting, Slide } from "../../../api/types";
import { t } from "../../../words/quiz";
import { isUnjudged } from "../../judges/parts";
import { equal } from "../../store/changes";
import { fieldsOf, followingAgain, isWords, labelled, withDefaults } from "../../store/defaults";
import { apply, useCourse } from "../../store/store";
import { quizChanged, slidesOf } from "./quizzes";

const { getState: get } = useCourse;

/** All that can be followed. */
const ALL = [...Object.keys(SETTINGS.fields), ...SETTINGS.words, ...SETTINGS.design, ...Object.keys(SETTINGS.labels)] as Setting[];
/** What only questions with a right answer have. */
const OF_JUDGED = new Set<Setting>(["points", "penalty", "unanswered", "partial", "attempts", "loss", "show_right", "right", "partly", "wrong", "last", "tells"]);

/** How many questions of a quiz could follow a setting, and how many do. */
export interface Followers { all: number; following: number }

/** The questions of a quiz, by setting: how many could follow, and do. */
export function followersOf(own: readonly string[], slides: Readonly<Record<string, Slide>>): Record<Setting, Followers> {
  const questions = own.flatMap((id) => slides[id]?.questions ?? []);
  return Object.fromEntries(ALL.map((setting) => {
    const could = questions.filter((question) => applies(setting, question));
    return [setting, { all: could.length, following: could.filter(({ follows }) => follows.includes(setting)).length }];
  })) as Record<Setting, Followers>;
}

/** Set defaults that are what most questions have; these follow from now on, and the others keep what differs. */
export function beginDefaults(section: string): void {
  const { course, slides } = get();
  const own = slidesOf(course, section).flatMap((id) => slides[id] ?? []);
  const defaults = usualOf(own);
  const changed = own.filter(({ questions }) => questions.length).map((slide): Slide => ({
    ...slide, questions: slide.questions.map((question) => ({ ...question, follows: ALL.filter((setting) => equal(valueOf(setting, question, slide), defaultOf(setting, defaults))) })),
  }));
  put(section, t("setDefaults"), defaults, changed);
}

/** Change defaults; the words on the buttons of those that follow change with them. */
export function changeDefaults(section: string, label: string, part: Partial<QuestionDefaults>, merge: string): void {
  const { course, slides } = get();
  const before = course.sections.find(({ id }) => id === section)?.quiz?.defaults;
  if (!before) return;
  const defaults = { ...before, ...part };
  const words = "submit_label" in part || "reset_label" in part;
  const changed = words ? slidesOf(course, section).flatMap((id) => slides[id] ?? []).filter((slide) => labelled(slide, defaults) !== slide).map((slide) => labelled(slide, defaults)) : [];
  put(section, label, defaults, changed, `${section} default ${merge}`);
}

/** Let all questions of a quiz follow a setting, those too that have a value of their own. */
export function letAllFollow(section: string, setting: Setting): void {
  const { course, slides } = get();
  const defaults = course.sections.find(({ id }) => id === section)?.quiz?.defaults;
  if (!defaults) return;
  const changed = slidesOf(course, section).flatMap((id) => slides[id] ?? []).filter(({ questions }) => questions.length).map((slide) => labelled({
    ...slide, questions: slide.questions.map((question) => (applies(setting, question) ? followingAgain(question, setting) : question)),
  }, defaults));
  put(section, t("letAllFollow"), defaults, changed);
}

/** Let a quiz have no defaults: its questions keep what they came to. */
export function endDefaults(section: string): void {
  put(section, t("endDefaults"), null, settledSlides(section));
}

/** Let a section be no quiz any more. Its slides stay, and its questions keep what they came to. */
export function endQuiz(section: string): void {
  const slides = settledSlides(section);
  apply(t("makeItAPlainSection"), { course: quizChanged(section, () => null), slides: Object.fromEntries(slides.map((slide) => [slide.id, slide])) });
}

/** The slides of a quiz with questions that have themselves what they came to. */
function settledSlides(section: string): Slide[] {
  const { course, slides } = get();
  const defaults = course.sections.find(({ id }) => id === section)?.quiz?.defaults;
  if (!defaults) return [];
  return slidesOf(course, section).flatMap((id) => slides[id] ?? []).filter(({ questions }) => questions.some(({ follows }) => follows.length))
    .map((slide) => ({ ...slide, questions: slide.questions.map((question) => withDefaults(question, defaults)) }));
}

function put(section: string, label: string, defaults: QuestionDefaults | null, changed: readonly Slide[], merge?: string): void {
  const course = quizChanged(section, (quiz) => ({ ...quiz, defaults }));
  apply(label, { course, slides: Object.fromEntries(changed.map((slide) => [slide.id, slide])) }, merge ? { merge } : {});
}

/** Whether a question has a setting at all. */
function applies(setting: Setting, question: Question): boolean {
  if (setting === "shuffle") return "shuffle" in question;
  if (setting === "submit_label") return Boolean(question.submit);
  if (setting === "reset_label") return Boolean(question.reset);
  return !isUnjudged(question) || !OF_JUDGED.has(setting);
}

/** What a question has in a setting, in the form of the defaults; undefined where it has none. */
function valueOf(setting: Setting, question: Question, slide: Slide): unknown {
  if (!applies(setting, question)) return undefined;
  if (setting === "loss" && question.attempt_points.length) return undefined;
  const role = (SETTINGS.labels as Partial<Record<Setting, "submit" | "reset">>)[setting];
  if (role) {
    const button = slide.elements.find(({ id }) => id === question[role]);
    return button?.kind === "button" ? button.label : undefined;
  }
  // An overlay is one of the question's own slide.
  if (setting === "shows") return question.feedback.shows.some(({ overlay }) => overlay) ? undefined : question.feedback.shows.map(({ overlay: _, ...along }) => along);
  if (isWords(setting) || setting === "place" || setting === "tells") return question.feedback[setting] ?? null;
  return fieldsOf(setting).map((name) => (question as unknown as Record<string, unknown>)[name] ?? null);
}

function defaultOf(setting: Setting, defaults: QuestionDefaults): unknown {
  const names = fieldsOf(setting);
  const fields = defaults as unknown as Record<string, unknown>;
  return names.length ? names.map((name) => fields[name] ?? null) : fields[setting] ?? null;
}

/** The defaults that most questions of these slides have already. */
function usualOf(slides: readonly Slide[]): QuestionDefaults {
  const defaults: Record<string, unknown> = { ...DEFAULTS.QuestionDefaults };
  for (const setting of ALL) {
    const most = mostOften(slides.flatMap((slide) => slide.questions.map((question) => valueOf(setting, question, slide)))
      .filter((value) => value !== undefined && !isUnfit(setting, value)));
    if (most === undefined) continue;
    const names = fieldsOf(setting);
    if (names.length) names.forEach((name, n) => { defaults[name] = (most as unknown[])[n]; });
    else defaults[setting] = most;
  }
  return defaults as QuestionDefaults;
}

/** What no default can be: points of each answer are a question's own. */
function isUnfit(setting: Setting, value: unknown): boolean {
  return setting === "partial" && (value as unknown[])[0] === "per_answer";
}

function mostOften(values: readonly unknown[]): unknown {
  const counts = new Map<string, { value: unknown; count: number }>();
  for (const value of values) {
    const key = JSON.stringify(value);
    counts.set(key, { value, count: (counts.get(key)?.count ?? 0) + 1 });
  }
  return [...counts.values()].sort((one, other) => other.count - one.count)[0]?.value;
}
