/** What is said in a video or audio, to be read while it is said. */
import { useEffect, useState, useSyncExternalStore, type ReactNode } from "react";
import { createPortal } from "react-dom";
import type { Caption } from "../../api/types";
import { captionsWanted, onCaptions } from "./players";

interface Props { player: { current: HTMLMediaElement | null }; captions: readonly Caption[] }

/** Over a video at its lower edge; for a sound, which has no picture, at that of the slide. */
export function Captions({ player, captions }: Props): ReactNode {
  const wanted = useSyncExternalStore(onCaptions, captionsWanted);
  const [words, say] = useState("");
  useEffect(() => {
    const media = player.current;
    if (!media || !captions.length) return;
    const follow = (): void => {
      const now = media.currentTime * 1000;
      say(captions.filter(({ since, until }) => since <= now && now < until).map(({ text }) => text).join("\n"));
    };
    const heard = ["timeupdate", "seeked", "ended"];
    for (const event of heard) media.addEventListener(event, follow);
    return () => { for (const event of heard) media.removeEventListener(event, follow); };
  }, [player, captions]);
  if (!wanted || !words) return null;
  const caption = <p className="zz-caption"><span>{words}</span></p>;
  const stage = player.current?.tagName === "AUDIO" ? player.current.closest(".zz-stage") : null;
  return stage ? createPortal(caption, stage) : caption;
}
