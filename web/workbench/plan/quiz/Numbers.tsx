/** What the settings of a quiz come to. */
import { Box, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { QuizNumbers } from "../../../api/types";
import { t } from "../../../words/quiz";
import { GuessChart } from "./GuessChart";

/** The numbers; paler while they are worked out anew. */
export function Numbers({ numbers, old, problem, mark }: { numbers: QuizNumbers | undefined; old: boolean; problem: Error | null; mark: number }): ReactNode {
  if (problem) return <Text color="brick" role="alert">{t("numbersFailed", { reason: problem.message })}</Text>;
  // A quiz without a question has none.
  if (!numbers) return old ? <Box h="320px" borderRadius="card" bg="sky.soft" aria-busy /> : null;
  const many = manyQuizzes(numbers.quizzes);
  const even = numbers.highest - numbers.lowest < 1e-9;
  const [low, high] = [short(numbers.lowest), short(numbers.highest)];
  return (
    <Box display="grid" gap="2.5" opacity={old ? 0.55 : 1} transition="opacity 0.15s" aria-live="polite" aria-busy={old} data-numbers={old ? "old" : "new"}>
      {many === "1" ? <Figure words={t("oneQuiz")} /> : <Figure figure={many} words={t("differentQuizzes")} />}
      {numbers.asked > 0 && <Figure figure={t("shared", { shared: short(numbers.shared), asked: short(numbers.asked) })} words={t("sharedOnAverage")} />}
      {numbers.highest > 0 && (
        <>
          {numbers.passing === null ? <Figure words={t("oddsNotCounted")} /> : (
            <Figure figure={odds(numbers.passing)} words={t("passesByGuessing", { mark: short(mark) })}>
              {numbers.safe_mark ? t("fewerFrom", { mark: numbers.safe_mark }) : t("fewerNever")}
            </Figure>
          )}
          <Figure figure={even ? t("pointsReached", { points: high }) : t("pointsBetween", { low, high })} words={t("canBeReached")}>
            {even ? "" : t("notTheSame")}
          </Figure>
          {numbers.points.length > 0 && <GuessChart points={numbers.points} highest={numbers.highest} mark={mark} />}
        </>
      )}
    </Box>
  );
}

function Figure({ figure, words, children }: { figure?: string; words: string; children?: ReactNode }): ReactNode {
  return (
    <Box bg="sky.soft" color="sky.ink" borderRadius="card" px="3" py="2">
      {figure && <Text fontWeight="700" fontSize="17px" fontFamily="heading">{figure}</Text>}
      <Text fontSize="13px">{words}</Text>
      {children && <Text fontSize="12.5px" mt="0.5">{children}</Text>}
    </Box>
  );
}

const RAISED = "⁰¹²³⁴⁵⁶⁷⁸⁹";

/** A number of quizzes: in full up to a million, else as a power of ten. */
function manyQuizzes({ figure, power }: QuizNumbers["quizzes"]): string {
  if (power < 7) return Math.round(figure * 10 ** power).toLocaleString("en");
  return `${figure.toFixed(2)} × 10${[...String(power)].map((digit) => RAISED[Number(digit)] ?? "").join("")}`;
}

/** A chance in words. */
function odds(chance: number): string {
  if (chance <= 0) return t("never");
  if (chance < 1e-6) return t("oneInMillions");
  const count = 1 / chance;
  const digits = count < 10 ? 1 : 0;
  // Two figures are enough to go by.
  const rounded = count < 100 ? Number(count.toFixed(digits)) : Number(count.toPrecision(2));
  return t("oneIn", { count: rounded.toLocaleString("en") });
}

function short(number: number): string {
  return Number(number.toFixed(1)).toLocaleString("en");
}
