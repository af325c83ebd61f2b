import { Box, Grid, Text } from "@chakra-ui/react";
import { useRef, type ReactNode } from "react";
import type { components } from "../api/api";
import { Card } from "../kit/Card";
import { MarkForm } from "./MarkForm";
import { t } from "../words/practice";

/** The open answers of all learners that wait to be marked, one form each. */
export function ToMark(
  { id, results }: { id: number; results: readonly components["schemas"]["LearnerResults"][] },
): ReactNode {
  const list = useRef<HTMLDivElement>(null);
  const waiting = results.flatMap(({ learner, attempts }) => (
    attempts.flatMap((attempt) => attempt.interactions)
      .filter((answer) => answer.to_mark && !answer.mark)
      .map((answer) => ({ learner, answer }))
  ));
  if (!waiting.length) return null;

  /** From one answer to the next without the mouse. */
  function next(index: number): void {
    const fields = list.current?.querySelectorAll<HTMLInputElement>("[data-points]");
    (fields?.[index + 1] ?? fields?.[0])?.focus();
  }

  return (
    <Box mt="5">
      <Card title={t("toMark")} aside={<Text color="quiet" fontSize="13px">{t("answers2", { count: waiting.length })}</Text>}>
        <Grid as="ul" ref={list} listStyleType="none" templateColumns="repeat(auto-fill, minmax(360px, 1fr))" gap="4">
          {waiting.map(({ learner, answer }, index) => (
            <Box as="li" key={`${answer.visit} ${answer.index}`} borderTopWidth="1px" pt="2">
              <Text color="quiet" fontSize="13px">{learner.name}</Text>
              <Text fontWeight="600">{answer.question}</Text>
              <Text whiteSpace="pre-wrap" overflowWrap="anywhere">{answer.answer || t("noWordsWereWritten")}</Text>
              <MarkForm id={id} answer={answer} onDone={() => next(index)} />
            </Box>
          ))}
        </Grid>
      </Card>
    </Box>
  );
}
