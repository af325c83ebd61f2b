/** One line of the script is heard at a time. */
import { useCallback, useEffect, useRef, useState } from "react";
import { sayError } from "../../kit/toaster";
import { useCourse } from "../store/store";

interface Listening {
  /** The key of the line that is heard now. */
  heard: string | null;
  /** Let a line be heard from its beginning, or stop it. */
  toggle: (key: string, voice: string) => void;
}

/** Play the voices of lines, one at a time. */
export function useListening(): Listening {
  const [heard, setHeard] = useState<string | null>(null);
  const player = useRef<HTMLAudioElement | null>(null);
  const now = useRef(heard);
  now.current = heard;
  const stop = useCallback((): void => {
    player.current?.pause();
    player.current = null;
    setHeard(null);
  }, []);
  useEffect(() => () => player.current?.pause(), []);
  const toggle = useCallback((key: string, voice: string): void => {
    const was = now.current;
    stop();
    const src = useCourse.getState().media[voice]?.src;
    if (was === key || !src) return;
    const sound = new Audio(src);
    player.current = sound;
    sound.addEventListener("ended", () => { if (player.current === sound) stop(); });
    setHeard(key);
    sound.play().catch((error: unknown) => {
      // Another line was asked for meanwhile.
      if (player.current !== sound) return;
      stop();
      sayError(error);
    });
  }, [stop]);
  return { heard, toggle };
}
