/** The background sound of the slide that the learner is on. */
import { useEffect } from "react";
import type { Index } from "../engine/program";
import type { State } from "../engine/state";
import { playBackground } from "../render/background";

/** Let what belongs to the slide play while the course runs. */
export function useBackground(index: Index, { slide, paused }: State, running: boolean): void {
  const { sounds, media } = index.program;
  const sound = running ? soundOn(index, slide) : undefined;
  const src = sound && media[sound.media]?.src;
  useEffect(() => {
    playBackground(sound && src ? { src, volume: sound.volume, lowered: sound.lowered } : null, paused);
  }, [sound, src, paused, sounds]);
  useEffect(() => () => playBackground(null, false), []);
}

/** The background sound of a slide, where it has one. */
export function soundOn({ program }: Index, slide: string | null): Index["program"]["sounds"][number] | undefined {
  return program.sounds.find(({ slides }) => slide !== null && slides.includes(slide));
}
