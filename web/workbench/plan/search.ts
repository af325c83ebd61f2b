/** The stop that is sought on the route. */
import { create } from "zustand";

export const useSought = create<{ text: string }>(() => ({ text: "" }));

export function isSought(title: string, text: string): boolean {
  return text.trim() !== "" && title.toLowerCase().includes(text.trim().toLowerCase());
}
