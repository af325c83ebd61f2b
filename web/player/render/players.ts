/** The videos and audio on the page, by element: for actions that play, pause and seek. */
import type { Effect } from "../../api/events";

const players = new Map<string, HTMLMediaElement>();
const setting = { volume: 1, speed: 1, captions: true };
const followers = new Set<() => void>();
const listeners = new Set<() => void>();
const heardEvents = ["play", "pause", "ended"];

/** Make a player known by its element. Returns how to forget it. */
export function register(element: string, player: HTMLMediaElement): () => void {
  players.set(element, player);
  player.playbackRate = setting.speed;
  for (const event of heardEvents) player.addEventListener(event, tellListeners);
  return () => {
    if (players.get(element) === player) players.delete(element);
    for (const event of heardEvents) player.removeEventListener(event, tellListeners);
    tellListeners();
  };
}

/** Whether a video, audio or voice is heard now. */
export function isSomethingHeard(): boolean {
  const voice = speaking && !speaking.voice.paused && !speaking.voice.ended;
  // What fades in is silent for a moment, and is to be heard all the same.
  return Boolean(voice) || [...players.values()].some((player) => !player.paused && !isOver(player) && !player.muted && Number(player.dataset.volume ?? 1) > 0);
}

/** Call `listener` when something begins or ends to be heard, or its volume changes. Returns how to stop. */
export function onHeard(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

function tellListeners(): void {
  for (const listener of listeners) listener();
}

/** The video or audio of an element, where it is on the page. */
export const playerOf = (element: string): HTMLMediaElement | undefined => players.get(element);

/** Let all players stand still but this one. */
export function pauseOthers(media: HTMLMediaElement): void {
  for (const player of players.values()) if (player !== media) player.pause();
}

/** What was ended before the end of its file. */
const ended = new WeakSet<HTMLMediaElement>();

/** End a player here, as if its file ended: it stands still, and tells that it has ended. */
export function end(media: HTMLMediaElement): void {
  ended.add(media);
  media.addEventListener("pause", () => { if (ended.has(media)) media.dispatchEvent(new Event("ended")); }, { once: true });
  media.addEventListener("play", () => ended.delete(media), { once: true });
  media.addEventListener("seeking", () => ended.delete(media), { once: true });
  media.pause();
}

/** Whether a player has come to its end. */
export const isOver = (media: HTMLMediaElement): boolean => media.ended || ended.has(media);

/** Do what an effect says to a player: play, pause, or jump to a time. */
export function runMedia({ element, run, at }: Extract<Effect, { effect: "media" }>): void {
  const player = players.get(element);
  if (!player) return;
  if (run === "pause") player.pause();
  else if (run === "seek") player.currentTime = at / 1000;
  // A browser may refuse what nobody has clicked; then the learner starts it.
  else void player.play().catch(() => {});
}

/** Sounds without an element that are playing, or stand still for now. */
const sounds = new Set<HTMLAudioElement>();

/** Play a sound once; one that a browser refuses is left out. */
export function playSound(src: string): void {
  started(src);
}

/** The voice that was begun last. */
let speaking: { src: string; voice: HTMLAudioElement } | null = null;

/** Let a voice be heard. Returns how to stop it. */
export function playVoice(src: string): () => void {
  const voice = started(src);
  speaking = { src, voice };
  for (const event of heardEvents) voice.addEventListener(event, tellListeners);
  return () => {
    voice.pause();
    sounds.delete(voice);
  };
}

/** How far (ms) a voice has come; null where it is not heard now. */
export function heardOf(src: string): number | null {
  if (speaking?.src !== src || speaking.voice.paused || speaking.voice.ended) return null;
  return speaking.voice.currentTime * 1000;
}

function started(src: string): HTMLAudioElement {
  const sound = new Audio(src);
  sound.volume = setting.volume;
  sound.playbackRate = setting.speed;
  sounds.add(sound);
  sound.addEventListener("ended", () => sounds.delete(sound));
  void sound.play().catch(() => sounds.delete(sound));
  return sound;
}

/** Let sounds stand still while the learner has paused all that moves, and go on after it. */
export function pauseSounds(paused: boolean): void {
  for (const sound of sounds) {
    if (paused) sound.pause();
    else void sound.play().catch(() => sounds.delete(sound));
  }
}

/** Stop all sounds: the learner has left. */
export function stopSounds(): void {
  pauseSounds(true);
  sounds.clear();
}

/** How loud all is, 0..1, on top of what each video and audio has of its own. */
export function setVolume(volume: number): void {
  setting.volume = volume;
  for (const sound of sounds) sound.volume = volume;
  for (const player of players.values()) player.volume = Number(player.dataset.volume ?? 1) * volume;
  tellListeners();
}

/** How loud a player is, 0 to 1: its `own` volume under the one that the learner has set. */
export const loudness = (own: number): number => own * setting.volume;

/** How many times as fast as recorded all plays. */
export const speedNow = (): number => setting.speed;

/** Set the speed of all players and sounds, now and later; 1 is as recorded. */
export function setSpeed(speed: number): void {
  setting.speed = speed;
  for (const player of [...players.values(), ...sounds]) player.playbackRate = speed;
}

/** Show or hide the captions of all players. */
export function setCaptions(shown: boolean): void {
  setting.captions = shown;
  for (const follow of followers) follow();
}

/** Whether captions are wanted, for `useSyncExternalStore`. */
export const captionsWanted = (): boolean => setting.captions;

/** Call `follow` when captions are shown or hidden. Returns how to stop. */
export function onCaptions(follow: () => void): () => void {
  followers.add(follow);
  return () => followers.delete(follow);
}
