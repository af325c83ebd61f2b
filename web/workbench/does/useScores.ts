import { useMemo } from "react";
import { useCourse } from "../store/store";
import { scoresOf, type Live } from "./live";

/** The scores by set and by tag that the quizzes of the course have. */
export function useScores(): readonly Live[] {
  const sections = useCourse((state) => state.course.sections);
  const order = useCourse((state) => state.course.slides);
  const slides = useCourse((state) => state.slides);
  return useMemo(() => scoresOf(sections, order, slides), [sections, order, slides]);
}
