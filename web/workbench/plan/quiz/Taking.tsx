/** How a quiz is taken: attempts, what a further one gets, and the time for it. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Quiz, Section } from "../../../api/types";
import { Check } from "../../../kit/Check";
import { Choose } from "../../../kit/Choose";
import { NumberField } from "../../../kit/NumberField";
import { t } from "../../../words/quiz";
import { Details } from "./Details";
import { changeQuiz } from "./quizzes";

const AGAIN = [["new", t("drawNew")], ["unseen", t("drawUnseen")], ["same", t("drawSame")], ["wrong", t("drawWrong")]] as const;
const WAYS = [["course", t("wayCourse")], ["free", t("wayFree")], ["onward", t("wayOnward")]] as const;
const REVIEWS = [["always", t("reviewAlways")], ["passed", t("reviewPassed")], ["last", t("reviewLast")], ["never", t("reviewNever")]] as const;
const JUDGED = [["each", t("judgedEach")], ["end", t("judgedAtEnd")]] as const;
/** As many as the course document takes. */
const MOST_ATTEMPTS = 100;
const LONGEST = 1_440;
const LONGEST_WAIT = 43_200;

/** The settings for taking it. */
export function Taking({ section, quiz, own }: { section: Section; quiz: Quiz; own: readonly string[] }): ReactNode {
  const put = (label: string, change: Partial<Quiz>, merge?: string): void => changeQuiz(section.id, label, (now) => ({ ...now, ...change }), merge);
  return (
    <Flex direction="column" gap="4" maxW="560px">
      <Details section={section.id} quiz={quiz} own={own} />
      <Part title={t("theAttempts")}>
        <NumberField
          label={t("attemptsOfTheQuiz")} help={t("attemptsHelp")} value={quiz.attempts ?? null} min={1} max={MOST_ATTEMPTS}
          none={{ word: t("anyNumber"), onNone: () => put(t("attemptsOfTheQuiz"), { attempts: null }, "attempts") }}
          onChange={(attempts) => put(t("attemptsOfTheQuiz"), { attempts: Math.round(attempts) }, "attempts")}
        />
        <NumberField
          label={t("waitMinutes")} help={t("waitHelp")} value={quiz.wait ?? null} min={1} max={LONGEST_WAIT}
          none={{ word: t("none"), onNone: () => put(t("waitMinutes"), { wait: null }, "wait") }}
          onChange={(wait) => put(t("waitMinutes"), { wait: Math.round(wait) }, "wait")}
        />
        <Choose label={t("furtherAttempt")} help={t("furtherHelp")} value={quiz.again} options={AGAIN} onChange={(again) => put(t("furtherAttempt"), { again })} />
      </Part>
      <Part title={t("amongTheQuestions")}>
        <Choose label={t("answersAreJudged")} help={t("judgedHelp")} value={quiz.judged} options={JUDGED} onChange={(judged) => put(t("answersAreJudged"), { judged })} />
        <Choose label={t("wayOfTheQuiz")} help={t("wayHelp")} value={quiz.way} options={WAYS} onChange={(way) => put(t("wayOfTheQuiz"), { way })} />
        {quiz.way === "free" && <Check label={t("laterButton")} help={t("laterHelp")} value={quiz.later} onChange={(later) => put(t("laterButton"), { later })} />}
        <Choose label={t("reviewOf")} help={t("reviewHelp")} value={quiz.review} options={REVIEWS} onChange={(review) => put(t("reviewOf"), { review })} />
        {quiz.review !== "never" && <Shows shown={quiz.shows} onChange={(shows) => put(t("reviewShows"), { shows })} />}
        <Check label={t("showOverview")} help={t("overviewHelp")} value={quiz.overview} onChange={(overview) => put(t("showOverview"), { overview })} />
      </Part>
      <Part title={t("theTime")}>
        <NumberField
          label={t("timeLimit")} help={t("timeLimitHelp")} value={quiz.time_limit ? quiz.time_limit / 60 : null} min={0.5} max={LONGEST}
          none={{ word: t("none"), onNone: () => put(t("timeLimit"), { time_limit: null }, "time") }}
          onChange={(minutes) => put(t("timeLimit"), { time_limit: Math.round(minutes * 60) }, "time")}
        />
        {quiz.time_limit ? (
          <Box pt="1">
            <Check label={t("timeShown")} value={quiz.time_shown} onChange={(time_shown) => put(t("timeShown"), { time_shown })} />
            <Check label={t("timeAway")} help={t("awayHelp")} value={quiz.away} onChange={(away) => put(t("timeAway"), { away })} />
            <Check label={t("extendable")} help={t("extendableHelp")} value={quiz.extendable} onChange={(extendable) => put(t("extendable"), { extendable })} />
          </Box>
        ) : null}
      </Part>
    </Flex>
  );
}

const SHOWS = [["answer", t("showsAnswer")], ["right", t("showsRight")], ["points", t("showsPoints")], ["attempts", t("showsAttempts")], ["feedback", t("showsFeedback")]] as const;

/** What a review shows of each question. */
function Shows({ shown, onChange }: { shown: Quiz["shows"]; onChange: (shown: Quiz["shows"]) => void }): ReactNode {
  return (
    <Flex role="group" aria-label={t("reviewShows")} gap="2" py="1" align="start">
      <Text color="quiet" fontSize="12.5px" w="190px" flex="none" aria-hidden>{t("reviewShows")}</Text>
      <Box>
        {SHOWS.map(([what, label]) => (
          <Check key={what} label={label} value={shown.includes(what)} onChange={(on) => onChange(SHOWS.map(([one]) => one).filter((one) => (one === what ? on : shown.includes(one))))} />
        ))}
      </Box>
    </Flex>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }): ReactNode {
  return (
    <Box
      as="section" aria-label={title} bg="paper" borderWidth="1px" borderRadius="card" px="4" py="3"
      css={{ "& [data-labelled] > :first-of-type": { width: "190px" } }}
    >
      <Heading as="h3" fontSize="14px" pb="1">{title}</Heading>
      {children}
    </Box>
  );
}
