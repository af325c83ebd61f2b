import type { ReactNode } from "react";

/** What is said on the slide, to be read. Stays open from slide to slide until it is closed. */
export function Transcript({ text, onClose }: { text: string; onClose: () => void }): ReactNode {
  return (
    <section className="zz-transcript" aria-label="Transcript">
      <div className="zz-transcript-head">
        <h2>Transcript</h2>
        <button type="button" onClick={onClose}>Close</button>
      </div>
      {text.split(/\n{2,}/).map((paragraph, index) => <p key={index}>{paragraph}</p>)}
    </section>
  );
}
