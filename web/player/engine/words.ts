/** The player's own words: English, where the program has no others. The twin of `zigzag_core/words`. */
import { RIGHT_TO_LEFT, WORDS } from "../../api/tables";
import { own } from "./own";

export type Word = keyof typeof WORDS;
type Values = Readonly<Record<string, string | number>>;
/** Gives the words for a key: `say("place", { n: 3, count: 12 })`. */
export type Say = (word: Word, values?: Values) => string;

/** Return what says `words`; what they lack is said in English. */
export function sayWith(words: Readonly<Record<string, string>>): Say {
  return (word, values) => {
    const text = own(words, word) || WORDS[word];
    return values ? text.replace(/\{([a-z]+)\}/g, (gap, name: string) => String(own(values, name) ?? gap)) : text;
  };
}

export const sayEnglish: Say = sayWith({});

const fromTheRight: readonly string[] = RIGHT_TO_LEFT;

/** How a language is written. */
export const directionOf = (language: string): "ltr" | "rtl" => (
  fromTheRight.includes(language.split("-")[0] ?? "") ? "rtl" : "ltr"
);
