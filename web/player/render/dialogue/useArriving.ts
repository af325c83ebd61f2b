/** What happens when a line comes: pauses are waited for, sounds are heard, voices do not overlap. */
import { useCallback, useEffect, useRef, useState } from "react";
import type { SaidEntry } from "../../../api/types";
import type { MediaMap } from "../mediaMap";
import { playSound, playVoice } from "../players";

export interface Arriving {
  /** Whether nobody speaks yet: the line is still to come. */
  waits: boolean;
  /** Let the line come at once. */
  hurry: () => void;
  /** Whether the newest of it has come while one was there. */
  isNew: boolean;
  /** Let a voice be heard, in place of the one that is speaking. */
  hear: (sound: string) => void;
}

/** `begins`: whether the dialogue stands at its beginning, and was not come back to. */
export function useArriving(entries: readonly SaidEntry[], media: MediaMap, begins: boolean): Arriving {
  const seen = useRef(begins ? 0 : entries.length);
  const last = useRef<SaidEntry | undefined>(begins ? undefined : entries.at(-1));
  const first = useRef(begins ? null : entries);
  const [waits, setWaits] = useState(false);
  const stop = useRef<() => void>(() => undefined);
  const speak = useRef<() => void>(() => undefined);
  const files = useRef(media);
  files.current = media;

  const hear = useCallback((sound: string): void => {
    stop.current();
    const src = files.current[sound]?.src;
    stop.current = src ? playVoice(src) : () => undefined;
  }, []);
  const hurry = useCallback((): void => {
    setWaits(false);
    speak.current();
    speak.current = () => undefined;
  }, []);

  useEffect(() => {
    const newest = entries.at(-1);
    if (entries.length === seen.current && newest === last.current) return undefined;
    const fresh = entries.length > seen.current ? entries.slice(seen.current) : entries.slice(-1);
    seen.current = entries.length;
    last.current = newest;
    stop.current();
    for (const { kind, sound } of fresh) {
      const src = kind === "sound" && sound ? files.current[sound]?.src : undefined;
      if (src) playSound(src);
    }
    const voice = newest?.kind === "line" || newest?.kind === "advice" ? newest.sound : null;
    speak.current = () => { if (voice) hear(voice); };
    const pause = fresh.reduce((ms, entry) => ms + entry.ms, 0);
    setWaits(pause > 0);
    if (!pause) hurry();
    const timer = pause ? window.setTimeout(hurry, pause) : undefined;
    return () => window.clearTimeout(timer);
  }, [entries, hear, hurry]);
  useEffect(() => () => stop.current(), []);
  return { waits, hurry, hear, isNew: entries !== first.current };
}
