/** Starts the player on the page: with `window.zigzagProgram`, or what `boot.ts` has unpacked; tracked as the page says. */
import { createRoot } from "react-dom/client";
import { Arrival } from "./app/arrival";
import { Player } from "./app/Player";
import { Session } from "./app/session";
import { filled } from "./engine/filled";
import { Index } from "./engine/program";
import type { Value } from "./engine/values";
import { LocalTracker } from "./tracking/local";
import { obey } from "./rehearsal";
import { RehearsalTracker } from "./tracking/rehearsalTracker";
import { Scorm12Tracker } from "./tracking/scorm12Tracker";
import type { Tracker } from "./tracking/tracker";
import "./render/fonts.css";
import "./render/slide.css";
import "./render/dialogue/dialogue.css";
import "./render/answers/answers.css";
import "./app/player.css";

declare global {
  interface Window { zigzagProgram?: object }
}

function trackerFor(kind: string, index: Index, app: string, whole?: Promise<void>): Tracker {
  if (kind === "scorm12") return new Scorm12Tracker(index, undefined, whole);
  if (kind === "rehearse") return new RehearsalTracker(index, app);
  return new LocalTracker(index, whole);
}

/** The number of the learner that a rehearsal is asked to be, if it is one. */
function seedIn(text: string | null): number | null {
  const seed = text === null || text === "" ? NaN : Number(text);
  return Number.isInteger(seed) && seed >= 0 && seed < 2 ** 32 ? seed : null;
}

/** The values that a rehearsal begins with, by variable; what cannot be read is left out. */
function startingValues(text: string | null): Record<string, Value> {
  try {
    const values = JSON.parse(text ?? "{}") as Record<string, unknown>;
    return Object.fromEntries(Object.entries(values).filter(
      (entry): entry is [string, Value] => ["number", "string", "boolean"].includes(typeof entry[1]),
    ));
  } catch {
    return {};
  }
}

function begin(root: HTMLElement, index: Index, arrival?: Arrival): void {
  const app = root.dataset.app ?? "";
  const tracker = trackerFor(root.dataset.tracking ?? "web", index, app, arrival?.whole);
  const wanted = new URLSearchParams(window.location.hash.slice(1));
  const from = wanted.get("from");
  const rehearses = tracker instanceof RehearsalTracker;
  const seed = (rehearses ? seedIn(wanted.get("seed")) : null) ?? crypto.getRandomValues(new Uint32Array(1))[0] as number;
  const session = new Session(index, tracker, {
    seed, ...(arrival ? { arrival } : {}), ...(rehearses ? {} : { receivers: root.dataset.post ?? "{}" }), from: index.position.has(from ?? "") ? from : null, ...(rehearses ? { witness: tracker.witness, set: startingValues(wanted.get("set")) } : {}),
  });
  if (rehearses) obey(() => session, app);
  window.addEventListener("pagehide", () => session.leave());
  window.addEventListener("pageshow", (event) => {
    // Brought back from the browser's cache after it had said goodbye: begin anew.
    if (event.persisted) window.location.reload();
  });
  createRoot(root).render(<Player session={session} />);
  void session.begin();
}

const root = document.getElementById("player");
if (root && window.zigzagProgram) begin(root, new Index(filled(window.zigzagProgram)));
else if (root && window.zigzagArriving) {
  const arrival = new Arrival(window.zigzagArriving);
  begin(root, arrival.index, arrival);
}
window.zigzagStarted = true;
