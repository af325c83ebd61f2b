import { Box, Text } from "@chakra-ui/react";
import { useState, type ReactNode } from "react";
import { QuietButton } from "../kit/QuietButton";
import type { Answer } from "./answer";
import { MarkForm } from "./MarkForm";
import { t } from "../words/practice";

/** One recorded answer: what was asked and answered, how it was judged, what a trainer gave. */
export function RecordedAnswer({ id, answer }: { id: number; answer: Answer }): ReactNode {
  const [open, setOpen] = useState(false);
  return (
    <Box
      py="2" borderTopWidth="1px" _first={{ borderTopWidth: 0 }}
      data-answer={answer.to_mark ? "to_mark" : answer.result}
    >
      <Text fontWeight="600">{answer.question}</Text>
      <Text whiteSpace="pre-wrap" overflowWrap="anywhere">{t("answered")}{" "}{answer.answer || t("nothing")}</Text>
      {answer.expected && <Text color="quiet">{t("rightWouldBeExpected", { expected: answer.expected })}</Text>}
      {answer.mark?.comment && <Text color="quiet" whiteSpace="pre-wrap">{t("commentComment", { comment: answer.mark.comment })}</Text>}
      <Text color={answer.result === "wrong" ? "brick" : "spruce"} fontSize="13px">
        {judgedWords(answer)}{answer.time && t("atTime", { time: answer.time })}{answer.latency && t("tookLatency", { latency: answer.latency })}
      </Text>
      {answer.to_mark && !open && (
        <QuietButton size="xs" mt="1" onClick={() => setOpen(true)}>
          {answer.mark ? t("changeTheMark") : t("markIt")}
        </QuietButton>
      )}
      {open && <MarkForm id={id} answer={answer} focused onDone={() => setOpen(false)} />}
    </Box>
  );
}

/** A number says how much of it was right (SCORM 1.2). */
function partly(result: string): string {
  const share = Number(result);
  return result.trim() === "" || Number.isNaN(share) ? result : t("partlyRightPercent", { percent: Math.round(share * 100) });
}

function judgedWords({ to_mark, mark, out_of, result }: Answer): string {
  if (mark) return t("markedPointsOfOutOf", { points: mark.points, out_of: t("points2", { count: out_of }) });
  if (to_mark) return t("waitsToBeMarked");
  return { correct: "✓ right", wrong: "✕ wrong", neutral: t("noRightOrWrong") }[result] ?? partly(result);
}

/** How far the open answers are marked; null where there are none. */
export function markedWords(answers: readonly Answer[]): string | null {
  const open = answers.filter((answer) => answer.to_mark);
  if (!open.length) return null;
  const given = open.flatMap(({ mark, out_of }) => (mark ? [{ points: mark.points, out_of }] : []));
  const points = given.reduce((sum, mark) => sum + mark.points, 0);
  const of = given.reduce((sum, mark) => sum + mark.out_of, 0);
  const waiting = open.length - given.length;
  return [
    given.length ? t("givenOfOf", { given: Math.round(points * 100) / 100, of: t("points2", { count: of }) }) : "",
    waiting ? t("waitingToMark", { waiting: t("answers2", { count: waiting }) }) : "",
  ].filter(Boolean).join(", ");
}
