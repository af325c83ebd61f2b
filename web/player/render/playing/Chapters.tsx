import { useEffect, useRef, useState, type ReactNode } from "react";
import type { Chapter } from "../../../api/types";
import { clockWords } from "../clockWords";
import { useSay } from "../speech";
import type { Stretch } from "./pieces";
import { chapterAt, endOf, unseen } from "./unseen";

/** All times are those that learners see, in ms. */
interface Props {
  chapters: readonly Chapter[];
  /** What was played. */
  watched: readonly Stretch[];
  length: number;
  now: number;
  seek: (ms: number) => void;
}

/** The chapters of a video or audio: a list that leads to each, and tells which were played in full. */
export function Chapters({ chapters, watched, length, now, seek }: Props): ReactNode {
  const say = useSay();
  const [open, setOpen] = useState(false);
  const opener = useRef<HTMLButtonElement>(null);
  const list = useRef<HTMLOListElement>(null);
  const here = chapterAt(chapters, now);
  useEffect(() => {
    if (open) (list.current?.querySelector<HTMLElement>("[aria-current]") ?? list.current?.querySelector("button"))?.focus();
  }, [open]);
  const close = (): void => {
    setOpen(false);
    opener.current?.focus();
  };
  const seen = (place: number): boolean => {
    const [since, until] = [chapters[place]?.since ?? 0, endOf(chapters, place, length)];
    const within = watched.map(([from, to]) => [Math.max(from, since) - since, Math.min(to, until) - since] as const);
    return !unseen(within.filter(([from, to]) => to > from), until - since).length;
  };
  return (
    <span className="zz-chapters">
      <button ref={opener} type="button" aria-expanded={open} onClick={() => setOpen(!open)}>{say("chapters")}</button>
      {open && (
        <ol
          ref={list} aria-label={say("chapters")}
          onKeyDown={(event) => { if (event.key === "Escape") { event.stopPropagation(); close(); } }}
        >
          {chapters.map(({ since, name }, place) => (
            <li key={since}>
              <button type="button" aria-current={place === here || undefined} onClick={() => { seek(since); close(); }}>
                <span>{name}</span>
                <small>{clockWords(Math.floor(since / 1000))}{seen(place) && ` · ${say("seen")}`}</small>
              </button>
            </li>
          ))}
        </ol>
      )}
    </span>
  );
}
