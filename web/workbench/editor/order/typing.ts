/** Which row of the running order is being typed into, and what of it. */
import { create } from "zustand";

export type Typed = "name" | "words";

interface Typing { row: string | null; what: Typed }

export const useTyping = create<Typing>(() => ({ row: null, what: "name" }));

/** Type over the name, or what it says, of a row. */
export function typeInRow(row: string, what: Typed): void {
  useTyping.setState({ row, what });
}

/** The row is typed into no longer. */
export function stopTyping(row: string): void {
  if (useTyping.getState().row === row) useTyping.setState({ row: null });
}
