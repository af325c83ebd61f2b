/** A video or audio of the course, to be looked and listened through while it is worked on. */
import type { CSSProperties, ReactNode, Ref } from "react";
import type { MediaFile } from "../../../api/types";
import { t } from "../../../words/editor";
import { useCourse } from "../../store/store";

interface Props {
  file: MediaFile;
  ref: Ref<HTMLVideoElement & HTMLAudioElement>;
  /** Called whenever it stands elsewhere. */
  onTime?: () => void;
  /** Its greatest height in px. */
  high?: number;
}

const PICTURE: CSSProperties = { width: "100%", borderRadius: 6, background: "#22302b" };

/** A film as wide as its place, or a bar for a sound; with the controls of the browser. */
export function FilePlayer({ file: { id, name, type }, ref, onTime, high }: Props): ReactNode {
  const src = useCourse((state) => state.media[id]?.src);
  const all = { ref, src, controls: true, preload: "metadata", "aria-label": t("lookThroughName", { name }), onTimeUpdate: onTime, onSeeked: onTime };
  return type.startsWith("video/") ? <video {...all} style={{ ...PICTURE, maxHeight: high }} /> : <audio {...all} style={{ width: "100%" }} />;
}

/** Where it stands (ms). */
export const placeOf = (player: HTMLMediaElement | null): number => Math.round((player?.currentTime ?? 0) * 1000);
