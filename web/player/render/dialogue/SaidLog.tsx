/** What was said so far, as a log: each line is announced once, with who says it and how. */
import { useEffect, useRef, type ReactNode } from "react";
import type { SaidEntry } from "../../../api/types";
import type { Index } from "../../engine/program";
import type { State } from "../../engine/state";
import { RichTextView } from "../RichTextView";
import { useSay } from "../speech";
import { valueOf } from "../valueOf";

interface Props {
  index: Index;
  state: State;
  /** Who can speak, by number. */
  names: readonly string[];
  entries: readonly SaidEntry[];
  hear: (sound: string) => void;
}

/** The log. It is scrolled to what is new; what was said before can be gone back to. */
export function SaidLog({ index, state, names, entries, hear }: Props): ReactNode {
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
      {entries.map((entry, place) => {
        const draw = index.elements.get(entry.element ?? "")?.draw;
        if (!draw || draw.kind !== "text") return null;
        const who = entry.kind === "reply" ? say("you") : entry.kind === "advice" ? say("advice") : names[entry.person ?? -1] ?? "";
        const blocks = entry.kind === "line" ? draw.text.blocks.slice(1) : draw.text.blocks;
        return (
          <div key={`${place} ${entry.element ?? ""}`} className={`zz-said zz-said-${entry.kind}${place === last ? " zz-now" : ""}`}>
            <span className="zz-who">{who}{entry.mood && <span className={entry.picture ? "zz-hidden" : "zz-mood"}>{` (${entry.mood})`}</span>}</span>
            <div className="zz-rich"><RichTextView text={{ ...draw.text, blocks }} values={(of) => valueOf(index, state, of)} /></div>
            {entry.sound && <button type="button" className="zz-hear" aria-label={`${say("hear_again")}: ${who}`} onClick={() => hear(entry.sound ?? "")}>▶</button>}
          </div>
        );
      })}
    </div>
  );
}
