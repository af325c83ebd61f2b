/** Buttons that clear an answer, for all questions of a quiz in one step. */
import { Flex, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { api, take } from "../../../api/client";
import { QuietButton } from "../../../kit/QuietButton";
import { t } from "../../../words/quiz";
import { editCourse } from "../../store/edits";
import { useCourse } from "../../store/store";

/** How many questions have none, and what adds them. */
export function ClearButtons({ own }: { own: readonly string[] }): ReactNode {
  const count = useCourse(({ slides }) => own.reduce((sum, id) => sum + (slides[id]?.questions.filter(({ reset }) => !reset).length ?? 0), 0));
  return (
    <Flex align="center" gap="3" fontSize="13px">
      <Text color="quiet">{t("clearButtons")}</Text>
      {count ? <QuietButton size="sm" onClick={() => void addClearButtons(own)}>{t("addClearButtons", { count })}</QuietButton> : <Text color="quiet">{t("allHaveClearButtons")}</Text>}
    </Flex>
  );
}

async function addClearButtons(own: readonly string[]): Promise<void> {
  await editCourse({
    label: t("clearButtons"),
    ask: ({ course, slides }) => {
      const lacking = own.flatMap((id) => slides[id] ?? []).filter(({ questions }) => questions.some(({ reset }) => !reset));
      return take(api.POST("/api/edits/clear-buttons", { body: { course, slides: lacking } }));
    },
    then: () => ({}),
  });
}
