import { NativeSelect } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Quiz } from "../../../api/types";
import { t } from "../../../words/quiz";
import { putInSet } from "./quizzes";

/** Moves slides to another set, or out of all. */
export function MoveTo(
  { section, quiz, slides, from, onMoved }: { section: string; quiz: Quiz; slides: readonly string[]; from: string | null; onMoved: () => void },
): ReactNode {
  return (
    <NativeSelect.Root size="xs" w="150px">
      <NativeSelect.Field
        aria-label={t("moveTo")} value="" bg="paper" borderRadius="6px"
        onChange={(event) => {
          putInSet(section, slides, event.currentTarget.value === "none" ? null : event.currentTarget.value);
          onMoved();
        }}
      >
        <option value="" disabled>{t("moveTo")}</option>
        {quiz.sets.filter(({ id }) => id !== from).map(({ id, name }) => <option key={id} value={id}>{name || t("untitled")}</option>)}
        {from !== null && <option value="none">{t("inNoSet")}</option>}
      </NativeSelect.Field>
      <NativeSelect.Indicator />
    </NativeSelect.Root>
  );
}
