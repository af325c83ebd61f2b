/** What a slide still wants to be played of a video or audio. */
import type { ReactNode } from "react";
import { own } from "../../engine/own";
import { useActing } from "../acting";
import type { Controlled } from "./Controls";
import { placeOf } from "./pieces";
import { stretchWords, wantedOf } from "./unseen";

/** So many stretches are told at once; the others follow once these were played. */
const MOST = 3;

/** Told while it stands still, once some of it was played; each stretch leads to its begin, and plays it. */
export function Unseen({ player, element, waiting }: Pick<Controlled, "player" | "element" | "waiting">): ReactNode {
  const { index, state } = useActing();
  const wanted = wantedOf(index, state, element.id);
  if (!waiting || !wanted.length || !own(state.watched, element.id)) return null;
  const [before = "", after = ""] = index.say("not_seen_yet", { stretches: "\n" }).split("\n");
  const play = (since: number) => (): void => {
    const media = player.current;
    if (!media) return;
    media.currentTime = placeOf(index.piecesOf(element.id), since) / 1000;
    void media.play().catch(() => {});
  };
  return (
    <p className="zz-unseen">
      {before}
      {wanted.slice(0, MOST).map((stretch) => (
        <button key={stretch[0]} type="button" onClick={play(stretch[0])}>{stretchWords(index, stretch)}</button>
      ))}
      {wanted.length > MOST && " …"}
      {after}
    </p>
  );
}
