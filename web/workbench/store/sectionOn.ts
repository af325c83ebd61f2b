/** The section that a slide is in. */
import type { Section } from "../../api/types";
import { linesOf, sectionOf } from "../plan/lines";
import { useCourse } from "./store";

/** The section that the slide with this id is in, if it is in one. */
export function useSection(slide: string): Section | undefined {
  const sections = useCourse((state) => state.course.sections);
  const slides = useCourse((state) => state.course.slides);
  const id = sectionOf(linesOf({ slides, sections })).get(slide);
  return sections.find((section) => section.id === id);
}
