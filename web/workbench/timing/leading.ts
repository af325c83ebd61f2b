/** What a timing follows, and the words that are heard in it. */
import type { Cue, Element, MediaFile, Slide, Timing } from "../../api/types";

/** A word that is heard: its number from 0, and from when on, in ms. */
export interface HeardWord { number: number; word: string; since: number }

export interface Leader {
  /** How long it plays, in ms. */
  duration: number;
  words: readonly HeardWord[];
}

const NOTHING: Leader = { duration: 0, words: [] };

/** The video or audio that a timing follows, if it follows any. */
export function leaderOf(slide: Slide, timing: Timing, media: readonly MediaFile[]): Leader {
  const element = slide.elements.find(({ id }) => id === timing.follows);
  const file = element && "media" in element ? media.find(({ id }) => id === element.media) : undefined;
  return file ? { duration: file.duration, words: wordsIn(file) } : NOTHING;
}

/** The words of a file whose times are known; split as the core splits them. */
function wordsIn({ speech }: MediaFile): HeardWord[] {
  const words = speech?.words.split(/[ \t\r\n]+/).filter(Boolean) ?? [];
  if (!speech || speech.times.length !== words.length) return [];
  return words.map((word, number) => ({ number, word, since: speech.times[number]?.since ?? 0 }));
}

/** What can lead a timing: videos and audio that stand where its cues do. */
export const leadersOn = (slide: Slide): Element[] => slide.elements.filter(({ kind }) => kind === "audio" || kind === "video");

/** A cue set to a word; it lasts as long as before. Without a word it stays at its time. */
export function atWord(cue: Cue, heard: HeardWord | undefined): Partial<Cue> {
  if (!heard) return { word: null };
  const { number, word, since } = heard;
  return { at: since, word: { number, word: word.slice(0, 200) }, ...(cue.until == null ? {} : { until: cue.until - cue.at + since }) };
}
