/**
 * Questions that follow the defaults of their quiz.
 * The twin of `course/questions/following.py`; a test holds the two together.
 */
import { SETTINGS } from "../../api/tables";
import type { Course, Element, Question, QuestionDefaults, Setting, Slide } from "../../api/types";
import { equal } from "./changes";
import { quizOn } from "./quizOn";

/** A question as it is read, field by field. */
type Fields = Record<string, unknown>;
type Words = (typeof SETTINGS.words)[number];
type Label = keyof typeof SETTINGS.labels;

const LABELS = Object.entries(SETTINGS.labels) as [Label, "submit" | "reset"][];

/** What the questions of a slide may follow. */
export function defaultsFor(course: Pick<Course, "slides" | "sections">, slide: string): QuestionDefaults | undefined {
  return quizOn(course, slide)?.defaults ?? undefined;
}

/** The question with what it follows; itself where that is nothing. */
export function withDefaults(question: Question, defaults: QuestionDefaults | undefined): Question {
  if (!defaults || !question.follows.length) return question;
  const fields: Fields = {};
  const said: Fields = {};
  for (const setting of question.follows) {
    for (const name of fieldsOf(setting)) if (name in question) fields[name] = (defaults as Fields)[name];
    if (setting === "loss") fields["attempt_points"] = [];
    if (setting === "shows") said[setting] = defaults.shows.map((shown) => ({ ...shown, overlay: null }));
    else if (isDesign(setting) || (isWords(setting) && defaults[setting].blocks.length)) said[setting] = defaults[setting];
  }
  return { ...question, ...fields, feedback: { ...question.feedback, ...said } } as Question;
}

/** The buttons of a slide whose words are a default, with these. */
export function labelled(slide: Slide, defaults: QuestionDefaults): Slide {
  const labels = new Map<string, string>();
  for (const question of slide.questions) {
    for (const [setting, role] of LABELS) {
      const button = question[role];
      if (question.follows.includes(setting) && button && defaults[setting]) labels.set(button, defaults[setting]);
    }
  }
  const behind = (element: Element): boolean => element.kind === "button" && labels.has(element.id) && element.label !== labels.get(element.id);
  if (!slide.elements.some(behind)) return slide;
  return { ...slide, elements: slide.elements.map((element) => (behind(element) ? { ...element, label: labels.get(element.id) } as Element : element)) };
}

/** A slide after an edit: a button whose words were changed follows no more, all others say what they follow. */
export function withLabels(after: Slide, before: Slide | undefined, defaults: QuestionDefaults | undefined): Slide {
  if (!defaults || !after.questions.some(({ follows }) => follows.length)) return after;
  const words = (slide: Slide | undefined, id: string): string | undefined => {
    const button = slide?.elements.find((element) => element.id === id);
    return button?.kind === "button" ? button.label : undefined;
  };
  const questions = after.questions.map((question): Question => {
    const own = LABELS.filter(([setting, role]) => {
      const button = question[role];
      if (!button || !question.follows.includes(setting)) return false;
      const [was, is] = [words(before, button), words(after, button)];
      return was !== undefined && was !== is && is !== defaults[setting];
    }).map(([setting]) => setting as Setting);
    return own.length ? { ...question, follows: question.follows.filter((one) => !own.includes(one)) } : question;
  });
  const kept = questions.every((question, n) => question === after.questions[n]) ? after : { ...after, questions };
  return labelled(kept, defaults);
}

/** What a change of fields is to a question: only what differs from what it `came to` is its own now. */
export function changedBy(raw: Question, cameTo: Question, part: object): Question {
  const changed: Fields = {};
  const own = new Set<Setting>();
  for (const [name, value] of Object.entries(part)) {
    if (name === "feedback") {
      const said = differing(value as Fields, cameTo.feedback);
      changed[name] = { ...raw.feedback, ...said };
      for (const key of Object.keys(said)) own.add(key as Setting);
    } else if (!equal(value, (cameTo as unknown as Fields)[name])) {
      changed[name] = value;
      for (const setting of settingsOf(name)) own.add(setting);
    }
  }
  // What goes along with a field that is its own now stays as it came to.
  const along = [...own].flatMap((setting) => (setting === "loss" ? [...fieldsOf(setting), "attempt_points"] : fieldsOf(setting)));
  const kept = Object.fromEntries(along.map((name) => [name, (cameTo as unknown as Fields)[name]]));
  return { ...raw, ...kept, ...changed, follows: raw.follows.filter((setting) => !own.has(setting)) } as Question;
}

/** The question that takes a setting from its quiz again. */
export function followingAgain(question: Question, setting: Setting): Question {
  return { ...question, follows: [...question.follows.filter((one) => one !== setting), setting] };
}

/** The fields of a question that a setting stands for. */
export function fieldsOf(setting: Setting): readonly string[] {
  return (SETTINGS.fields as Partial<Record<Setting, readonly string[]>>)[setting] ?? [];
}

/** Whether a setting is words of the feedback. */
export function isWords(setting: Setting): setting is Words {
  return (SETTINGS.words as readonly string[]).includes(setting);
}

function isDesign(setting: Setting): setting is (typeof SETTINGS.design)[number] {
  return (SETTINGS.design as readonly string[]).includes(setting);
}

function settingsOf(field: string): Setting[] {
  if (field === "attempt_points") return ["loss"];
  return (Object.keys(SETTINGS.fields) as (keyof typeof SETTINGS.fields)[]).filter((one) => fieldsOf(one).includes(field));
}

function differing(after: Fields, before: object): Fields {
  return Object.fromEntries(Object.entries(after).filter(([name, value]) => !equal(value, (before as Fields)[name])));
}
