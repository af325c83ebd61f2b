import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api } from "../../../api/client";
import { workedOut } from "../../../api/jobs";
import type { Proof, QuizNumbers } from "../../../api/types";
import { useLater } from "../../../kit/useLater";
import { attempt } from "../../store/commands";
import { saveAll } from "../../store/saver";
import { useCourse } from "../../store/store";

const PAUSE_MS = 150;

/** The numbers behind the settings of a quiz, of the course as it was last saved; `old` while they are worked out anew. */
export function useQuizNumbers(section: string): { numbers: QuizNumbers | undefined; old: boolean; problem: Error | null } {
  const slug = useCourse((state) => state.slug);
  const versions = useCourse((state) => state.versions);
  const saved = useLater(versions, PAUSE_MS);
  const unsaved = useCourse((state) => state.dirty.size > 0 || state.saving.kind !== "saved");
  const asked = useQuery({
    queryKey: ["quizzes", slug, saved], staleTime: Infinity, placeholderData: keepPreviousData,
    queryFn: () => workedOut<{ quizzes: QuizNumbers[] }>(() => api.GET("/api/courses/{slug}/quizzes", { params: { path: { slug } } })),
  });
  return {
    numbers: asked.data?.quizzes.find(({ quiz }) => quiz === section), problem: asked.error,
    old: unsaved || saved !== versions || asked.isPlaceholderData || asked.isFetching,
  };
}

/**
 * What came of drawing the quiz for many learners, once somebody asked for it: of the course as it was then, saved first.
 * A later change takes that back.
 */
export function useProof(section: string): { proof: Proof | undefined; asked: boolean; ask: () => void; problem: Error | null } {
  const slug = useCourse((state) => state.slug);
  const versions = useCourse((state) => state.versions);
  const [askedFor, askFor] = useState<typeof versions | null>(null);
  const [saving, setSaving] = useState(false);
  const asked = askedFor === versions;
  const found = useQuery({
    queryKey: ["proof", slug, section, versions], staleTime: Infinity, enabled: asked, retry: false,
    queryFn: () => workedOut<Proof>(() => api.GET("/api/courses/{slug}/quizzes/{quiz}/proof", { params: { path: { slug, quiz: section } } })),
  });
  const ask = (): Promise<void> => attempt(async () => {
    if (asked) return void found.refetch();
    setSaving(true);
    try {
      await saveAll();
      askFor(useCourse.getState().versions);
    } finally {
      setSaving(false);
    }
  });
  return { proof: asked ? found.data : undefined, asked: asked || saving, ask: () => void ask(), problem: asked ? found.error : null };
}

/** The slides that the learner with a seed gets, in order; undefined while they are asked for. */
export function useDraw(section: string, seed: number): readonly string[] | undefined {
  const slug = useCourse((state) => state.slug);
  const saved = useLater(useCourse((state) => state.versions), PAUSE_MS);
  return useQuery({
    queryKey: ["draw", slug, section, seed, saved], staleTime: Infinity, placeholderData: keepPreviousData,
    queryFn: () => workedOut<{ slides: string[] }>(() => (
      api.GET("/api/courses/{slug}/quizzes/{quiz}/draw", { params: { path: { slug, quiz: section }, query: { seed } } })
    )),
  }).data?.slides;
}
