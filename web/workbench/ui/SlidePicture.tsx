/** A slide of the open course as a small picture: the real rendering, with small media. */
import { memo, useMemo, type ReactNode } from "react";
import type { Slide } from "../../api/types";
import type { MediaMap } from "../../player/render/ElementView";
import { Still } from "../../player/render/Still";
import { shownSlide } from "../store/following";
import { useCourse } from "../store/store";

export const SlidePicture = memo(function SlidePicture({ slide, w }: { slide: Slide; w: number }): ReactNode {
  const size = useCourse((state) => state.course.size);
  const theme = useCourse((state) => state.course.theme);
  const sources = useCourse((state) => state.sources);
  const media = useSmallMedia();
  return <Still slide={shownSlide(slide, sources)} {...{ size, theme, media }} scale={w / size.w} />;
});

let last: { media: MediaMap; small: MediaMap } | null = null;

/** The course's media, each in its small picture where it has one. */
function useSmallMedia(): MediaMap {
  const media = useCourse((state) => state.media);
  return useMemo(() => {
    if (last?.media !== media) {
      const small = Object.fromEntries(Object.entries(media).map(
        ([id, entry]) => [id, entry.preview && !entry.type.startsWith("video/") ? { ...entry, src: entry.preview } : entry],
      ));
      last = { media, small };
    }
    return last.small;
  }, [media]);
}
