import { Box, Flex, Input, Text, Textarea } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useId, useState, type FormEvent, type ReactNode } from "react";
import { api, take } from "../api/client";
import { MainButton } from "../kit/MainButton";
import { QuietButton } from "../kit/QuietButton";
import { sayError } from "../kit/toaster";
import type { Answer } from "./answer";
import { t } from "../words/practice";

interface Props {
  id: number;
  answer: Answer;
  focused?: boolean;
  /** Called once the mark is kept or taken back. */
  onDone: () => void;
}

/** Points and a comment for one open answer. */
export function MarkForm({ id, answer, focused = false, onDone }: Props): ReactNode {
  const queries = useQueryClient();
  const field = useId();
  const [points, setPoints] = useState(answer.mark ? String(answer.mark.points) : "");
  const [comment, setComment] = useState(answer.mark?.comment ?? "");
  const keep = useMutation({
    mutationFn: (given: number | null) => take(api.PUT("/api/practice/packages/{package_id}/marks", {
      params: { path: { package_id: id } },
      body: { visit: answer.visit, index: answer.index, points: given, comment },
    })),
    onSuccess: () => {
      onDone();
      void queries.invalidateQueries({ queryKey: ["practice"] });
    },
    onError: sayError,
  });

  function submit(event: FormEvent): void {
    event.preventDefault();
    keep.mutate(Number(points));
  }

  return (
    <Box as="form" onSubmit={submit} mt="2">
      {answer.model && (
        <Box as="details" mb="2" color="quiet">
          <Box as="summary" cursor="pointer">{t("modelAnswer")}</Box>
          <Text whiteSpace="pre-wrap" mt="1">{answer.model}</Text>
        </Box>
      )}
      <Textarea
        size="sm" rows={2} bg="sheet" borderRadius="card" maxLength={4_000} aria-label={t("commentOnQuestion", { question: answer.question })}
        placeholder={t("aCommentIfYouLike")} value={comment} onChange={(event) => setComment(event.target.value)}
      />
      <Flex align="center" gap="2" mt="2" wrap="wrap">
        <Text as="label" fontWeight="600" {...{ htmlFor: field }}>{t("points")}</Text>
        <Input
          id={field} size="sm" w="84px" type="number" min={0} max={answer.out_of} step="any" required bg="sheet"
          borderRadius="card" autoFocus={focused} value={points} data-points
          onChange={(event) => setPoints(event.target.value)}
        />
        <Text color="quiet" flex="1">{t("ofOutOf", { out_of: t("points2", { count: answer.out_of }) })}</Text>
        {answer.mark && (
          <QuietButton disabled={keep.isPending} onClick={() => keep.mutate(null)}>{t("withdrawTheMark")}</QuietButton>
        )}
        <MainButton type="submit" loading={keep.isPending}>{t("givePoints")}</MainButton>
      </Flex>
    </Box>
  );
}
