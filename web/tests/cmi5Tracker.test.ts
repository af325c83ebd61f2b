/** cmi5 with a record store that takes statements once, is away, or says that nothing counts. */
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { Session } from "../player/app/session";
import { Cmi5Tracker } from "../player/tracking/cmi5Tracker";
import { index, program } from "./dayCourse";

const QUERY = new URLSearchParams({
  endpoint: "http://store/xapi/", fetch: "http://store/fetch", actor: JSON.stringify({ name: "Bo", mbox: "mailto:bo@example.org" }),
  registration: "9b7c1c5e-6a4d-4b8c-9c54-0b7b6a1d1a11", activityId: "https://example.org/hut",
}).toString();

interface Sent { id: string; verb: { id: string }; timestamp: string; context: { registration: string } }

/** A record store of one registration; each session is given its token once. */
class Store {
  readonly said = new Map<string, Sent>();
  readonly documents = new Map<string, string>();
  away = false;
  private handed = false;

  constructor(mode = "Normal") {
    this.documents.set("LMS.LaunchData", JSON.stringify({ launchMode: mode, contextTemplate: { extensions: { "https://example.org/s": 1 } } }));
  }

  newSession(): void {
    this.handed = false;
  }

  verbs(): string[] {
    return [...this.said.values()].map(({ verb }) => verb.id.split("/").at(-1) ?? "");
  }

  readonly fetch = (address: string, { method, body }: { method: string; body?: string }): Promise<Response> => {
    if (this.away) return Promise.reject(new TypeError("away"));
    const { pathname, searchParams } = new URL(address);
    const name = searchParams.get("stateId") ?? "";
    if (pathname === "/fetch") {
      const answer = this.handed ? { "error-code": "1", "error-text": "given out" } : { "auth-token": "dDp0" };
      this.handed = true;
      return Promise.resolve(new Response(JSON.stringify(answer)));
    }
    if (pathname.endsWith("/statements")) {
      const sent = JSON.parse(body ?? "") as Sent | Sent[];
      const fresh = (Array.isArray(sent) ? sent : [sent]).filter(({ id }) => !this.said.has(id));
      for (const one of fresh) this.said.set(one.id, one);
      return Promise.resolve(new Response("[]"));
    }
    if (method === "PUT") this.documents.set(name, body ?? "");
    const held = this.documents.get(name);
    return Promise.resolve(method === "GET" && held === undefined ? new Response("", { status: 404 }) : new Response(method === "GET" ? held : null));
  };
}

let kept: Map<string, string>;
let tokens: Map<string, string>;

const storageOf = (items: () => Map<string, string>): object => ({
  getItem: (name: string) => items().get(name) ?? null, setItem: (name: string, value: string) => items().set(name, value),
  removeItem: (name: string) => items().delete(name),
});

beforeEach(() => {
  vi.useFakeTimers();
  kept = new Map();
  vi.stubGlobal("window", globalThis);
  vi.stubGlobal("localStorage", storageOf(() => kept));
  vi.stubGlobal("sessionStorage", storageOf(() => tokens));
});

afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

/** A visit in a tab of its own. */
async function visit(store: Store): Promise<Session> {
  // The page of the visit before is gone, with all that it waited for.
  await wait(0);
  vi.clearAllTimers();
  tokens = new Map();
  store.newSession();
  vi.stubGlobal("fetch", store.fetch);
  const session = new Session(index, new Cmi5Tracker(index, undefined, `?${QUERY}`), { seed: 7 });
  const begin = session.begin();
  await vi.advanceTimersByTimeAsync(9_000);
  await begin;
  if (session.read().phase.kind === "asking") session.resume();
  return session;
}

/** Answer a question wrongly, once. */
function answer(session: Session, number = 0): void {
  const grader = program.questions[number];
  if (!grader) throw new Error("no question");
  session.dispatch({ event: "slide", target: grader.slide });
  const elements = index.slides.get(grader.slide)?.elements ?? [];
  const wrong = grader.parts.find(({ right }) => !right.length)?.id;
  const [choice, submit] = [elements.find(({ part }) => part === wrong), elements.find((e) => e.control === "button" && e.question === grader.id)];
  session.dispatch({ event: "clicked", target: choice?.draw.id ?? "" });
  session.dispatch({ event: "clicked", target: submit?.draw.id ?? "" });
}

const wait = (ms: number): Promise<unknown> => vi.advanceTimersByTimeAsync(ms);

test("a session is begun, answered and ended, each statement in its registration with what the LMS put down", async () => {
  const store = new Store();
  const session = await visit(store);
  answer(session);
  await wait(1_000);
  session.leave();
  await wait(1_000);
  expect(store.verbs()).toEqual(["initialized", "answered", "terminated"]);
  for (const { context } of store.said.values()) expect(context).toMatchObject({ registration: "9b7c1c5e-6a4d-4b8c-9c54-0b7b6a1d1a11", extensions: { "https://example.org/s": 1 } });
  expect(JSON.parse(store.documents.get("progress") ?? "{}")).toHaveProperty("progress");
});

test("what one session could not say is not lost where the store is still away in the next", async () => {
  const store = new Store();
  const first = await visit(store);
  store.away = true;
  answer(first);
  await wait(1_000);
  first.leave();
  const second = await visit(store);
  answer(second, 1);
  await wait(1_000);
  expect(store.verbs()).toEqual(["initialized"]);
  store.away = false;
  await wait(60_000);
  expect(store.verbs()).toEqual(["initialized", "initialized", "answered", "answered"]);
});

test("what waits outlives a visit that only looks back, whenever the store says so", async () => {
  const store = new Store();
  const first = await visit(store);
  store.away = true;
  answer(first);
  await wait(1_000);
  first.leave();
  store.documents.set("LMS.LaunchData", JSON.stringify({ launchMode: "Review" }));
  const looking = await visit(store);
  answer(looking);
  store.away = false;
  await wait(60_000);
  looking.leave();
  await wait(1_000);
  expect(store.verbs()).toEqual(["initialized", "initialized", "terminated"]);
  store.documents.set("LMS.LaunchData", JSON.stringify({ launchMode: "Normal" }));
  await visit(store);
  await wait(1_000);
  expect(store.verbs().slice(3)).toEqual(["initialized", "answered"]);
});

test("what is said once in a registration is one statement, whoever forgets that it was said", async () => {
  const store = new Store();
  for (let time = 0; time < 2; time++) {
    const session = await visit(store);
    for (const target of index.order) session.dispatch({ event: "slide", target });
    await wait(1_000);
    session.leave();
    await wait(1_000);
    // The store loses the progress, and the browser its copy.
    store.documents.delete("progress");
    kept.clear();
  }
  expect(store.verbs().filter((verb) => verb === "completed")).toEqual(["completed"]);
});
