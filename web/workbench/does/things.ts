/** What rules of a slide can name, with the words for each. */
import { SETS as SETS_OF_THINGS } from "../../api/tables";
import { useMemo } from "react";
import type { Course, Pattern, Slide, Variable } from "../../api/types";
import { useCourse } from "../store/store";
import type { Offers } from "./sentences";

export interface Things extends Offers {
  slide: Slide | null;
  course: Course;
  slides: Readonly<Record<string, Slide>>;
  name: (id: string) => string;
  overlays: readonly string[];
  sets: readonly string[];
  variable: (id: string) => Variable | undefined;
}

const SETS = new Set<Pattern["kind"]>(SETS_OF_THINGS);

export function useThings(slide: Slide | null): Things {
  const course = useCourse((state) => state.course);
  const slides = useCourse((state) => state.slides);
  return useMemo(() => {
    const names = new Map<string, string>([["this", "it"]]);
    for (const variable of course.variables) names.set(variable.id, variable.name);
    for (const file of course.media) names.set(file.id, file.name);
    const parts = slide ? [slide] : Object.values(slides);
    for (const part of parts) {
      for (const thing of [...part.elements, ...part.overlays, ...part.questions, ...part.patterns]) {
        names.set(thing.id, thing.name || "a thing without a name");
      }
    }
    for (const [id, other] of Object.entries(slides)) {
      names.set(id, `${course.slides.indexOf(id) + 1} ${other.title}`);
    }
    const elements = slide?.elements ?? [];
    const kinds = (...wanted: string[]): string[] => elements.filter((e) => wanted.includes(e.kind)).map((e) => e.id);
    return {
      slide, course, slides, name: (id) => names.get(id) ?? "something that is gone",
      things: [...(slide?.overlays.map(({ id }) => id) ?? []), ...elements.map(({ id }) => id)],
      overlays: slide?.overlays.map(({ id }) => id) ?? [],
      variables: course.variables.map(({ id }) => id), inputs: kinds("input"), media: kinds("video", "audio"),
      moving: elements.flatMap((e) => e.moves.map((move): [string, string] => [e.id, move.id])),
      questions: slide?.questions.map(({ id }) => id) ?? [],
      sounds: course.media.filter(({ type }) => type.startsWith("audio/")).map(({ id }) => id),
      sets: slide?.patterns.filter(({ kind }) => SETS.has(kind)).map(({ id }) => id) ?? [],
      variable: (id) => course.variables.find((variable) => variable.id === id),
    };
  }, [slide, course, slides]);
}
