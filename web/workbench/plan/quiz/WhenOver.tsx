/** What happens when an attempt at a quiz is over: rules of its section for passed, failed, finished. */
import { Box, Heading } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Quiz, Rule, Section } from "../../../api/types";
import { Explained } from "../../../kit/Explained";
import { t } from "../../../words/quiz";
import { Rules } from "../../does/Rules";
import { EVENTS } from "../../does/sentences";
import { useCourse } from "../../store/store";
import { changeSection } from "./quizzes";

const STARTS = [["quiz_passed", t("whenPassed")], ["quiz_failed", t("whenFailed")], ["quiz_finished", t("whenFinished")]] as const;

/** The rules, and a button for each that may be added. */
export function WhenOver({ section, quiz }: { section: Section; quiz: Quiz }): ReactNode {
  // What the result is shown on has the most that such a rule may want to show or hide.
  const outcome = useCourse((state) => state.slides[quiz.outcomes[0] ?? ""]);
  const rules = section.rules.filter(isOfQuiz);
  const put = (label: string, next: Rule[]): void => {
    const others = section.rules.filter((rule) => !isOfQuiz(rule));
    changeSection(section.id, label, () => ({ rules: [...others, ...next] }), `${section.id} over ${label}`);
  };
  return (
    <Box as="section" aria-label={t("whenOver")} bg="paper" borderWidth="1px" borderRadius="card" px="4" py="3">
      <Explained help={t("whenOverHelp")}><Heading as="h3" fontSize="14px" pb="1">{t("whenOver")}</Heading></Explained>
      <Rules
        rules={rules} owner={{ kind: "quiz", id: section.id, name: section.title || t("untitled") }} slide={outcome ?? null}
        starts={STARTS} empty={t("nothingWhenOver")} onChange={put}
      />
    </Box>
  );
}

function isOfQuiz({ when }: Rule): boolean {
  return EVENTS[when.event].to === "quiz";
}
