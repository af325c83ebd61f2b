/** The sound of a video or audio from its begin to its end, with what is played of it. */
import { useQuery } from "@tanstack/react-query";
import { useMemo, type PointerEvent, type ReactNode } from "react";
import { api, take } from "../../../api/client";
import type { components } from "../../../api/api";
import type { Piece } from "../../../api/types";
import { system } from "../../../kit/chakraTheme";
import { useCourse } from "../../store/store";

export type Levels = components["schemas"]["LevelsOut"];

const HIGH = 44;
const colour = (name: string): string => system.token.var(`colors.${name}`);

/** How loud a file of the course is; undefined until that is known, and for what has no sound. */
export function useLevels(media: string): Levels | undefined {
  const slug = useCourse((state) => state.slug);
  const sha = useCourse((state) => state.course.media.find(({ id }) => id === media)?.sha256);
  const { data } = useQuery({
    queryKey: ["levels", slug, media, sha], staleTime: Infinity, retry: false,
    queryFn: () => take(api.GET("/api/courses/{slug}/media/{media_id}/levels", { params: { path: { slug, media_id: media } } })),
  });
  return data;
}

interface Props { levels: Levels; pieces: readonly Piece[]; duration: number; now: number; onSeek: (ms: number) => void }

/** Where it is pressed the film goes; by keyboard the film has keys of its own. */
export function Wave({ levels, pieces, duration, now, onSeek }: Props): ReactNode {
  const { heights, length } = levels;
  // Sound may end before the picture does.
  const path = useMemo(() => heights.map((height, at) => {
    const half = Math.max((height / 100) * (HIGH / 2), 0.5);
    return `M${((at + 0.5) / heights.length) * length} ${HIGH / 2 - half}V${HIGH / 2 + half}`;
  }).join(""), [heights, length]);
  const press = (event: PointerEvent<SVGSVGElement>): void => {
    const { left, width } = event.currentTarget.getBoundingClientRect();
    onSeek(Math.min(Math.max((event.clientX - left) / width, 0), 1) * duration);
  };
  return (
    <svg viewBox={`0 0 ${duration} ${HIGH}`} preserveAspectRatio="none" aria-hidden data-wave onPointerDown={press} style={{ width: "100%", height: HIGH, display: "block", cursor: "pointer", borderRadius: 6, background: colour("table") }}>
      {pieces.map(({ since, until }) => <rect key={since} x={since} width={until - since} y={0} height={HIGH} fill={colour("spruce.soft")} />)}
      <path d={path} stroke={colour("spruce")} strokeWidth={1} vectorEffect="non-scaling-stroke" />
      <path d={`M${now} 0V${HIGH}`} stroke={colour("brick")} strokeWidth={2} vectorEffect="non-scaling-stroke" />
    </svg>
  );
}
