/** What the core says of the course as it was last saved: findings, ways, what an LMS is told. */
import { useQuery } from "@tanstack/react-query";
import { api, take } from "../api/client";
import type { components } from "../api/api";
import { useCourse } from "./store/store";

export type Check = components["schemas"]["Check"];
export type Route = components["schemas"]["Route"];
export type Way = components["schemas"]["Way"];

export function useCheck(): Check | undefined {
  const slug = useCourse((state) => state.slug);
  const saved = useCourse((state) => state.versions);
  return useQuery({
    queryKey: ["check", slug, saved], placeholderData: (before) => before,
    queryFn: () => take(api.GET("/api/courses/{slug}/check", { params: { path: { slug } } })),
  }).data;
}
