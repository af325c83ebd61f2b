/** The stop that is searched for on the route. */
import { create } from "zustand";

export const useSearch = create<{ text: string }>(() => ({ text: "" }));

export function isFound(title: string, text: string): boolean {
  return text.trim() !== "" && title.toLowerCase().includes(text.trim().toLowerCase());
}
