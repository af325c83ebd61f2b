/** Plays only the pieces of a file that its author keeps, and lets its sound come and go. */
import { useEffect } from "react";
import type { AudioElement, Piece, VideoElement } from "../../../api/types";
import { isWhole, lengthOf } from "../../engine/pieces";
import { useActing } from "../acting";
import { end, loudness } from "../players";
import { shownAt } from "./pieces";

/** What plays goes from piece to piece, and ends with the last; `duration` of the file is in ms. */
export function useCut(player: { current: HTMLMediaElement | null }, element: VideoElement | AudioElement, duration: number): void {
  const { index } = useActing();
  const { id, loop, volume, fade_in: begins, fade_out: ends } = element;
  useEffect(() => {
    const media = player.current;
    const pieces = index.piecesOf(id);
    const cut = pieces.length > 0 && !isWhole(pieces, duration);
    if (!media || !pieces.length || !(cut || begins || ends)) return undefined;
    const cutter = new Cutter(media, pieces, loop);
    const look = (): void => {
      if (begins || ends) {
        const at = shownAt(pieces, media.currentTime * 1000);
        media.volume = loudness(volume) * fading(at, begins) * fading(lengthOf(pieces) - at, ends);
      }
      if (cut) cutter.look();
    };
    let frame = 0;
    const often = (): void => {
      frame = requestAnimationFrame(often);
      if (!media.paused) look();
    };
    look();
    often();
    // A page that is not seen gets no frames.
    const heard = ["timeupdate", "loadedmetadata", "play"];
    for (const event of heard) media.addEventListener(event, look);
    return () => {
      cancelAnimationFrame(frame);
      for (const event of heard) media.removeEventListener(event, look);
    };
  }, [player, index, id, duration, loop, volume, begins, ends]);
}

/** How loud it is (0 to 1) so many ms from an end where it fades for `all` ms. */
export const fading = (ms: number, all: number): number => (all ? Math.min(Math.max(ms / all, 0), 1) : 1);

/** Leads a player over what is not played. */
class Cutter {
  /** Whether it was seen within a piece, and not led on since: then it has come where it is by playing. */
  private inside = false;
  private telling = false;

  constructor(private readonly media: HTMLMediaElement, private readonly pieces: readonly Piece[], private readonly loop: boolean) {}

  look(): void {
    if (this.media.seeking || this.telling) return;
    const now = Math.round(this.media.currentTime * 1000);
    if (this.pieces.some(({ since, until }) => since <= now && now < until)) {
      this.inside = true;
      return;
    }
    const next = this.pieces.find(({ since }) => since > now);
    if (next) this.goTo(next.since);
    else if (!this.media.paused) this.over();
  }

  private over(): void {
    // Who starts it again behind its end begins anew.
    if (this.loop || !this.inside) this.goTo(this.pieces[0]?.since ?? 0);
    else {
      this.inside = false;
      end(this.media);
    }
  }

  private goTo(ms: number): void {
    if (this.inside) this.tell();
    this.inside = false;
    this.media.currentTime = ms / 1000;
  }

  /** How far it was played is told before it jumps. */
  private tell(): void {
    this.telling = true;
    this.media.dispatchEvent(new Event("timeupdate"));
    this.telling = false;
  }
}
