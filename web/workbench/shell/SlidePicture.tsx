/** A slide of the open course as a small picture: the real rendering, with small media. */
import { memo, useMemo, type ReactNode } from "react";
import type { Slide } from "../../api/types";
import type { MediaMap } from "../../player/render/mediaMap";
import { Still } from "../../player/render/Still";
import { asideOf } from "../editor/stage/overlays";
import { shownSlide } from "../store/following";
import { mediaWith, themeOn } from "../store/quizOn";
import { useCourse } from "../store/store";

interface Props {
  slide: Slide;
  w: number;
  /** With all that is on it at some time; else only what is there as it begins. */
  whole?: boolean;
}

export const SlidePicture = memo(function SlidePicture({ slide, w, whole = false }: Props): ReactNode {
  const size = useCourse((state) => state.course.size);
  const theme = useCourse((state) => themeOn(state.course, slide.id));
  const sources = useCourse((state) => state.sources);
  const small = useSmallMedia();
  const media = useCourse((state) => mediaWith(small, theme, state.course));
  const shown = useMemo(() => {
    const all = shownSlide(slide, sources);
    if (whole) return all;
    const aside = asideOf(slide, []);
    return { ...all, elements: all.elements.filter((e) => !e.overlay && !aside.has(e.id)) };
  }, [slide, sources, whole]);
  return <Still slide={shown} {...{ size, theme, media }} scale={w / size.w} />;
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
