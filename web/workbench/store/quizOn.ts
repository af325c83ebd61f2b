/** What a quiz says of all its slides: the defaults of their questions, and a theme of its own. */
import type { Course, Quiz, Theme } from "../../api/types";
import type { MediaMap } from "../../player/render/mediaMap";
import { linesOf, sectionOf } from "../plan/lines";
import { inColours } from "./addresses";

type Order = Pick<Course, "slides" | "sections">;

const NONE: ReadonlyMap<string, Quiz> = new Map();
const known = new WeakMap<Course["sections"], { slides: Course["slides"]; found: ReadonlyMap<string, Quiz> }>();

/** The quizzes that say something of all their slides, by these. */
function quizzesBySlide({ slides, sections }: Order): ReadonlyMap<string, Quiz> {
  const telling = sections.filter(({ quiz }) => quiz?.defaults ?? quiz?.theme);
  if (!telling.length) return NONE;
  const before = known.get(sections);
  if (before?.slides === slides) return before.found;
  const byId = new Map(telling.map(({ id, quiz }) => [id, quiz]));
  const found = new Map<string, Quiz>();
  for (const [slide, section] of sectionOf(linesOf({ slides, sections }))) {
    const quiz = section ? byId.get(section) : undefined;
    if (quiz) found.set(slide, quiz);
  }
  known.set(sections, { slides, found });
  return found;
}

/** The quiz that a slide is in, if it says something of all its slides. */
export function quizOn(course: Order, slide: string): Quiz | undefined {
  return quizzesBySlide(course).get(slide);
}

/** The theme of a slide: that of its quiz, else the course's. */
export function themeOn(course: Order & Pick<Course, "theme">, slide: string | null | undefined): Theme {
  return (slide && quizOn(course, slide)?.theme) || course.theme;
}

const recoloured = new WeakMap<MediaMap, Map<Theme["colours"], MediaMap>>();

/** The files of a course as they are seen with a theme, which may not be the course's. */
export function mediaWith(media: MediaMap, theme: Theme, course: Pick<Course, "theme">): MediaMap {
  if (theme === course.theme) return media;
  const known = recoloured.get(media) ?? new Map<Theme["colours"], MediaMap>();
  recoloured.set(media, known);
  let found = known.get(theme.colours);
  if (!found) known.set(theme.colours, found = inColours(media, theme.colours));
  return found;
}
