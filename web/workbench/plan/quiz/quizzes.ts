/** What an author changes of a quiz. */
import { DEFAULTS } from "../../../api/defaults";
import type { Course, QuestionSet, Quiz, Section, Slide } from "../../../api/types";
import type { components } from "../../../api/api";
import { freshId } from "../../store/ids";
import { apply, changeSlide, useCourse } from "../../store/store";
import { t } from "../../../words/quiz";
import { linesOf, sectionOf } from "../lines";
import { api, take } from "../../../api/client";
import { sayDone } from "../../../kit/toaster";
import { editCourse } from "../../store/edits";

const { getState: get } = useCourse;

export type Place = "free" | "first" | "last";

/** The slides of a section, in order. */
export function slidesOf(course: Pick<Course, "slides" | "sections">, section: string): string[] {
  const sections = sectionOf(linesOf(course));
  return course.slides.filter((slide) => sections.get(slide) === section);
}

/** A new set with these slides. */
function newSet(name: string, slides: string[]): QuestionSet {
  return { id: freshId(), name, slides, shuffled: true, together: [], balances: [] };
}

/** Let a section be a quiz: all slides that ask something are one set. */
export function makeQuiz(section: string): void {
  const { course, slides } = get();
  const asking = slidesOf(course, section).filter((id) => slides[id]?.questions.length);
  changeSection(section, t("makeAQuiz"), () => ({
    quiz: { ...DEFAULTS.Quiz, sets: [newSet(t("setNumber", { number: 1 }), asking)], defaults: asking.length ? null : DEFAULTS.QuestionDefaults },
  }));
}

/** Change the quiz of a section. */
export function changeQuiz(section: string, label: string, change: (quiz: Quiz) => Quiz, merge?: string): void {
  changeSection(section, label, ({ quiz }) => (quiz ? { quiz: change(quiz) } : {}), merge && `${section} ${merge}`);
}

/** Change one set of a quiz. */
export function changeSet(section: string, set: string, label: string, change: Partial<QuestionSet>, merge?: string): void {
  changeQuiz(section, label, (quiz) => withSet(quiz, set, (one) => ({ ...one, ...change })), merge && `${set} ${merge}`);
}

/** Add a set; the slides go into it, those in no set where none are named. */
export function addSet(section: string, slides: readonly string[]): void {
  changeQuiz(section, t("newSet"), (quiz) => {
    const made = newSet(t("setNumber", { number: quiz.sets.length + 1 }), []);
    return inSet({ ...quiz, sets: [...quiz.sets, made] }, slides, made.id);
  });
}

/** Take a set away; its slides are in none then. */
export function removeSet(section: string, set: string): void {
  changeQuiz(section, t("removeSet"), (quiz) => ({
    ...quiz, sets: quiz.sets.filter(({ id }) => id !== set), bands: quiz.bands.filter(({ of }) => of !== set),
  }));
}

/** Put a set before or after its neighbour. */
export function shiftSet(section: string, set: string, by: 1 | -1): void {
  changeQuiz(section, t("moveSet"), (quiz) => {
    const from = quiz.sets.findIndex(({ id }) => id === set);
    const sets = [...quiz.sets];
    const [moved] = sets.splice(from, 1);
    if (!moved || from + by < 0 || from + by > sets.length) return quiz;
    sets.splice(from + by, 0, moved);
    return { ...quiz, sets };
  });
}

/** Put slides into a set; null takes them out of all. */
export function putInSet(section: string, slides: readonly string[], set: string | null): void {
  changeQuiz(section, t("putInSet"), (quiz) => inSet(quiz, slides, set));
}

/** Say where a slide stands in its set when the set is shuffled. */
export function placeSlide(section: string, set: string, slide: string, place: Place): void {
  changeQuiz(section, t("placeInTheSet"), (quiz) => withSet(quiz, set, (one) => ({
    ...one,
    first: place === "first" ? slide : one.first === slide ? null : one.first ?? null,
    last: place === "last" ? slide : one.last === slide ? null : one.last ?? null,
  })));
}

/** Keep slides of a set together, in the order of the course. */
export function keepTogether(section: string, set: string, slides: readonly string[]): void {
  const order = get().course.slides.filter((slide) => slides.includes(slide));
  changeQuiz(section, t("keepTogether"), (quiz) => withSet(quiz, set, (one) => ({
    ...one, together: [...apart(one, slides).together, { slides: order }],
  })));
}

/** Let slides of a set come apart from each other. */
export function separate(section: string, set: string, slides: readonly string[]): void {
  changeQuiz(section, t("separate"), (quiz) => withSet(quiz, set, (one) => apart(one, slides)));
}

/** Make a slide of each question in a text, in the sets of the quiz. */
export async function makeQuestions(section: string, text: string, count: number): Promise<void> {
  const made = await editCourse({
    label: t("addQuestions"),
    ask: ({ course }) => take(api.POST("/api/edits/questions", { body: { course, section, text } })),
    then: () => ({}),
  });
  if (made) sayDone(t("questionsWereMade", { count }));
}

/** Make an outcome slide at the end of the quiz. */
export async function makeOutcome(section: string): Promise<void> {
  await editCourse({
    label: t("makeAnOutcome"),
    ask: ({ course }) => take(api.POST("/api/edits/new-outcome", { body: { course, section } })),
    then: () => ({}),
  });
}

/** Make a certificate at the end of the quiz, to which its outcome slides lead once it is passed. */
export async function makeCertificate(section: string): Promise<void> {
  await editCourse({
    label: t("makeACertificate"),
    ask: ({ course, slides }) => {
      const quiz = course.sections.find(({ id }) => id === section)?.quiz;
      const outcomes = quiz?.outcomes.flatMap((id) => slides[id] ?? []) ?? [];
      return take(api.POST("/api/edits/new-certificate", { body: { course, section, outcomes } }));
    },
    then: () => ({}),
  });
}

/** Make a slide at the beginning of the quiz that asks for the learner's details. */
export async function makeDetails(section: string, details: components["schemas"]["Detail"][]): Promise<void> {
  await editCourse({
    label: t("askForDetails"),
    ask: ({ course }) => take(api.POST("/api/edits/new-details", { body: { course, section, details } })),
    then: () => ({}),
  });
}

/** Let a slide of the quiz, that is in no set, show its outcome, or be a plain one. */
export function setOutcome(section: string, slide: string, is: boolean): void {
  changeQuiz(section, is ? t("isAnOutcome") : t("notAnOutcome"), (quiz) => ({
    ...quiz, outcomes: [...quiz.outcomes.filter((other) => other !== slide), ...(is ? [slide] : [])],
  }));
}

/** Add a band above those that there are. */
export function addBand(section: string): void {
  changeQuiz(section, t("addABand"), (quiz) => {
    return withBands(quiz, [...quiz.bands, { id: freshId(), name: t("newBand", { number: quiz.bands.length + 1 }), of: null, least: aboveAll(quiz, null) }]);
  });
}

/** The bands of the whole quiz, and those of each set that has some. */
export function bandsByPart({ bands, sets }: Pick<Quiz, "bands" | "sets">): [of: string | null, own: Quiz["bands"]][] {
  return [null, ...sets.map(({ id }) => id)].map((of): [string | null, Quiz["bands"]] => [of, bands.filter((band) => (band.of ?? null) === of)])
    .filter(([, own]) => own.length);
}

/** Where a band above all others of the quiz, or of a set, begins. */
function aboveAll({ bands, banded }: Quiz, of: string | null): number {
  const last = bands.filter((band) => (band.of ?? null) === of).at(-1)?.least;
  if (last === undefined) return 0;
  return banded === "percent" ? Math.min(Math.floor((last + 100) / 2), 100) : last + 1;
}

/** As many bands as the course document takes. */
export const MOST_BANDS = 10;

/** A band for each number of right answers out of `most`, from none to all; those that there are stay. */
export function bandEach(section: string, most: number): void {
  changeQuiz(section, t("bandEach"), (quiz) => {
    const there = new Set(quiz.bands.filter(({ of }) => !of).map(({ least }) => least));
    const made = Array.from({ length: most + 1 }, (_, count) => count).filter((count) => !there.has(count)).map((least) => ({
      id: freshId(), of: null, least, name: least === 0 ? t("noneRight") : least === most ? t("allRight") : t("soManyRight", { count: least }),
    }));
    return withBands(quiz, [...quiz.bands, ...made].slice(0, MOST_BANDS));
  });
}

/** The outcome slides of a quiz on which some of its bands have no panel. */
export function withoutPanels(quiz: Quiz, slides: Readonly<Record<string, Slide>>): Slide[] {
  return quiz.outcomes.flatMap((id) => slides[id] ?? []).filter((slide) => {
    const shown = new Set(slide.elements.map(({ shown: when }) => (Array.isArray(when) && when[0] === "in_band" ? String(when[1]) : "")));
    return quiz.bands.some(({ id }) => !shown.has(id));
  });
}

/** Add a panel for each band that has none on an outcome slide. */
export async function makePanels(section: string, outcome: string): Promise<void> {
  const made = await editCourse({
    label: t("makePanels"),
    ask: ({ course, slides }) => {
      const slide = slides[outcome];
      return slide ? take(api.POST("/api/edits/band-panels", { body: { course, section, slide } })) : null;
    },
    then: () => ({}),
  });
  if (made) sayDone(t("panelsWereMade", { count: made.selected.length }));
}

/** Say what bands are ranges of; with per cent, those above 100 go. */
export function changeBanded(section: string, banded: Quiz["banded"]): void {
  changeQuiz(section, t("bandsBy"), (quiz) => ({
    ...withBands(quiz, banded === "percent" ? quiz.bands.filter(({ least }) => least <= 100) : quiz.bands), banded,
  }));
}

/** Change a band; one that would begin where another does stays where it is. */
export function changeBand(section: string, band: string, change: Partial<Quiz["bands"][number]>): void {
  changeQuiz(section, t("bands"), (quiz) => {
    const moved = change.of === undefined ? change : { ...change, least: aboveAll(quiz, change.of) };
    return withBands(quiz, quiz.bands.map((one) => (one.id === band ? { ...one, ...moved } : one)));
  }, `band ${band}`);
}

/** Take a band away. */
export function removeBand(section: string, band: string): void {
  changeQuiz(section, t("removeThisBand"), (quiz) => ({ ...quiz, bands: quiz.bands.filter(({ id }) => id !== band) }));
}

function withBands(quiz: Quiz, bands: Quiz["bands"]): Quiz {
  const limits = new Set(bands.map(({ of, least }) => `${of ?? ""} ${least}`));
  return limits.size < bands.length ? quiz : { ...quiz, bands: [...bands].sort((a, b) => a.least - b.least) };
}

export type Purpose = Slide["questions"][number]["purpose"];

/** What the questions on these slides are for; null where there are none, or they differ. Rating scales are a survey's in any case. */
export function purposeOf(own: readonly string[], slides: Readonly<Record<string, Slide>>): Purpose | null {
  const found = new Set(own.flatMap((id) => slides[id]?.questions ?? []).filter(({ kind }) => kind !== "rating_scale").map(({ purpose }) => purpose));
  return found.size === 1 ? [...found][0] ?? null : null;
}

/** Let all questions of a quiz be for this. */
export function setPurpose(section: string, purpose: Purpose): void {
  const { course, slides } = get();
  const changed = slidesOf(course, section).flatMap((id) => slides[id] ?? []).filter(({ questions }) => questions.length).map((slide): Slide => ({
    ...slide, questions: slide.questions.map((question) => (question.kind === "rating_scale" ? question : { ...question, purpose })),
  }));
  apply(t("questionsAreFor"), { slides: Object.fromEntries(changed.map((slide) => [slide.id, slide])) });
}

/** Say how hard the questions of a slide are. */
export function setLevel(slide: string, level: NonNullable<Slide["level"]> | ""): void {
  const found = get().slides[slide];
  if (found) changeSlide(t("level"), { ...found, level: level || null });
}

/** Say what the questions of a slide are about: words with commas between them. */
export function setTags(slide: string, text: string): void {
  const found = get().slides[slide];
  const tags = [...new Set(text.split(",").map((word) => word.trim().slice(0, 40)).filter(Boolean))].slice(0, 20);
  if (found && tags.join() !== found.tags.join()) changeSlide(t("tags"), { ...found, tags });
}

/** Change what a section says, as one step. */
export function changeSection(id: string, label: string, change: (section: Section) => Partial<Section>, merge?: string): void {
  apply(label, { course: sectionChanged(id, change) }, merge ? { merge } : {});
}

/** The course with a section changed. */
function sectionChanged(id: string, change: (section: Section) => Partial<Section>): Course {
  const { course } = get();
  return { ...course, sections: course.sections.map((section) => (section.id === id ? { ...section, ...change(section) } : section)) };
}

/** The course with the quiz of a section changed. */
export function quizChanged(section: string, change: (quiz: Quiz) => Quiz | null): Course {
  return sectionChanged(section, ({ quiz }) => (quiz ? { quiz: change(quiz) } : {}));
}

function withSet(quiz: Quiz, id: string, change: (set: QuestionSet) => QuestionSet): Quiz {
  return { ...quiz, sets: quiz.sets.map((set) => (set.id === id ? change(set) : set)) };
}

function apart(set: QuestionSet, slides: readonly string[]): QuestionSet {
  const together = set.together
    .map((group) => ({ slides: group.slides.filter((slide) => !slides.includes(slide)) }))
    .filter((group) => group.slides.length > 1);
  return { ...set, together };
}

/** The quiz with slides in one set, and in no other. */
function inSet(quiz: Quiz, slides: readonly string[], set: string | null): Quiz {
  const gone = new Set(slides);
  return {
    ...quiz, outcomes: set === null ? quiz.outcomes : quiz.outcomes.filter((slide) => !gone.has(slide)),
    sets: quiz.sets.map((one) => {
      if (one.id === set) return { ...one, slides: [...one.slides.filter((slide) => !gone.has(slide)), ...slides] };
      const left = apart(one, slides);
      return {
        ...left, slides: left.slides.filter((slide) => !gone.has(slide)),
        first: left.first && gone.has(left.first) ? null : left.first ?? null, last: left.last && gone.has(left.last) ? null : left.last ?? null,
      };
    }),
  };
}
