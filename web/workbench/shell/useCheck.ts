import { useQuery, type FetchQueryOptions } from "@tanstack/react-query";
import { useMemo } from "react";
import { api } from "../../api/client";
import { workedOut } from "../../api/jobs";
import type { components } from "../../api/api";
import { useLater } from "../../kit/useLater";
import { released, useCourse } from "../store/store";

export type Check = components["schemas"]["Check"];
export type Tracking = components["schemas"]["Tracking"];
export type Tried = components["schemas"]["Tried"];
type Finding = components["schemas"]["Finding"];
export type Way = components["schemas"]["Way"];

/** While one goes on working, looking at the whole course waits for a pause. */
const PAUSE_MS = 1_000;

/** What the core says of the course as it was last saved: findings and ways. */
export function useCheck(pause = PAUSE_MS): Check | undefined {
  const slug = useCourse((state) => state.slug);
  const saved = useLater(useCourse((state) => state.versions), pause);
  return useQuery({
    queryKey: ["check", slug, saved], staleTime: Infinity, placeholderData: (before) => before,
    queryFn: () => afterDrag(workedOut<Check>(() => api.GET("/api/courses/{slug}/check", { params: { path: { slug } } }))),
  }).data;
}

/** How to ask what an LMS is told of the course as it was last saved, and how large progress gets. */
export function trackingOf(slug: string, saved: unknown): FetchQueryOptions<Tracking> {
  return {
    queryKey: ["tracking", slug, saved], staleTime: Infinity,
    queryFn: () => workedOut<Tracking>(() => api.GET("/api/courses/{slug}/tracking", { params: { path: { slug } } })),
  };
}

/** Running the course takes longer: it waits until one has really paused. */
const REST_MS = 4_000;

/** What was found by running the course, and how far that got. */
export function useTried(pause = REST_MS): Tried | undefined {
  const slug = useCourse((state) => state.slug);
  const saved = useLater(useCourse((state) => state.versions), pause);
  // Opening a course comes first.
  const rested = useLater(slug, pause, "");
  return useQuery({
    queryKey: ["tried", slug, saved], staleTime: Infinity, placeholderData: (before) => before, enabled: pause === 0 || rested === slug,
    queryFn: () => afterDrag(workedOut<Tried>(() => api.GET("/api/courses/{slug}/tried", { params: { path: { slug } } }))),
  }).data;
}

/** What was found, as soon as nothing is dragged: route and findings are drawn anew then. */
async function afterDrag<T>(asked: Promise<T>): Promise<T> {
  const found = await asked;
  await released();
  return found;
}

/** All that was found, by looking and by running; each thing once. */
export function useFindings(check: Check | undefined, tried: Tried | undefined): readonly Finding[] {
  return useMemo(() => {
    const seen = check?.findings ?? [];
    const place = ({ code, slide, element }: Finding): string => `${code} ${slide ?? ""} ${element ?? ""}`;
    const known = new Set(seen.map(place));
    return [...seen, ...(tried?.findings ?? []).filter((finding) => !known.has(place(finding)))];
  }, [check, tried]);
}
