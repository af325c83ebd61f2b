/** Starts the player on the page: with `window.zigzagProgram`, or what `boot.ts` has unpacked. `starts/` say who keeps track. */
import { createRoot } from "react-dom/client";
import { Arrival } from "./app/arrival";
import { Player } from "./app/Player";
import { Session, type SessionOptions } from "./app/session";
import { filled } from "./engine/filled";
import { Index } from "./engine/program";
import type { Tracker } from "./tracking/tracker";
import "./render/fonts.css";
import "./render/slide.css";
import "./render/dialogue/dialogue.css";
import "./render/answers/answers.css";
import "./app/player.css";

declare global {
  interface Window { zigzagProgram?: object }
}

/** Makes what keeps track of a learner; `whole` is done once all of the course is there. */
export type Tracking = (index: Index, whole?: Promise<void>) => Tracker;

/** Start the player, which tells `tracking` of the learner; return its session, where there is a course. */
export function start(tracking: Tracking, options: (index: Index, root: HTMLElement) => Partial<SessionOptions> = posting): Session | null {
  const root = document.getElementById("player");
  if (root && window.zigzagProgram) return begin(root, new Index(filled(window.zigzagProgram)), tracking, options);
  if (!root || !window.zigzagArriving) return null;
  const arrival = new Arrival(window.zigzagArriving);
  return begin(root, arrival.index, tracking, options, arrival);
}

/** Reports of quizzes go to who the package says. */
function posting(_: Index, root: HTMLElement): Partial<SessionOptions> {
  return { receivers: root.dataset.post ?? "{}" };
}

function begin(root: HTMLElement, index: Index, tracking: Tracking, options: (index: Index, root: HTMLElement) => Partial<SessionOptions>, arrival?: Arrival): Session {
  const session = new Session(index, tracking(index, arrival?.whole), {
    seed: crypto.getRandomValues(new Uint32Array(1))[0] as number, ...(arrival ? { arrival } : {}), ...options(index, root),
  });
  window.addEventListener("pagehide", () => session.leave());
  window.addEventListener("pageshow", (event) => {
    // Brought back from the browser's cache after it had said goodbye: begin anew.
    if (event.persisted) window.location.reload();
  });
  createRoot(root).render(<Player session={session} />);
  void session.begin();
  return session;
}

window.zigzagStarted = true;
