import { createContext, useContext } from "react";
import { directionOf, sayEnglish, type Say } from "../engine/words";

/** How the player speaks: its words, and how the course's language is written. */
export interface Speech { readonly say: Say; readonly direction: "ltr" | "rtl" }

/** How a language is written, with the words that `say` gives. */
export const speechIn = (language: string, say: Say = sayEnglish): Speech => ({ say, direction: directionOf(language) });

/** How what is drawn below speaks; English where nobody says otherwise. */
export const SpeechContext = createContext<Speech>(speechIn("en"));

/** The player's words where this is drawn. */
export const useSay = (): Say => useContext(SpeechContext).say;
/** How the course's language is written. */
export const useDirection = (): Speech["direction"] => useContext(SpeechContext).direction;
