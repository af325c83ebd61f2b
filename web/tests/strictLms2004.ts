/**
 * A SCORM 2004 run-time API that takes nothing but what the standard allows, written from its text:
 * ADL, SCORM 2004 4th Edition Run-Time Environment (2009), 3 (the API) and 4 (the data model).
 */

const REAL = /^-?\d+(\.\d{1,7})?$/;
const SHORT_ID = "[^\\s\\[\\]{}]{1,250}";
const TEXT = "[^\\[\\]]*";
const list = (item: string): RegExp => new RegExp(`^(${item}(\\[,\\]${item})*)?$`, "s");
const INTERVAL = /^P(?=.)(\d+Y)?(\d+M)?(\d+D)?(T(?=\d)(\d+H)?(\d+M)?(\d+(\.\d{1,2})?S)?)?$/;
const MOMENT = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d{1,2}(Z|[+-]\d\d(:\d\d)?)?)?$/;
const PREFIX = "(\\{(?:case_matters|order_matters)=(?:true|false)\\})*";

const between = (low: number, high: number) => (value: string): boolean => REAL.test(value) && Number(value) >= low && Number(value) <= high;
const oneOf = (...words: string[]) => (value: string): boolean => words.includes(value);
const atMost = (length: number) => (value: string): boolean => value.length <= length;

/** By the type of an interaction, the form of a response and of a pattern. */
const RESPONSES: Readonly<Record<string, readonly [response: RegExp, pattern: RegExp]>> = {
  "true-false": [/^(true|false)$/, /^(true|false)$/],
  choice: [list(SHORT_ID), list(SHORT_ID)],
  "fill-in": [list(TEXT), new RegExp(`^${PREFIX}${TEXT}(\\[,\\]${TEXT})*$`, "s")],
  "long-fill-in": [/^[^]{0,4000}$/, /^[^]{0,4000}$/],
  likert: [new RegExp(`^${SHORT_ID}$`), new RegExp(`^${SHORT_ID}$`)],
  matching: [list(`${SHORT_ID}\\[\\.\\]${SHORT_ID}`), list(`${SHORT_ID}\\[\\.\\]${SHORT_ID}`)],
  performance: [list(`(${SHORT_ID})?\\[\\.\\]${TEXT}`), new RegExp(`^${PREFIX}(${SHORT_ID})?\\[\\.\\]${TEXT}(\\[,\\](${SHORT_ID})?\\[\\.\\]${TEXT})*$`, "s")],
  sequencing: [list(SHORT_ID), list(SHORT_ID)],
  numeric: [REAL, /^(-?\d+(\.\d+)?)?\[:\](-?\d+(\.\d+)?)?$/],
};

/** What may be set, and the form that it must have. */
const WRITABLE: [RegExp, (value: string) => boolean][] = [
  [/^cmi\.(objectives\.\d+\.)?completion_status$/, oneOf("completed", "incomplete", "not attempted", "unknown")],
  [/^cmi\.(objectives\.\d+\.)?success_status$/, oneOf("passed", "failed", "unknown")],
  [/^cmi\.(objectives\.\d+\.)?progress_measure$/, between(0, 1)],
  [/^cmi\.(objectives\.\d+\.)?score\.scaled$/, between(-1, 1)],
  [/^cmi\.(objectives\.\d+\.)?score\.(raw|min|max)$/, between(-1e9, 1e9)],
  [/^cmi\.location$/, atMost(1_000)],
  [/^cmi\.suspend_data$/, atMost(64_000)],
  [/^cmi\.exit$/, oneOf("time-out", "suspend", "logout", "normal", "")],
  [/^cmi\.session_time$/, (value) => INTERVAL.test(value)],
  [/^cmi\.(objectives|interactions)\.\d+\.id$/, (value) => /^\S{1,4000}$/.test(value)],
  [/^cmi\.interactions\.\d+\.objectives\.\d+\.id$/, (value) => /^\S{1,4000}$/.test(value)],
  [/^cmi\.interactions\.\d+\.type$/, (value) => value in RESPONSES],
  [/^cmi\.interactions\.\d+\.timestamp$/, (value) => MOMENT.test(value) && !Number.isNaN(Date.parse(value))],
  [/^cmi\.interactions\.\d+\.weighting$/, (value) => REAL.test(value)],
  [/^cmi\.interactions\.\d+\.result$/, (value) => REAL.test(value) || oneOf("correct", "incorrect", "unanticipated", "neutral")(value)],
  [/^cmi\.interactions\.\d+\.latency$/, (value) => INTERVAL.test(value)],
  [/^cmi\.interactions\.\d+\.description$/, atMost(250)],
  [/^adl\.nav\.request$/, oneOf("continue", "previous", "exit", "exitAll", "abandon", "abandonAll", "suspendAll", "_none_")],
];

export class StrictLms2004 {
  readonly data = new Map<string, string>();
  readonly committed = new Map<string, string>();
  readonly refusals: string[] = [];
  state: "new" | "open" | "closed" = "new";
  /** Misbehaviour. */
  takesCommits = true;
  longest = 64_000;
  takesLines = true;
  private error = "0";

  constructor(start: Record<string, string> = {}) {
    const given = { "cmi.learner_id": "bo", "cmi.learner_name": "Lindqvale, Bo", "cmi.mode": "normal", "cmi.completion_status": "unknown", "cmi.success_status": "unknown" };
    for (const [name, value] of Object.entries({ ...given, ...start })) this.data.set(name, value);
  }

  Initialize(parameter: string): string {
    if (parameter !== "") return this.fail("201", "Initialize");
    if (this.state !== "new") return this.fail(this.state === "open" ? "103" : "104", "Initialize twice");
    this.state = "open";
    return this.ok();
  }

  Terminate(parameter: string): string {
    if (parameter !== "") return this.fail("201", "Terminate");
    if (this.state !== "open") return this.fail(this.state === "new" ? "112" : "113", "Terminate out of turn");
    if (!this.takesCommits) return this.fail("391", null);
    this.keep();
    this.state = "closed";
    return this.ok();
  }

  GetValue(element: string): string {
    if (this.state !== "open") return this.none(this.state === "new" ? "122" : "123", `get ${element}`);
    const count = /^cmi\.(objectives|interactions)\._count$/.exec(element);
    this.error = "0";
    if (count) return String(this.count(String(count[1])));
    const value = this.data.get(element);
    return value === undefined ? this.none("403", null) : value;
  }

  SetValue(element: string, value: string): string {
    if (this.state !== "open") return this.fail(this.state === "new" ? "132" : "133", `set ${element}`);
    if (typeof value !== "string") return this.fail("406", `set ${element} to ${typeof value}`);
    const wrong = this.inList(element, value);
    if (wrong !== null) return wrong;
    if (element === "cmi.suspend_data" && value.length > this.longest) return this.fail("406", null);
    const rule = WRITABLE.find(([name]) => name.test(element));
    if (!rule) return this.fail("401", `set ${element}`);
    return rule[1](value) ? this.take(element, value) : this.fail("406", `set ${element} to ${value}`);
  }

  Commit(parameter: string): string {
    if (parameter !== "") return this.fail("201", "Commit");
    if (this.state !== "open") return this.fail(this.state === "new" ? "142" : "143", "Commit");
    if (!this.takesCommits) return this.fail("391", null);
    this.keep();
    return this.ok();
  }

  GetLastError(): string {
    return this.error;
  }

  /** What comes of a value of an objective or an interaction, where its place in the list decides it; null where its form does. */
  private inList(element: string, value: string): string | null {
    const [, what = "", number = "", field = ""] = /^cmi\.(objectives|interactions)\.(\d+)\.(.+)$/.exec(element) ?? [];
    if (!what) return null;
    if (Number(number) > this.count(what)) return this.fail("351", `a gap before ${element}`);
    if (field !== "id" && !this.data.has(`cmi.${what}.${number}.id`)) return this.fail("408", `${element} before its id`);
    if (what === "objectives" && field === "id" && this.hasObjective(value)) return this.fail("351", `the objective ${value} is there already`);
    return /^(learner_response|correct_responses\.\d+\.pattern)$/.test(field) ? this.formed(element, number, field, value) : null;
  }

  private hasObjective(id: string): boolean {
    return [...this.data].some(([name, held]) => /^cmi\.objectives\.\d+\.id$/.test(name) && held === id);
  }

  private formed(element: string, number: string, field: string, value: string): string {
    const form = this.form(number, field);
    if (!form) return this.fail("408", `${element} before its type`);
    if (!this.takesLines && value.includes("\n")) return this.fail("406", null);
    return form.test(value) ? this.take(element, value) : this.fail("406", `set ${element} to ${value}`);
  }

  /** The form of a response or a pattern of an interaction; null where its type is not known yet. */
  private form(number: string, field: string): RegExp | null {
    const forms = RESPONSES[this.data.get(`cmi.interactions.${number}.type`) ?? ""];
    return forms?.[field === "learner_response" ? 0 : 1] ?? null;
  }

  private take(element: string, value: string): string {
    this.data.set(element, value);
    return this.ok();
  }

  private keep(): void {
    for (const [name, value] of this.data) this.committed.set(name, value);
  }

  private count(what: string): number {
    return [...this.data.keys()].filter((name) => new RegExp(`^cmi\\.${what}\\.\\d+\\.id$`).test(name)).length;
  }

  private ok(): string {
    this.error = "0";
    return "true";
  }

  private none(error: string, what: string | null): string {
    this.fail(error, what);
    return "";
  }

  /** `what` is noted when it is the course's fault. */
  private fail(error: string, what: string | null): string {
    this.error = error;
    if (what) this.refusals.push(`${what}: ${error}`);
    return "false";
  }
}
