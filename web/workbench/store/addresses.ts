/** Where the files of a course are found, and drawings in the colours of a theme. */
import type { Colours, MediaFile } from "../../api/types";
import type { MediaEntry, MediaMap } from "../../player/render/mediaMap";

/** Where stored bytes are found, by their SHA-256. */
export type Addresses = Readonly<Record<string, { src: string; preview: string }>>;

/** The files of a course by id, as they are shown: drawings in the colours of its theme. */
export function mediaFor(files: readonly MediaFile[], addresses: Addresses, colours: Colours): MediaMap {
  return inColours(Object.fromEntries(files.map(({ id, sha256, type, w, h, duration, soundless, captions, chapters }): [string, MediaEntry] => {
    const { src, preview } = addresses[sha256] ?? { src: "", preview: "" };
    return [id, { src, preview, type, w, h, duration, soundless, captions, chapters }];
  })), colours);
}

/** The files with drawings in these colours. */
export function inColours(media: MediaMap, colours: Colours): MediaMap {
  const code = Object.values(colours).map((colour) => colour.slice(1)).join("-");
  const coloured = (url: string): string => url.replace(/\?colours=.*$/, `?colours=${code}`);
  return Object.fromEntries(Object.entries(media).map(([id, entry]): [string, MediaEntry] => (
    [id, { ...entry, src: coloured(entry.src), ...(entry.preview === undefined ? {} : { preview: coloured(entry.preview) }) }]
  )));
}
