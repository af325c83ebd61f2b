/** What was said so far, as a log: each line is announced once, with who says it and how. */
import { useEffect, useRef, type ReactNode } from "react";
import type { SaidEntry } from "../../../api/types";
import type { Index } from "../../engine/program";
import type { State } from "../../engine/state";
import type { Say } from "../../engine/words";
import { RichTextView } from "../RichTextView";
import { useSay } from "../speech";
import type { Appearing } from "./useAppearing";
import { valueOf } from "../valueOf";

interface Props {
  index: Index;
  state: State;
  /** Who can speak, by number. */
  names: readonly string[];
  entries: readonly SaidEntry[];
  /** Of the newest line: how much is seen of it. */
  appearing: Appearing;
  hear: (sound: string) => void;
}

/** The log. It is scrolled to what is new; what was said before can be gone back to. */
export function SaidLog({ index, state, names, entries, appearing, hear }: Props): ReactNode {
  const say = useSay();
  const box = useRef<HTMLDivElement>(null);
  const newest = entries.length;
  useEffect(() => {
    const log = box.current;
    if (!log) return;
    const smooth = !window.matchMedia("(prefers-reduced-motion: reduce)").matches;
    log.scrollTo({ top: log.scrollHeight, behavior: smooth && newest > 1 ? "smooth" : "auto" });
  }, [newest]);
  const last = entries.findLastIndex(({ kind }) => kind === "line" || kind === "advice");
  return (
    // What scrolls can be reached by keyboard, to be scrolled.
    <div ref={box} className="zz-log" role="log" aria-label={say("said_so_far")} tabIndex={0}>
      {entries.map((entry, place) => (
        <Said
          key={`${place} ${entry.element ?? ""}`} index={index} state={state} names={names} entry={entry} hear={hear}
          appearing={place === last ? appearing : undefined}
        />
      ))}
    </div>
  );
}

type SaidProps = Pick<Props, "index" | "state" | "names" | "hear"> & { entry: SaidEntry; appearing: Appearing | undefined };

/** A line, a reply or advice; with `appearing` it is the newest line. */
function Said({ index, state, names, entry, hear, appearing }: SaidProps): ReactNode {
  const say = useSay();
  const { kind, element, mood, picture, sound } = entry;
  const draw = index.elements.get(element ?? "")?.draw;
  if (!draw || draw.kind !== "text") return null;
  const who = whoSays(entry, names, say);
  const text = kind === "line" ? { ...draw.text, blocks: draw.text.blocks.slice(1) } : draw.text;
  return (
    <div className={`zz-said zz-said-${kind}${appearing ? " zz-now" : ""}`}>
      <span className="zz-who">{who}{mood && <span className={picture ? "zz-hidden" : "zz-mood"}>{` (${mood})`}</span>}</span>
      <div className="zz-rich">
        {appearing && appearing.shown < appearing.parts.length ? <Appears {...appearing} /> : <RichTextView text={text} values={(of) => valueOf(index, state, of)} />}
      </div>
      {sound && <button type="button" className="zz-hear" aria-label={`${say("hear_again")}: ${who}`} onClick={() => hear(sound)}>▶</button>}
    </div>
  );
}

function whoSays({ kind, person }: SaidEntry, names: readonly string[], say: Say): string {
  if (kind === "reply") return say("you");
  return kind === "advice" ? say("advice") : names[person ?? -1] ?? "";
}

/** A line of which the end is not seen yet. It is read out as a whole, once. */
function Appears({ parts, shown }: Appearing): ReactNode {
  return <p>{parts.slice(0, shown).join("")}<span className="zz-unsaid">{parts.slice(shown).join("")}</span></p>;
}
