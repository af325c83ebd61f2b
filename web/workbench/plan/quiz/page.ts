/** Which quiz stands in Plan in place of the route. */
import { create } from "zustand";

export const useQuizPage = create<{ section: string | null }>(() => ({ section: null }));

/** Show the page of a quiz; null shows the route. */
export function showQuiz(section: string | null): void {
  useQuizPage.setState({ section });
}
