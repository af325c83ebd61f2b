import { useEffect, useMemo, useRef, useState, type ReactNode } from "react";
import type { AudioElement, VideoElement } from "../../api/types";
import type { Index } from "../engine/program";
import type { State } from "../engine/state";
import { useActing } from "./acting";
import { Captions } from "./Captions";
import type { MediaEntry, MediaMap } from "./mediaMap";
import { isOver, loudness, pauseOthers, register } from "./players";
import { Controls, useLarge } from "./playing/Controls";
import { useCut } from "./playing/useCut";
import { Unseen } from "./playing/Unseen";
import { useSay } from "./speech";

interface Props { element: VideoElement | AudioElement; media: MediaMap; live: boolean }

/** Videos and audio: playing in a running course, a picture of themselves elsewhere. */
export function PlayingBox({ element, media, live }: Props): ReactNode {
  const file = element.media ? media[element.media] : undefined;
  if (!file) return <div className="zz-box zz-empty-picture"><PlaySign /></div>;
  const poster = element.kind === "video" && element.poster ? media[element.poster]?.src : undefined;
  if (!live) return <StillPlaying element={element} file={file} poster={poster} />;
  return element.kind === "video"
    ? <Video element={element} file={file} poster={poster} />
    : <Sound element={element} file={file} />;
}

function StillPlaying(
  { element, file, poster }: { element: VideoElement | AudioElement; file: MediaEntry; poster: string | undefined },
): ReactNode {
  const picture = poster ?? file.preview;
  if (element.kind === "audio") {
    return <div className="zz-box zz-audio"><PlaySign /><span>{element.name}</span></div>;
  }
  return (
    <div className={`zz-box zz-video${masked(element)}`}>
      {picture && <img src={picture} alt="" style={{ objectFit: element.fit }} draggable={false} />}
      <PlaySign />
    </div>
  );
}

/** In an answer a click on the picture chooses it; the controls play it. */
const isAnswer = (media: HTMLElement): boolean => media.closest(".zz-choice") !== null;

const masked = ({ mask }: VideoElement): string => (mask === "ellipse" ? " zz-round" : "");

function Video(
  { element, file, poster }: { element: VideoElement; file: MediaEntry; poster: string | undefined },
): ReactNode {
  const player = useRef<HTMLVideoElement>(null);
  const [waiting, toggle] = usePlaying(player, element);
  useReports(player, element.id, file.duration);
  useCut(player, element, file.duration);
  const large = useLarge();
  return (
    <div className={`zz-box zz-video${masked(element)}`} data-large={large.on || undefined} data-still={waiting || undefined}>
      <video
        ref={player} src={file.src} poster={poster} loop={element.loop}
        muted={file.soundless} playsInline preload="metadata" aria-label={element.alt || element.name}
        style={{ objectFit: element.fit }} onClick={(event) => { if (!isAnswer(event.currentTarget)) toggle(); }}
      />
      {waiting && !element.controls && <PlayButton name={element.name} onClick={toggle} />}
      <Captions player={player} captions={file.captions} />
      <Unseen {...{ player, element, waiting }} />
      {element.controls && <Controls {...{ player, element, file, waiting, toggle, large }} />}
    </div>
  );
}

function Sound({ element, file }: { element: AudioElement; file: MediaEntry }): ReactNode {
  const player = useRef<HTMLAudioElement>(null);
  const [waiting, toggle] = usePlaying(player, element);
  useReports(player, element.id, file.duration);
  useCut(player, element, file.duration);
  // Of a narration nothing is seen, unless it can only be heard once somebody asks for it.
  const unseen = element.narration && !element.controls && !waiting;
  return (
    <div className={element.controls ? "zz-box zz-plays" : element.narration ? "zz-box" : "zz-box zz-audio"}>
      <audio
        ref={player} src={file.src} loop={element.loop} preload="metadata" aria-label={element.alt || element.name}
      />
      {element.controls && <Controls {...{ player, element, file, waiting, toggle, large: null }} />}
      {!element.controls && !unseen && (
        <PlayButton name={element.name} onClick={toggle} stops={!waiting} />
      )}
      <Captions player={player} captions={file.captions} />
    </div>
  );
}

/** Starts by itself where that is wanted and allowed; gives whether it waits, and the switch. */
function usePlaying(
  player: { current: HTMLMediaElement | null }, element: VideoElement | AudioElement,
): [boolean, () => void] {
  const { start, volume, id, alone } = element;
  const narrates = element.kind === "audio" && element.narration;
  const [waiting, setWaiting] = useState(!narrates || start !== "auto");
  const { index, state, dispatch } = useActing();
  /** Where it stood when the learner left the course. */
  const stood = useRef(state.positions[id] ?? 0);
  usePausing(player, state.paused || isHeld(index, state, id));
  useEffect(() => {
    const media = player.current;
    if (!media) return;
    media.dataset.volume = String(volume);
    media.volume = loudness(volume);
    if (stood.current) media.currentTime = stood.current / 1000;
    stood.current = 0;
    const follow = (): void => setWaiting(media.paused && !(narrates && isOver(media)));
    const fail = (): void => dispatch({ event: "media", target: id, what: "failed" });
    const begin = (): void => {
      follow();
      if (alone) pauseOthers(media);
    };
    media.addEventListener("play", begin);
    media.addEventListener("pause", follow);
    media.addEventListener("error", fail);
    // A browser may refuse what nobody has clicked: then it waits for a click.
    if (start === "auto") media.play().catch(follow);
    return () => {
      media.removeEventListener("play", begin);
      media.removeEventListener("pause", follow);
      media.removeEventListener("error", fail);
      media.pause();
    };
  }, [player, start, volume, narrates, id, alone, dispatch]);
  const toggle = (): void => {
    const media = player.current;
    if (media?.paused) void media.play().catch(() => setWaiting(true));
    else media?.pause();
  };
  return [waiting, toggle];
}

/** Whether an overlay lets the timing of the slide wait, and with it what leads that. */
function isHeld({ clocks, overlays }: Index, state: State, id: string): boolean {
  return clocks.get(state.slide ?? "")?.follows === id && state.overlays.some((open) => overlays.get(open)?.pauses);
}

/** What plays stands still while the learner has paused all that moves, and goes on with it. */
function usePausing(player: { current: HTMLMediaElement | null }, paused: boolean): void {
  const held = useRef(false);
  useEffect(() => {
    const media = player.current;
    if (!media) return;
    if (paused && !media.paused) {
      held.current = true;
      media.pause();
    } else if (!paused && held.current) {
      held.current = false;
      void media.play().catch(() => {});
    }
  }, [player, paused]);
}

/** Longer than this between two reports (ms), at any speed, something else than playing happened. */
const LONGEST_GAP = 2_000;

/**
 * Tell the run what plays; only what is really played, on a page that is seen, counts as watched.
 *
 * Played straight through, all of it counts: from where it stood when it began, for by the time that a
 * browser says so it has moved on, and to `duration` (ms), for the browser's own end may be a little earlier.
 */
function useReports(player: { current: HTMLMediaElement | null }, element: string, duration: number): void {
  const { index, dispatch } = useActing();
  const leads = useMemo(() => [...index.clocks.values()].some(({ follows }) => follows === element), [index, element]);
  useEffect(() => {
    const media = player.current;
    if (!media) return;
    const leave = register(element, media);
    const now = (): number => {
      const at = Math.round(media.currentTime * 1000);
      return media.ended ? Math.max(at, duration) : at;
    };
    let last: number | null = null;
    let stood = now();
    const report = (): void => {
      const until = now();
      const seen = document.visibilityState === "visible" && !media.seeking;
      if (last !== null && seen && until > last && until - last < LONGEST_GAP * media.playbackRate) {
        dispatch({ event: "played", target: element, since: last, until });
      }
      last = media.seeking ? null : until;
    };
    const say = (what: "started" | "paused" | "ended") => () => {
      if (what !== "started") report();
      last = what === "started" ? stood : null;
      stood = isOver(media) ? 0 : now();
      dispatch({ event: "media", target: element, what });
    };
    // Where it jumps to is known when it begins to: by the time that it is there, it may have played on.
    const jump = (): void => {
      last = null;
      stood = Math.round(media.currentTime * 1000);
    };
    const heard: [string, () => void][] = [
      ["timeupdate", report], ["play", say("started")], ["pause", say("paused")], ["ended", say("ended")],
      ["seeking", jump], ["seeked", () => { last = media.paused ? null : stood; }],
    ];
    for (const [name, listener] of heard) media.addEventListener(name, listener);
    const stop = leads ? oftenWhilePlaying(media, report) : undefined;
    return () => {
      stop?.();
      leave();
      for (const [name, listener] of heard) media.removeEventListener(name, listener);
    };
  }, [player, element, duration, leads, dispatch]);
}

/** So often (ms) cues are looked for that go by what is heard. */
const OFTEN = 50;

/** Browsers tell four times a second where they are: cues want to know sooner. Returns how to stop. */
function oftenWhilePlaying(media: HTMLMediaElement, report: () => void): () => void {
  let frame = 0;
  let before = 0;
  const look = (now: number): void => {
    frame = requestAnimationFrame(look);
    if (media.paused || now - before < OFTEN) return;
    before = now;
    report();
  };
  frame = requestAnimationFrame(look);
  return () => cancelAnimationFrame(frame);
}

function PlayButton(
  { name, onClick, stops = false }: { name: string; onClick: () => void; stops?: boolean },
): ReactNode {
  const say = useSay();
  return (
    <button type="button" className="zz-play" aria-label={say(stops ? "pause_named" : "play_named", { name })} onClick={onClick}>
      {stops
        ? <svg width="28" height="28" viewBox="0 0 28 28" aria-hidden><path d="M7 5h5v18H7zM16 5h5v18h-5z" fill="currentColor" /></svg>
        : <svg width="28" height="28" viewBox="0 0 28 28" aria-hidden><path d="M8 4 24 14 8 24Z" fill="currentColor" /></svg>}
    </button>
  );
}

function PlaySign(): ReactNode {
  return (
    <svg className="zz-play-sign" viewBox="0 0 64 64" aria-hidden>
      <circle cx="32" cy="32" r="30" fill="#22302b" fillOpacity="0.75" />
      <path d="M25 19 48 32 25 45Z" fill="#ffffff" />
    </svg>
  );
}
