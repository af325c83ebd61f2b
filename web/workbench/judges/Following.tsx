/** Settings of a question that follow the defaults of its quiz: quieter than its own, and one click away from following. */
import { Box, Text, chakra } from "@chakra-ui/react";
import { createContext, useContext, type ReactNode } from "react";
import type { Question, QuestionDefaults, Setting as Name } from "../../api/types";
import { defaultsFor, followingAgain, isWords, withDefaults } from "../store/defaults";
import { changeSlide, currentSlide, useCourse } from "../store/store";
import { t } from "../../words/judges";

const Around = createContext<{ question: Question; defaults: QuestionDefaults } | null>(null);
const QUIETER = { "& label": { color: "quiet" }, "& input:not([type=checkbox]), & select, & textarea": { color: "quiet", borderStyle: "dashed", background: "transparent" } };

/** A question as it comes to with what it follows, for the settings within. */
export function Following({ slide, question, children }: { slide: string; question: Question; children: (cameTo: Question) => ReactNode }): ReactNode {
  const defaults = useCourse((state) => defaultsFor(state.course, slide));
  if (!defaults) return children(question);
  return <Around.Provider value={{ question, defaults }}>{children(withDefaults(question, defaults))}</Around.Provider>;
}

/** That quieter fields follow; nothing outside of a quiz with defaults. */
export function FollowingNote(): ReactNode {
  return useContext(Around) && <Text color="quiet" fontSize="12px">{t("dashedFieldsFollow")}</Text>;
}

/** A field of a question that may follow its quiz; where it has a value of its own, a way back. */
export function Setting({ of, label, words = t("asInTheQuiz"), children }: { of: Name; label: string; words?: string; children: ReactNode }): ReactNode {
  const around = useContext(Around);
  if (!around || (isWords(of) && !around.defaults[of].blocks.length)) return children;
  const follows = around.question.follows.includes(of);
  return (
    <Box data-follows={follows} minW="0" alignSelf="start" css={follows ? QUIETER : undefined}>
      {children}
      {!follows && (
        <chakra.button
          type="button" fontSize="11.5px" color="spruce" textDecoration="underline" cursor="pointer" aria-label={t("labelAsInTheQuiz", { label })}
          onClick={() => follow(around.question, of)}
        >{words}</chakra.button>
      )}
    </Box>
  );
}

function follow(question: Question, setting: Name): void {
  const slide = currentSlide();
  if (!slide) return;
  const questions = slide.questions.map((other) => (other.id === question.id ? followingAgain(other, setting) : other));
  changeSlide(t("asInTheQuiz"), { ...slide, questions });
}
