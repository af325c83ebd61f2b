import type { ReactNode } from "react";
import { useSay } from "../render/speech";

/** What is said on the slide, to be read. Stays open from slide to slide until it is closed. */
export function Transcript({ text, onClose }: { text: string; onClose: () => void }): ReactNode {
  const say = useSay();
  return (
    <section className="zz-transcript" aria-label={say("transcript")}>
      <div className="zz-transcript-head">
        <h2>{say("transcript")}</h2>
        <button type="button" onClick={onClose}>{say("close")}</button>
      </div>
      {text.split(/\n{2,}/).map((paragraph, index) => <p key={index}>{paragraph}</p>)}
    </section>
  );
}
