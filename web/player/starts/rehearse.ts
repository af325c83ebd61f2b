/** The player of a rehearsal, in the workbench. */
import type { Index } from "../engine/program";
import type { Value } from "../engine/values";
import type { SessionOptions } from "../app/session";
import { obey } from "../rehearsal";
import { start } from "../start";
import { RehearsalTracker } from "../tracking/rehearsalTracker";

const app = document.getElementById("player")?.dataset.app ?? "";
let tracker: RehearsalTracker;

const session = start((index) => {
  tracker = new RehearsalTracker(index, app);
  return tracker;
}, wanted);
if (session) obey(() => session, app);

/** What the workbench asks for behind the address: the learner, where to begin, and the values of variables. */
function wanted(index: Index): Partial<SessionOptions> {
  const asked = new URLSearchParams(window.location.hash.slice(1));
  const from = asked.get("from");
  const seed = seedIn(asked.get("seed"));
  return {
    ...(seed === null ? {} : { seed }), from: index.position.has(from ?? "") ? from : null, witness: tracker.witness, set: startingValues(asked.get("set")),
  };
}

/** The number of the learner, if one is asked for. */
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
