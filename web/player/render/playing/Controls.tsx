import { useEffect, useMemo, useRef, useState, type CSSProperties, type ReactNode, type RefObject } from "react";
import type { AudioElement, VideoElement } from "../../../api/types";
import { own } from "../../engine/own";
import { lengthOf } from "../../engine/pieces";
import { useActing } from "../acting";
import { clockWords } from "../clockWords";
import type { MediaEntry } from "../mediaMap";
import { useSay } from "../speech";
import { Chapters } from "./Chapters";
import { placeOf, seenChapters, shownAt, shownOf, type Stretch } from "./pieces";
import { chapterAt } from "./unseen";

export interface Controlled {
  player: RefObject<HTMLMediaElement | null>;
  element: VideoElement | AudioElement;
  file: MediaEntry;
  waiting: boolean;
  toggle: () => void;
}

interface Props extends Controlled {
  /** Whether it fills the slide, and what changes that; null for what cannot. */
  large: { on: boolean; toggle: () => void } | null;
}

/** The controls of a video or audio: play, where it is, chapters, and the whole screen. */
export function Controls({ player, element, file, waiting, toggle, large }: Props): ReactNode {
  const say = useSay();
  const { index, state, scale } = useActing();
  const pieces = useMemo(() => index.piecesOf(element.id), [index, element.id]);
  const chapters = useMemo(() => seenChapters(file.chapters, pieces), [file.chapters, pieces]);
  const now = shownAt(pieces, useTime(player));
  const length = lengthOf(pieces) || 1;
  const watched = shownOf(pieces, own(state.watched, element.id) ?? []);
  const seek = (ms: number): void => {
    if (player.current) player.current.currentTime = placeOf(pieces, ms) / 1000;
  };
  const times = { now: clockWords(Math.floor(now / 1000)), all: clockWords(Math.round(length / 1000)) };
  const chapter = chapters[chapterAt(chapters, now)]?.name;
  const seen = shading(watched, length);
  const { name } = element;
  return (
    <div
      className="zz-controls" role="group" aria-label={name} style={{ "--zz-grow": Math.min(Math.max(1, 0.8 / scale), 2.4) } as CSSProperties}
      onClick={(event) => event.stopPropagation()}
    >
      <button type="button" aria-label={say(waiting ? "play_named" : "pause_named", { name })} onClick={toggle}>
        <Sign path={waiting ? "M6 3 19 11 6 19Z" : "M5 3h4v16H5zM13 3h4v16h-4z"} />
      </button>
      <span className="zz-track" dir="ltr" style={{ "--zz-seen": seen } as CSSProperties}>
        {chapters.filter(({ since }) => since > 0).map(({ since }) => (
          <i key={since} style={{ left: `${(since / length) * 100}%` }} />
        ))}
        <input
          type="range" min={0} max={Math.ceil(length / 1000)} step={1} value={Math.round(now / 1000)}
          aria-label={say("position")} aria-valuetext={`${say("time_of", times)}${chapter ? `, ${chapter}` : ""}`}
          onChange={(event) => seek(Number(event.target.value) * 1000)}
        />
      </span>
      <span className="zz-time" dir="ltr" aria-hidden>{times.now} / {times.all}</span>
      {chapters.length > 0 && <Chapters {...{ chapters, watched, length, now, seek }} />}
      {large && (
        <button type="button" aria-label={say("full_screen")} title={say("full_screen")} aria-pressed={large.on} onClick={large.toggle}>
          <Sign path={large.on ? "M8 2v6H2M14 2v6h6M8 20v-6H2M14 20v-6h6" : "M2 8V2h6M20 8V2h-6M2 14v6h6M20 14v6h-6"} line />
        </button>
      )}
    </div>
  );
}

function Sign({ path, line = false }: { path: string; line?: boolean }): ReactNode {
  const paint = line ? { fill: "none", stroke: "currentColor", strokeWidth: 2 } : { fill: "currentColor" };
  return <svg viewBox="0 0 22 22" aria-hidden><path d={path} {...paint} /></svg>;
}

/** Where it is (ms), told as often as the browser does. */
function useTime(player: RefObject<HTMLMediaElement | null>): number {
  const [now, tell] = useState(0);
  useEffect(() => {
    const media = player.current;
    if (!media) return;
    const follow = (): void => tell(Math.round(media.currentTime * 1000));
    follow();
    const heard = ["timeupdate", "seeking", "seeked", "ended", "loadedmetadata"];
    for (const event of heard) media.addEventListener(event, follow);
    return () => { for (const event of heard) media.removeEventListener(event, follow); };
  }, [player]);
  return now;
}

/** What was played, as stripes of a gradient over the whole length. */
function shading(watched: readonly Stretch[], length: number): string {
  const stops = watched.flatMap(([since, until]) => {
    const [from, to] = [since, until].map((ms) => `${Math.min((ms / length) * 100, 100).toFixed(2)}%`);
    return [`transparent ${from}`, `var(--zz-seen-colour) ${from}`, `var(--zz-seen-colour) ${to}`, `transparent ${to}`];
  });
  return stops.length ? `linear-gradient(to right, ${stops.join(", ")})` : "none";
}

/** A video that fills the slide, and with it the screen; overlays of the slide stay over it. */
export function useLarge(): { on: boolean; toggle: () => void } {
  const [on, set] = useState(false);
  const went = useRef(false);
  useEffect(() => {
    if (!on) return;
    const small = (): void => {
      if (document.fullscreenElement) went.current = true;
      else if (went.current) set(false);
    };
    const leave = (event: KeyboardEvent): void => { if (event.key === "Escape" && !event.defaultPrevented) set(false); };
    document.addEventListener("fullscreenchange", small);
    document.addEventListener("keydown", leave);
    if (!document.fullscreenElement) void document.documentElement.requestFullscreen?.().catch(() => {});
    return () => {
      document.removeEventListener("fullscreenchange", small);
      document.removeEventListener("keydown", leave);
      if (went.current && document.fullscreenElement) void document.exitFullscreen().catch(() => {});
      went.current = false;
    };
  }, [on]);
  return { on, toggle: () => set(!on) };
}

