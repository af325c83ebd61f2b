/** A dialogue as it stands before anybody has replied. */
import { useMemo, type ReactNode } from "react";
import { WIDE_DIALOGUE } from "../../../api/tables";
import type { Dialogue, SaidEntry } from "../../../api/types";
import type { MediaMap } from "../mediaMap";
import { useSay } from "../speech";
import { pictureOf, sceneOf, sceneryOf } from "./scene";
import { SceneView } from "./SceneView";

type Beat = Dialogue["beats"][number];

/** The box of a dialogue on its slide, with what is said first and the replies to it. */
export function DialogueStill({ dialogue, media }: { dialogue: Dialogue; media: MediaMap }): ReactNode {
  const say = useSay();
  const { entries, words, who, replies } = useMemo(() => beginning(dialogue), [dialogue]);
  const scene = useMemo(() => sceneOf(dialogue, entries), [dialogue, entries]);
  const { id, x, y, w, h } = dialogue;
  const seen = scene.backdrop !== null || scene.people.length > 0;
  return (
    <div className="zz-dialogue-place" style={{ left: x, top: y, width: w, height: h }} data-still-dialogue={id}>
      <div className={`zz-dialogue${w >= h * WIDE_DIALOGUE ? " zz-wide-dialogue" : ""}${seen ? " zz-staged" : ""}`}>
        {seen && <SceneView scene={scene} media={media} />}
        <div className="zz-talk">
          <div className="zz-log">
            <div className="zz-said zz-now"><span className="zz-who">{who}</span>{words}</div>
          </div>
          <div className="zz-replies">
            {replies.map((reply) => <div key={reply.id} className="zz-still-reply">{reply.text}</div>)}
            {!replies.length && <div className="zz-still-reply">{say("continue")}</div>}
          </div>
        </div>
      </div>
    </div>
  );
}

interface Beginning { entries: SaidEntry[]; who: string; words: string; replies: Beat["replies"] }

/** All up to the first line, and the replies where that is the last one before them. */
function beginning(dialogue: Dialogue): Beginning {
  const beats = new Map(dialogue.beats.map((beat) => [beat.id, beat]));
  const entries: SaidEntry[] = [];
  for (const beat of (dialogue.turns[0]?.beats ?? []).flatMap((id) => beats.get(id) ?? [])) {
    for (const [place, line] of beat.lines.entries()) {
      entries.push(entryOf(dialogue, line));
      if (line.kind !== "said") continue;
      const who = dialogue.speakers.find(({ id }) => id === line.speaker)?.name ?? "";
      return { entries, who, words: line.text, replies: place + 1 === beat.lines.length ? beat.replies : [] };
    }
    if (beat.replies.length) return { entries, who: "", words: "", replies: beat.replies };
  }
  return { entries, who: "", words: "", replies: [] };
}

function entryOf(dialogue: Dialogue, line: Beat["lines"][number]): SaidEntry {
  const nothing = { mood: "", ms: 0, later: false };
  if (line.kind !== "said") return { ...nothing, kind: line.kind, picture: line.media ?? sceneryOf(dialogue, line.kind, line.words) };
  const person = dialogue.speakers.findIndex(({ id }) => id === line.speaker);
  return { ...nothing, kind: person < 0 ? "advice" : "line", person, picture: pictureOf(dialogue, person, line.mood) };
}
