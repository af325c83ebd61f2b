/** The values that the course itself keeps: their names, and words for them. */

export interface Live { of: string; words: string; type: "number" | "text" }

const number = (of: string, words: string): Live => ({ of, words, type: "number" });
const text = (of: string, words: string): Live => ({ of, words, type: "text" });

export const LIVE: readonly Live[] = [
  text("learner_name", "the learner's name"), number("points", "points so far"), number("max_points", "points possible"),
  number("score", "score in %"), text("result", "result: passed, failed or open"), number("slides_seen", "slides seen"),
  number("slides", "number of slides"), number("slide_number", "number of this slide"), text("slide_title", "title of this slide"),
  number("answered", "questions answered"), number("questions", "number of questions"), number("minutes", "minutes spent"),
  number("seconds", "seconds spent"),
];

/** The type of a live value; unknown ones are numbers. */
export function typeOfLive(of: string): Live["type"] {
  return LIVE.find((live) => live.of === of)?.type ?? "number";
}
