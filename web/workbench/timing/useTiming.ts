/** What the author looks at in time. Nothing of it is kept in the course. */
import { create } from "zustand";

interface Looked {
  open: boolean;
  /** The moment that the slide is shown at, in ms; null shows all that there is. */
  now: number | null;
  playing: boolean;
  cue: string | null;
  /** How many times more than the whole axis fits is shown: 1 is all of it. */
  zoom: number;
}

export const useTiming = create<Looked>(() => ({ open: false, now: null, playing: false, cue: null, zoom: 1 }));

/** Open or close the timing drawer. */
export function toggleTiming(): void {
  useTiming.setState(({ open }) => ({ open: !open, now: null, playing: false }));
}

/** Show the slide as it is at `now` ms; null shows it as it is edited. */
export function lookAt(now: number | null): void {
  useTiming.setState({ now, playing: false });
}

/** Play the timing from the moment looked at, or stop. */
export function play(playing: boolean): void {
  useTiming.setState(({ now }) => ({ playing, now: playing ? now ?? 0 : now }));
}
