/** Plays a timing on the slide as it is drawn: the browser's own animations, set to any moment. */
import type { Cue, Element, Timing } from "../../api/types";
import type { MediaMap } from "../../player/render/mediaMap";
import { path } from "../../player/render/motion";
import { endOf } from "./timing";

/** As long as in the player. */
const EFFECT_MS = 350;

type Look = { opacity: number; translate?: string; scale?: string };
const AWAY: Record<Cue["effect"], Look> = {
  none: { opacity: 0 }, fade: { opacity: 0 }, slide: { opacity: 0, translate: "-40px 0" },
  scale: { opacity: 0, scale: "0.7" }, flip: { opacity: 0, scale: "0.02 1" },
};
const THERE: Look = { opacity: 1, translate: "0px 0px", scale: "1" };

interface Sound { at: number; media: HTMLMediaElement; node: HTMLElement | null }

/** Plays a timing on the slide that is being edited: moves as animations, sounds as sounds. */
export class Playback {
  private readonly animations: Animation[] = [];
  private readonly sounds: Sound[] = [];
  readonly end: number;

  constructor(stage: HTMLElement, elements: readonly Element[], timing: Timing, media: MediaMap) {
    this.end = Math.max(endOf(timing), 1);
    for (const element of elements) {
      const node = stage.querySelector<HTMLElement>(`[data-element="${element.id}"]`);
      const cues = timing.cues.filter(({ what }) => what === element.id);
      const spans = cues.filter(({ does }) => does === "appear");
      if (node && spans.length) this.keep(node.animate(presence(spans, this.end + EFFECT_MS), { duration: this.end + EFFECT_MS, fill: "both" }));
      let from: readonly [number, number] = [0, 0];
      for (const cue of [...cues].sort((a, b) => a.at - b.at)) {
        const move = cue.does === "move" ? element.moves.find(({ id }) => id === cue.move) : undefined;
        if (node && move) {
          const way = path(move, from, middleOf(elements.find(({ id }) => id === move.to), element));
          from = move.times ? way.at(-1) ?? from : from;
          this.keep(node.animate(way.map(([x, y]) => ({ translate: `${x}px ${y}px` })), {
            delay: cue.at, duration: move.duration, easing: move.easing, iterations: move.times || Infinity, composite: "add",
          }));
        }
      }
      this.addSound(element, cues.find(({ does }) => does === "play"), node, media);
    }
  }

  private keep(animation: Animation): void {
    animation.pause();
    this.animations.push(animation);
  }

  private addSound(element: Element, cue: Cue | undefined, node: HTMLElement | null, files: MediaMap): void {
    if (element.kind !== "audio" && element.kind !== "video") return;
    const file = files[element.media ?? ""];
    if (!file || (!cue && element.start !== "auto")) return;
    const media = document.createElement(element.kind);
    media.src = file.src;
    media.preload = "auto";
    media.volume = element.volume;
    media.dataset.playback = element.id;
    if (element.kind === "video" && node) {
      Object.assign(media.style, { position: "absolute", inset: "0", width: "100%", height: "100%", objectFit: element.fit });
      node.append(media);
    }
    this.sounds.push({ at: cue?.at ?? 0, media, node });
  }

  /** Show the moment `now`; audio and videos are set to it, and play on where `playing`. */
  seek(now: number, playing: boolean): void {
    for (const animation of this.animations) {
      animation.currentTime = now;
      if (playing) animation.play();
      else animation.pause();
    }
    for (const { at, media } of this.sounds) {
      media.pause();
      media.currentTime = Math.max(now - at, 0) / 1000;
    }
    this.follow(now, playing);
  }

  /** Let audio and videos begin whose time has come. */
  follow(now: number, playing: boolean): void {
    for (const { at, media } of this.sounds) {
      if (playing && now >= at && media.paused && !media.ended) void media.play().catch(() => undefined);
      media.style.visibility = now >= at ? "visible" : "hidden";
    }
  }

  /** Leave the slide as it was. */
  stop(): void {
    for (const animation of this.animations) animation.cancel();
    for (const { media } of this.sounds) {
      media.pause();
      media.remove();
    }
  }
}

/** Keyframes of one element over the whole timing: away, there from each cue, away again. */
export function presence(spans: readonly Cue[], whole: number): Keyframe[] {
  const frames: Keyframe[] = [];
  const put = (look: Look, at: number): void => {
    const last = frames.at(-1)?.offset ?? 0;
    frames.push({ ...look, offset: Math.min(Math.max(at / whole, last), 1) });
  };
  const sorted = [...spans].sort((a, b) => a.at - b.at);
  put(AWAY[sorted[0]?.effect ?? "none"], 0);
  for (const cue of sorted) {
    put(AWAY[cue.effect], cue.at);
    put(THERE, cue.effect === "none" ? cue.at : cue.at + EFFECT_MS);
    if (cue.until != null && cue.until > cue.at) {
      put(THERE, cue.until);
      put(AWAY[cue.leaves_with], cue.leaves_with === "none" ? cue.until : cue.until + EFFECT_MS);
    }
  }
  const last = frames.at(-1);
  if (last) frames.push({ ...last, offset: 1 });
  return frames;
}

/** How far `element` is from the middle of another one. */
function middleOf(goal: Element | undefined, element: Element): [number, number] | null {
  return goal ? [goal.x + (goal.w - element.w) / 2 - element.x, goal.y + (goal.h - element.h) / 2 - element.y] : null;
}
