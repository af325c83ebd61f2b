/** The sound in the background: it goes on from slide to slide, and is lowered while something else is heard. */
import { isSomethingHeard, loudness, onHeard } from "./players";

/** What plays in the background of a slide: its file, how loud it is (0 to 1), and its share while something else is heard. */
export interface Playing { readonly src: string; readonly volume: number; readonly lowered: number }

/** From silent to loud takes so long (ms), in steps of so long. */
const FADE_MS = 600;
const STEP_MS = 40;
const KEPT = "zigzag-background-sound";

let audio: HTMLAudioElement | null = null;
let playing: Playing | null = null;
let still = false;
let off = isKeptOff();
let fading = 0;
const followers = new Set<() => void>();

/** Let `next` play, or nothing; the same file plays on. While `paused` it stands still. */
export function playBackground(next: Playing | null, paused: boolean): void {
  if (next && audio && playing?.src !== next.src) stop();
  playing = next;
  still = paused;
  follow();
}

/** Whether the learner has switched the sound in the background off, for `useSyncExternalStore`. */
export const isBackgroundOff = (): boolean => off;

/** Switch it off, or on; this browser remembers it. */
export function switchBackground(on: boolean): void {
  off = !on;
  try {
    localStorage.setItem(KEPT, off ? "off" : "on");
  } catch {
    // Without storage it holds until the course is left.
  }
  follow();
  for (const one of followers) one();
}

/** Call `listener` when it is switched. Returns how to stop. */
export function onBackground(listener: () => void): () => void {
  followers.add(listener);
  return () => followers.delete(listener);
}

function isKeptOff(): boolean {
  try {
    return localStorage.getItem(KEPT) === "off";
  } catch {
    return false;
  }
}

onHeard(follow);

/** Go to what is wanted now, little by little. */
function follow(): void {
  const wanted = wantedVolume();
  if (wanted > 0) begin();
  if (!audio || fading) return;
  fading = window.setInterval(step, STEP_MS);
}

function wantedVolume(): number {
  if (!playing || off || still) return 0;
  return loudness(playing.volume * (isSomethingHeard() ? playing.lowered : 1));
}

function begin(): void {
  if (!playing) return;
  if (!audio) {
    audio = new Audio(playing.src);
    audio.loop = true;
    audio.volume = 0;
    audio.dataset.background = "";
    document.body.append(audio);
  }
  if (audio.paused) audio.play().catch(waitForHand);
}

/** A browser may refuse what nobody has clicked: then it begins with the first click or key. */
function waitForHand(): void {
  for (const event of ["pointerdown", "keydown"]) window.addEventListener(event, follow, { once: true });
}

function step(): void {
  const wanted = wantedVolume();
  const now = audio?.volume ?? 0;
  if (audio && Math.abs(wanted - now) > 0.001) {
    const most = STEP_MS / FADE_MS;
    audio.volume = now + Math.min(Math.max(wanted - now, -most), most);
    return;
  }
  window.clearInterval(fading);
  fading = 0;
  if (wanted === 0) audio?.pause();
}

function stop(): void {
  audio?.pause();
  audio?.remove();
  audio = null;
}
