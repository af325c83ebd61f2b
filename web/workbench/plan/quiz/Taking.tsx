/** How a quiz is taken: attempts, what a further one gets, and the time for it. */
import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Quiz, Section } from "../../../api/types";
import { Check } from "../../../kit/Check";
import { Choose } from "../../../kit/Choose";
import { NumberField } from "../../../kit/NumberField";
import { t } from "../../../words/quiz";
import { changeQuiz } from "./quizzes";

const AGAIN = [["new", t("drawNew")], ["unseen", t("drawUnseen")], ["same", t("drawSame")], ["wrong", t("drawWrong")]] as const;
const JUDGED = [["each", t("judgedEach")], ["end", t("judgedAtEnd")]] as const;
/** As many as the course document takes. */
const MOST_ATTEMPTS = 100;
const LONGEST = 1_440;

/** The settings for taking it. */
export function Taking({ section, quiz }: { section: Section; quiz: Quiz }): ReactNode {
  const put = (label: string, change: Partial<Quiz>, merge?: string): void => changeQuiz(section.id, label, (now) => ({ ...now, ...change }), merge);
  return (
    <Box bg="paper" borderWidth="1px" borderRadius="card" px="4" py="3" maxW="520px" css={{ "& [data-labelled] > :first-of-type": { width: "150px" } }}>
      <NumberField
        label={t("attemptsOfTheQuiz")} help={t("attemptsHelp")} value={quiz.attempts ?? null} min={1} max={MOST_ATTEMPTS}
        none={{ word: t("anyNumber"), onNone: () => put(t("attemptsOfTheQuiz"), { attempts: null }, "attempts") }}
        onChange={(attempts) => put(t("attemptsOfTheQuiz"), { attempts: Math.round(attempts) }, "attempts")}
      />
      <Choose label={t("furtherAttempt")} help={t("furtherHelp")} value={quiz.again} options={AGAIN} onChange={(again) => put(t("furtherAttempt"), { again })} />
      <Choose label={t("answersAreJudged")} help={t("judgedHelp")} value={quiz.judged} options={JUDGED} onChange={(judged) => put(t("answersAreJudged"), { judged })} />
      <NumberField
        label={t("timeLimit")} help={t("timeLimitHelp")} value={quiz.time_limit ? quiz.time_limit / 60 : null} min={0.5} max={LONGEST}
        none={{ word: t("none"), onNone: () => put(t("timeLimit"), { time_limit: null }, "time") }}
        onChange={(minutes) => put(t("timeLimit"), { time_limit: Math.round(minutes * 60) }, "time")}
      />
      {quiz.time_limit ? (
        <Box pt="1">
          <Check label={t("timeShown")} value={quiz.time_shown} onChange={(time_shown) => put(t("timeShown"), { time_shown })} />
          <Check label={t("extendable")} help={t("extendableHelp")} value={quiz.extendable} onChange={(extendable) => put(t("extendable"), { extendable })} />
        </Box>
      ) : null}
    </Box>
  );
}
