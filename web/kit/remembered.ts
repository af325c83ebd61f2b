import { create } from "zustand";
import { persist } from "zustand/middleware";

/** Which headings are open, by their names. Kept in this browser. */
const useOpen = create<Record<string, boolean>>()(persist((): Record<string, boolean> => ({}), { name: "zigzag:open" }));

/** The heading of a card with its noun: by it is kept whether the card is open. */
export const headingOf = (title: string, noun?: string): string => (noun ? `${title}, ${noun}` : title);

/** Return whether what stands under `heading` is open, and what changes that; it stays as it was left. */
export function useRemembered(heading: string, first: boolean): [open: boolean, set: (open: boolean) => void] {
  const open = useOpen((state) => state[heading] ?? first);
  return [open, (next) => openHeading(heading, next)];
}

/** Open or close what stands under `heading`, wherever it is shown. */
export function openHeading(heading: string, open = true): void {
  useOpen.setState({ [heading]: open });
}
