/** What rules of a slide can name, with the words for each. */
import { SETS as SETS_OF_THINGS } from "../../api/tables";
import { useMemo } from "react";
import type { Course, Element, Pattern, Section, Slide, Variable } from "../../api/types";
import { useCourse } from "../store/store";
import type { Offers } from "./sentences";
import { t } from "../../words/does";

export interface Things extends Offers {
  slide: Slide | null;
  course: Course;
  slides: Readonly<Record<string, Slide>>;
  name: (id: string) => string;
  overlays: readonly string[];
  sets: readonly string[];
  dialogues: readonly string[];
  turns: readonly string[];
  /** The turns that dialogues end with. */
  endings: readonly string[];
  replies: readonly string[];
  /** The sections that are quizzes, with their sets and bands. */
  quizzes: readonly Section[];
  variable: (id: string) => Variable | undefined;
}

const SETS = new Set<Pattern["kind"]>(SETS_OF_THINGS);

/** Kinds of elements that no learner uses, or that rules cannot keep from playing. */
const USELESS = new Set<Element["kind"]>(["video", "audio", "embed", "meter", "table"]);

type Parts = Pick<Slide, "elements" | "overlays" | "questions" | "patterns" | "dialogues">;
const NOTHING: Parts = { elements: [], overlays: [], questions: [], patterns: [], dialogues: [] };

const ids = (things: readonly { id: string }[]): string[] => things.map(({ id }) => id);

/** The words for everything that a rule can name, by id; without a slide, that on all slides. */
function namesOf(slide: Slide | null, course: Course, slides: Readonly<Record<string, Slide>>): ReadonlyMap<string, string> {
  const names = new Map<string, string>([["this", t("it")]]);
  for (const thing of [...course.variables, ...course.media]) names.set(thing.id, thing.name);
  for (const { id, title, quiz } of course.sections) {
    if (quiz) for (const thing of [{ id, name: title }, ...quiz.sets, ...quiz.bands]) names.set(thing.id, thing.name);
  }
  for (const part of slide ? [slide] : Object.values(slides)) {
    for (const thing of [...part.elements, ...part.overlays, ...part.questions, ...part.patterns]) {
      names.set(thing.id, thing.name || t("anUnnamedElement"));
    }
    for (const { id, name, turns, beats } of part.dialogues) {
      for (const thing of [{ id, name }, ...turns]) names.set(thing.id, thing.name);
      for (const reply of beats.flatMap(({ replies }) => replies)) names.set(reply.id, reply.text);
    }
  }
  for (const [id, other] of Object.entries(slides)) {
    names.set(id, `${course.slides.indexOf(id) + 1} ${other.title}`);
  }
  return names;
}

/** All that sentences on a slide can name, with names and kinds. Follows every edit. */
export function useThings(slide: Slide | null): Things {
  const course = useCourse((state) => state.course);
  const slides = useCourse((state) => state.slides);
  return useMemo(() => {
    const names = namesOf(slide, course, slides);
    const { elements, overlays, questions, patterns, dialogues } = slide ?? NOTHING;
    const turns = dialogues.flatMap((dialogue) => dialogue.turns);
    const kinds = (...wanted: string[]): string[] => ids(elements.filter((e) => wanted.includes(e.kind)));
    return {
      slide, course, slides, name: (id) => names.get(id) ?? t("aDeletedElement"),
      things: [...ids(overlays), ...ids(elements)], usable: ids(elements.filter(({ kind }) => !USELESS.has(kind))), overlays: ids(overlays), questions: ids(questions),
      variables: ids(course.variables), inputs: kinds("input"), media: kinds("video", "audio"),
      moving: elements.flatMap((e) => e.moves.map((move): [string, string] => [e.id, move.id])),
      sounds: ids(course.media.filter(({ type }) => type.startsWith("audio/"))),
      quizzes: course.sections.filter(({ quiz }) => quiz),
      dialogues: ids(dialogues), turns: ids(turns), endings: ids(turns.filter(({ ending }) => ending)),
      replies: ids(dialogues.flatMap(({ beats }) => beats.flatMap(({ replies }) => replies))),
      sets: ids(patterns.filter(({ kind }) => SETS.has(kind))),
      variable: (id) => course.variables.find((variable) => variable.id === id),
    };
  }, [slide, course, slides]);
}
