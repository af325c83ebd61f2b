/**
 * Tracking by cmi5: statements to a record store that may answer late, refuse, or vanish.
 *
 * What is to be said waits in `queue`, in order, until the store has taken it; a copy lies in the
 * browser meanwhile. Statements have ids of their own, so one that is sent twice is one.
 * Source: ADL, cmi5 Specification Profile for xAPI (Quartz, 2016), sections 8 to 11.
 */
import type { Effect } from "../../api/events";
import type { Index } from "../engine/program";
import type { State } from "../engine/state";
import { BackupStore, type Backup } from "./backup";
import { defined, statements, VERB, type Said } from "./cmi5";
import { pack, unpack } from "./progress";
import { interval } from "./scorm2004";
import { retryAfter } from "./retrying";
import type { Begun, Kept, Standing, Tracker } from "./tracker";
import { Unhurried } from "./unhurried";
import { ask, idOf, newId, NotThere, RefusedForGood, type Store } from "./xapi";

const WAIT_MS = 8_000;
const AT_ONCE = 50;
/** A browser lets so many characters out while the page goes away. */
const LAST_LENGTH = 60_000;
const PROGRESS = "progress";
/** What is said once in a registration. */
const ONCE = ["completed", "passed", "failed"];

/** What a launch says behind the address (section 8.1). */
interface Launch { endpoint: string; fetch: string; actor: string; registration: string; activityId: string }

/** What the LMS has put down for this session (section 10). */
interface LaunchData {
  contextTemplate?: Record<string, unknown>;
  launchMode?: string;
  masteryScore?: number;
  returnURL?: string;
}

/** A statement on its way. */
type Waiting = Said & { id: string; timestamp: string };

/** Reports to the record store that a cmi5 launch names. */
export class Cmi5Tracker implements Tracker {
  private readonly launch: Launch | null;
  private store: Store | null = null;
  private token = "";
  private data: LaunchData = {};
  private reports = true;
  private over = false;
  private queue: Waiting[] = [];
  /** What the browser kept of earlier sessions, until the store is there. */
  private earlier: Backup<Waiting> | null;
  private told: string[] = [];
  private progress = "";
  private savedProgress = "";
  private sending = false;
  private failures = 0;
  private timer: number | undefined;
  private readonly began = Date.now();
  private readonly backup: BackupStore<Waiting>;
  private readonly saving = new Unhurried((state) => this.save(state));
  private standing: Standing = { kind: "saved" };
  private onStandingChange: (standing: Standing) => void = () => {};
  private onLate: (begun: Begun) => void = () => {};
  private hasBegun = false;

  constructor(private readonly index: Index, private readonly whole: Promise<void> = Promise.resolve(), search = window.location.search) {
    this.launch = launchOf(search);
    this.backup = new BackupStore(`zigzag:${index.program.course}:${this.launch?.registration ?? "learner"}:cmi5`);
    this.earlier = this.backup.read();
  }

  onStanding(listener: (standing: Standing) => void): void {
    this.onStandingChange = listener;
  }

  onLateProgress(listener: (begun: Begun) => void): void {
    this.onLate = listener;
  }

  async begin(): Promise<Begun> {
    const found = this.launch ? this.connectAtLast() : Promise.resolve(null);
    const late = new Promise<null>((resolve) => { window.setTimeout(() => resolve(null), this.launch ? WAIT_MS : 0); });
    const begun = await Promise.race([found, late]);
    this.hasBegun = true;
    if (begun) return begun;
    this.stand(this.launch ? { kind: "retrying" } : { kind: "local", reason: "no-lms" });
    const saved = this.earlier?.progress ?? "";
    if (saved) await this.whole;
    return { saved: saved || null, rescued: false };
  }

  tell(state: State, effects: readonly Effect[]): void {
    if (!this.reports || this.over) return;
    for (const said of statements(this.index, state, effects, this.told, this.activity, Date.now() - this.began)) this.say(said);
    this.saving.note(state, effects.some(({ effect }) => effect === "answered" || effect === "status" || effect === "moved"));
  }

  suspend(state: State): Kept {
    this.tell(state, []);
    if (!this.store) return this.finish(null);
    const kept = this.goodbye(false);
    if (this.data.returnURL && /^https?:/.test(this.data.returnURL)) void this.sent().then(() => { window.location.href = this.data.returnURL as string; });
    return kept;
  }

  finish(state: State | null): Kept {
    if (state) this.tell(state, []);
    return this.goodbye(true);
  }

  isOver(): boolean {
    return this.over;
  }

  /** Say goodbye once; `leaving` tells that the page goes away, and nothing can be waited for. */
  private goodbye(leaving: boolean): Kept {
    this.saving.flush();
    if (!this.store || !this.launch) return this.here();
    if (!this.over) {
      this.say(defined("terminated", this.activity, { duration: interval(Date.now() - this.began) }));
      this.over = true;
    }
    if (leaving) this.sendLast();
    else void this.send();
    if (!this.reports) return "review";
    return this.failures ? this.here() : "lms";
  }

  private get activity(): string {
    return this.launch?.activityId ?? "";
  }

  private here(): Kept {
    return this.keep() ? "browser" : "nowhere";
  }

  /** Pack the progress, keep it here and send it. */
  private save(state: State): void {
    this.progress = pack(this.index, state);
    this.keep();
    void this.send();
  }

  private keep(): boolean {
    // Who looks back leaves what is kept as it is.
    if (!this.reports) return false;
    const answers = [...this.earlier?.answers ?? [], ...this.queue];
    return this.backup.write({ progress: this.progress || (this.earlier?.progress ?? ""), confirmed: this.progress === this.savedProgress && !answers.length, answers });
  }

  /** Put a statement into the queue, with what makes it one of this session. */
  private say(said: Said): void {
    const verb = said.verb.id.slice(VERB.length);
    const isOnce = ONCE.includes(verb);
    if (isOnce) this.told = [...this.told, verb];
    const id = isOnce && this.launch ? idOf(`${this.launch.registration} ${this.activity} ${verb}`) : newId();
    this.queue.push({ ...said, id, timestamp: new Date().toISOString() });
    this.keep();
    void this.send();
  }

  /** A statement as it is sent: who says it, in which registration, with what the LMS has put down for all of them. */
  private asSent(one: Waiting): object {
    const template = (this.data.contextTemplate ?? {}) as { contextActivities?: Record<string, object[]>; extensions?: object };
    const { contextActivities: own, ...rest } = one.context;
    const groups = template.contextActivities ?? {};
    const merged = Object.fromEntries([...new Set([...Object.keys(groups), ...Object.keys(own)])].map((name) => [name, [...(groups[name] ?? []), ...(own[name] ?? [])]]));
    const mastery = this.data.masteryScore !== undefined && /(passed|failed)$/.test(one.verb.id)
      ? { "https://w3id.org/xapi/cmi5/context/extensions/masteryscore": this.data.masteryScore } : {};
    return {
      ...one, actor: JSON.parse(this.launch?.actor ?? "{}") as object,
      context: {
        ...template, ...rest, registration: this.launch?.registration, contextActivities: merged, extensions: { ...template.extensions, ...mastery },
      },
    };
  }

  /** Where the progress of this learner in this registration is. */
  private stateQuery(name: string): Record<string, string> {
    const { activityId, actor, registration } = this.launch as Launch;
    return { activityId, agent: actor, registration, stateId: name };
  }

  /** Make contact, as often as it takes. */
  private async connectAtLast(): Promise<Begun | null> {
    for (let tries = 0; ; tries++) {
      try {
        const begun = await this.connect(this.launch as Launch);
        if (this.hasBegun) this.meetLate(begun);
        return begun;
      } catch {
        if (this.hasBegun) this.stand({ kind: "retrying" });
        await new Promise((resolve) => { window.setTimeout(resolve, retryAfter(tries)); });
      }
    }
  }

  private async connect(launch: Launch): Promise<Begun> {
    // It is given out once; what comes after it may have to be tried again.
    this.token ||= await tokenOf(launch.fetch);
    const store = { endpoint: launch.endpoint, token: this.token };
    this.data = JSON.parse(await ask(store, "GET", "activities/state", this.stateQuery("LMS.LaunchData"))) as LaunchData;
    // Asked for before anything is said (section 11), whatever it holds.
    await ask(store, "GET", "agents/profile", { agent: launch.actor, profileId: "cmi5LearnerPreferences" }).catch(unlessNotThere);
    const { progress, told } = await this.kept(store);
    this.reports = (this.data.launchMode ?? "Normal") === "Normal";
    const backup = this.reports ? this.earlier : null;
    if (progress || backup?.progress) await this.whole;
    this.told = [...new Set([...told, ...this.told])];
    const ahead = this.isAhead(backup, progress);
    const saved = ahead ? backup?.progress ?? "" : progress;
    this.savedProgress = progress;
    this.progress ||= saved;
    this.queue = this.opened(launch, backup?.answers ?? []);
    // Before the store said so, nobody knew that this run is only looked at.
    if (!this.reports) this.putBack();
    this.earlier = null;
    this.store = store;
    this.stand({ kind: "saved" });
    void this.send();
    return { saved: saved || null, rescued: ahead, counts: this.reports, ...this.named(launch) };
  }

  /** Keep what was kept before this run. */
  private putBack(): void {
    if (this.earlier) this.backup.write(this.earlier);
    else this.backup.clear();
  }

  /** What the store has of this registration: the progress, and what was said once. */
  private async kept(store: Store): Promise<{ progress: string; told: string[] }> {
    const text = await ask(store, "GET", "activities/state", this.stateQuery(PROGRESS)).catch(unlessNotThere);
    const { progress = "", told = [] } = (text ? JSON.parse(text) : {}) as { progress?: string; told?: string[] };
    return { progress, told };
  }

  /** Whether a copy that never reached the store is further on than what it has. */
  private isAhead(backup: Backup<Waiting> | null, progress: string): boolean {
    return !!backup && !backup.confirmed && this.time(backup.progress) > this.time(progress);
  }

  /** What is said first in this session: hello, then what an earlier one could not send, then what waits. */
  private opened(launch: Launch, before: readonly Waiting[]): Waiting[] {
    const hello = { ...defined("initialized", launch.activityId), id: newId(), timestamp: new Date().toISOString() };
    if (!this.reports) return [hello];
    const own = new Set(this.queue.map(({ id }) => id));
    return [hello, ...before.filter(({ id, verb }) => !own.has(id) && !/(initialized|terminated)$/.test(verb.id)), ...this.queue];
  }

  /** The learner's name; whether there is a result; the LMS's mark to pass. */
  private named({ actor }: Launch): Pick<Begun, "learner" | "decided" | "passMark"> {
    const { name } = JSON.parse(actor) as { name?: string };
    const { masteryScore } = this.data;
    return {
      decided: this.told.includes("passed") || this.told.includes("failed"), ...(name ? { learner: name } : {}),
      ...(typeof masteryScore === "number" ? { passMark: masteryScore * 100 } : {}),
    };
  }

  private meetLate(begun: Begun): void {
    if (begun.saved && this.time(begun.saved) > this.time(this.progress)) this.onLate(begun);
  }

  private time(progress: string): number {
    try {
      return unpack(this.index, progress).time;
    } catch {
      return -1;
    }
  }

  private waitsFor(): boolean {
    return this.queue.length > 0 || (this.reports && this.progress !== this.savedProgress);
  }

  /** Send what waits, one request after the other; try again later what may pass. */
  private async send(): Promise<void> {
    if (this.sending || !this.store) return;
    this.sending = true;
    window.clearTimeout(this.timer);
    try {
      while (this.waitsFor()) {
        if (this.queue.length) await this.sendSome(this.store);
        else await this.sendProgress(this.store);
      }
      this.failures = 0;
      this.keep();
      this.stand({ kind: "saved" });
    } catch {
      this.keep();
      this.stand({ kind: "retrying" });
      this.timer = window.setTimeout(() => void this.send(), retryAfter(this.failures));
      this.failures += 1;
    } finally {
      this.sending = false;
    }
  }

  private async sendSome(store: Store): Promise<void> {
    const some = this.queue.slice(0, AT_ONCE);
    try {
      await ask(store, "POST", "statements", {}, JSON.stringify(some.map((one) => this.asSent(one))));
      this.drop(some);
    } catch (error) {
      if (!(error instanceof RefusedForGood)) throw error;
      // One that the store never takes keeps no other back.
      for (const one of some) {
        await ask(store, "POST", "statements", {}, JSON.stringify(this.asSent(one))).catch((refused: unknown) => {
          if (!(refused instanceof RefusedForGood)) throw refused;
        });
        this.drop([one]);
      }
    }
  }

  private drop(some: readonly Waiting[]): void {
    const gone = new Set(some.map(({ id }) => id));
    this.queue = this.queue.filter(({ id }) => !gone.has(id));
  }

  private async sendProgress(store: Store): Promise<void> {
    const now = this.progress;
    await ask(store, "PUT", "activities/state", this.stateQuery(PROGRESS), this.document(now)).catch((error: unknown) => {
      if (!(error instanceof RefusedForGood)) throw error;
    });
    this.savedProgress = now;
  }

  private document(progress: string): string {
    return JSON.stringify({ progress, told: this.told });
  }

  /** The page goes away: all at once, as much as a browser lets out. */
  private sendLast(): void {
    const { store } = this;
    if (!store) return;
    const body = JSON.stringify(this.queue.map((one) => this.asSent(one)));
    const waiting = this.reports && this.progress !== this.savedProgress ? this.document(this.progress) : null;
    const room = LAST_LENGTH - (waiting?.length ?? 0);
    if (waiting) void ask(store, "PUT", "activities/state", this.stateQuery(PROGRESS), waiting, true).catch(() => undefined);
    if (this.queue.length) void ask(store, "POST", "statements", {}, body, body.length < room).then(() => { this.queue = []; this.keep(); }, () => undefined);
  }

  /** Resolves once all that waited was sent, or cannot be for now. */
  private async sent(): Promise<void> {
    while (this.sending) await new Promise((resolve) => { window.setTimeout(resolve, 50); });
  }

  private stand(standing: Standing): void {
    if (standing.kind === this.standing.kind) return;
    this.standing = standing;
    this.onStandingChange(standing);
  }
}

function launchOf(search: string): Launch | null {
  const asked = new URLSearchParams(search);
  const [endpoint, fetch, actor, registration, activityId] = ["endpoint", "fetch", "actor", "registration", "activityId"].map((name) => asked.get(name));
  return endpoint && fetch && actor && registration && activityId ? { endpoint, fetch, actor, registration, activityId } : null;
}

/** What the address for it gives, once: who loads the page again has it kept for this tab. */
async function tokenOf(address: string): Promise<string> {
  const name = `zigzag:token:${address}`;
  const kept = read(() => sessionStorage.getItem(name));
  if (kept) return kept;
  const answer = (await (await fetch(address, { method: "POST" })).json()) as Record<string, string | undefined>;
  const token = answer["auth-token"];
  if (!token) throw new Error(answer["error-text"] ?? "no token");
  read(() => sessionStorage.setItem(name, token));
  return token;
}

/** Return what `get` gives, null where nothing may be stored. */
function read<T>(get: () => T): T | null {
  try {
    return get();
  } catch {
    return null;
  }
}

function unlessNotThere(error: unknown): string {
  if (error instanceof NotThere) return "";
  throw error;
}
