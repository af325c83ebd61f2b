/** The stop that is searched for on the route. */
import { create } from "zustand";

export const useSearch = create<{ text: string }>(() => ({ text: "" }));

/** Whether a title holds the text searched for; upper and lower case are one. */
export function isFound(title: string, text: string): boolean {
  return text.trim() !== "" && title.toLowerCase().includes(text.trim().toLowerCase());
}
