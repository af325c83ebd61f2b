import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Quiz } from "../../../api/types";
import { Choose } from "../../../kit/Choose";
import { t } from "../../../words/quiz";
import { putInSet } from "./quizzes";

/** Moves slides to another set, or out of all. */
export function MoveTo(
  { section, quiz, slides, from, onMoved }: { section: string; quiz: Quiz; slides: readonly string[]; from: string | null; onMoved: () => void },
): ReactNode {
  const others = quiz.sets.filter(({ id }) => id !== from).map(({ id, name }) => [id, name || t("untitled")] as const);
  const none = from === null ? [] : [["none", t("inNoSet")] as const];
  function move(to: string): void {
    if (!to) return;
    putInSet(section, slides, to === "none" ? null : to);
    onMoved();
  }
  return <Box w="150px"><Choose bare label={t("moveTo")} value="" options={[["", t("moveTo")], ...others, ...none]} onChange={move} /></Box>;
}
