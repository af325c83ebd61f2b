/** The slide at the moment that is looked at, and in play. */
import { useEffect, useRef } from "react";
import type { Slide, Timing } from "../../api/types";
import { useCourse } from "../store/store";
import { Playback } from "./playback";
import { useTiming } from "./useTiming";

/** Keep the slide at the moment that is looked at, and play it. */
export function usePlayback(slide: Slide, timing: Timing): void {
  const looking = useTiming((state) => state.now !== null);
  const playing = useTiming((state) => state.playing);
  const files = useCourse((state) => state.media);
  const playback = useRef<Playback | null>(null);
  useEffect(() => {
    const stage = document.querySelector<HTMLElement>("[data-stage]");
    if (!looking || !stage) return;
    const made = new Playback(stage, slide.elements, timing, files);
    playback.current = made;
    made.seek(useTiming.getState().now ?? 0, false);
    return () => {
      made.stop();
      playback.current = null;
    };
  }, [looking, slide, timing, files]);
  useEffect(() => {
    if (playing) return;
    return useTiming.subscribe(({ now, playing: going }) => { if (now !== null && !going) playback.current?.seek(now, false); });
  }, [playing]);
  useEffect(() => {
    const made = playback.current;
    if (!playing || !made) return;
    let { now } = useTiming.getState();
    let from = now !== null && now < made.end ? now : 0;
    let since = performance.now();
    made.seek(from, true);
    let frame = requestAnimationFrame(follow);
    function follow(): void {
      now = from + performance.now() - since;
      if (made && now >= made.end) {
        if (!timing.repeats) {
          useTiming.setState({ now: made.end, playing: false });
          return;
        }
        from = 0;
        since = performance.now();
        now = 0;
        made.seek(0, true);
      }
      made?.follow(now, true);
      useTiming.setState({ now: Math.round(now) });
      frame = requestAnimationFrame(follow);
    }
    return () => {
      cancelAnimationFrame(frame);
      playback.current?.seek(useTiming.getState().now ?? 0, false);
    };
  }, [playing, slide, timing]);
}

