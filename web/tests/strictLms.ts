/** A SCORM 1.2 run-time API that takes nothing but what the standard allows, and can misbehave. */
import type { Offered } from "../player/tracking/findApi";

const TIMESPAN = /^[0-9]{2,4}:[0-5][0-9]:[0-5][0-9](\.[0-9]{1,2})?$/;
const DECIMAL = /^-?[0-9]{1,3}(\.[0-9]+)?$/;
const IDENTIFIER = /^[A-Za-z0-9_.-]{1,255}$/;
const CHOICES = /^[0-9a-z](,[0-9a-z])*$/;

/** What may be set, and the form that it must have. */
const WRITABLE: [RegExp, (value: string) => boolean][] = [
  [/^cmi\.core\.lesson_status$/, (v) => /^(passed|completed|failed|incomplete|browsed)$/.test(v)],
  [/^cmi\.core\.lesson_location$/, (v) => v.length <= 255],
  [/^cmi\.core\.exit$/, (v) => /^(time-out|suspend|logout|)$/.test(v)],
  [/^cmi\.core\.session_time$/, (v) => TIMESPAN.test(v)],
  [/^cmi\.core\.score\.(raw|min|max)$/, (v) => DECIMAL.test(v) && Number(v) >= 0 && Number(v) <= 100],
  [/^cmi\.objectives\.\d+\.id$/, (v) => IDENTIFIER.test(v)],
  [/^cmi\.objectives\.\d+\.score\.(raw|min|max)$/, (v) => DECIMAL.test(v) && Number(v) >= 0 && Number(v) <= 100],
  [/^cmi\.objectives\.\d+\.status$/, (v) => /^(passed|completed|failed|incomplete|browsed|not attempted)$/.test(v)],
  [/^cmi\.interactions\.\d+\.objectives\.0\.id$/, (v) => IDENTIFIER.test(v)],
  [/^cmi\.suspend_data$/, (v) => v.length <= 4096],
  [/^cmi\.interactions\.\d+\.id$/, (v) => IDENTIFIER.test(v)],
  [/^cmi\.interactions\.\d+\.type$/, (v) => v === "choice"],
  [/^cmi\.interactions\.\d+\.time$/, (v) => /^\d\d:\d\d:\d\d(\.\d{1,2})?$/.test(v)],
  [/^cmi\.interactions\.\d+\.weighting$/, (v) => DECIMAL.test(v)],
  [/^cmi\.interactions\.\d+\.(student_response|correct_responses\.\d+\.pattern)$/, (v) => CHOICES.test(v)],
  [/^cmi\.interactions\.\d+\.result$/, (v) => /^(correct|wrong|unanticipated|neutral)$/.test(v)],
  [/^cmi\.interactions\.\d+\.latency$/, (v) => TIMESPAN.test(v)],
];

export class StrictLms {
  readonly data = new Map<string, string>();
  readonly committed = new Map<string, string>();
  readonly refusals: string[] = [];
  commits = 0;
  state: "new" | "open" | "closed" = "new";
  /** Misbehaviour. */
  initializes = true;
  takesCommits = true;
  takesInteractions = true;
  gone = false;
  /** So many characters of progress it takes. */
  longest = 4096;
  /** Keeps so much of the progress, and says nothing of it; then no length is refused. */
  cutsAt = Infinity;
  private error = "0";

  constructor(start: Record<string, string> = {}) {
    const core = {
      "cmi.core.student_id": "bo", "cmi.core.student_name": "Lindqvale, Bo", "cmi.core.entry": "ab-initio",
      "cmi.core.lesson_status": "not attempted", "cmi.core.lesson_mode": "normal", "cmi.suspend_data": "",
      "cmi.core.score.raw": "", "cmi.student_data.mastery_score": "",
    };
    for (const [name, value] of Object.entries({ ...core, ...start })) this.data.set(name, value);
  }

  LMSInitialize(parameter: ""): string {
    if (parameter !== "") return this.fail("201", "LMSInitialize");
    if (this.state !== "new") return this.fail("101", "LMSInitialize twice");
    if (!this.initializes) return this.fail("101", null);
    this.state = "open";
    return this.ok();
  }

  LMSFinish(): string {
    if (this.state !== "open") return this.fail("301", "LMSFinish out of turn");
    this.commit();
    this.state = "closed";
    return this.ok();
  }

  LMSGetValue(element: string): string {
    this.check();
    if (this.state !== "open") {
      this.fail("301", `get ${element}`);
      return "";
    }
    if (element === "cmi.interactions._count") {
      if (!this.takesInteractions) { this.fail("401", null); return ""; }
      return String(this.count());
    }
    const value = this.data.get(element);
    if (value === undefined) { this.fail("401", `get ${element}`); return ""; }
    this.error = "0";
    return value;
  }

  LMSSetValue(element: string, value: string): string {
    this.check();
    if (this.state !== "open") return this.fail("301", `set ${element}`);
    if (typeof value !== "string") return this.fail("405", `set ${element} to ${typeof value}`);
    if (element.startsWith("cmi.interactions.")) {
      if (!this.takesInteractions) return this.fail("401", null);
      const number = Number(element.split(".")[2]);
      if (number > this.count()) return this.fail("201", `a gap before ${element}`);
    }
    if (element === "cmi.suspend_data" && this.cutsAt < Infinity) {
      this.data.set(element, value.slice(0, this.cutsAt));
      return this.ok();
    }
    if (element === "cmi.suspend_data" && value.length > this.longest) return this.fail("405", null);
    const rule = WRITABLE.find(([name]) => name.test(element));
    if (!rule) return this.fail("401", `set ${element}`);
    if (!rule[1](value)) return this.fail("405", `set ${element} to ${value}`);
    this.data.set(element, value);
    return this.ok();
  }

  LMSCommit(): string {
    this.check();
    if (this.state !== "open") return this.fail("301", "commit");
    if (!this.takesCommits) return this.fail("101", null);
    this.commit();
    return this.ok();
  }

  LMSGetLastError(): string {
    return this.error;
  }

  private commit(): void {
    this.commits += 1;
    for (const [name, value] of this.data) this.committed.set(name, value);
  }

  private count(): number {
    return [...this.data.keys()].filter((name) => /^cmi\.interactions\.\d+\.id$/.test(name)).length;
  }

  private check(): void {
    if (this.gone) throw new Error("the LMS's window is gone");
  }

  private ok(): string {
    this.error = "0";
    return "true";
  }

  /** `what` is noted when it is the course's fault. */
  private fail(error: string, what: string | null): string {
    this.error = error;
    if (what) this.refusals.push(`${error} ${what}`);
    return "false";
  }
}

/** Return what an LMS offers to a package: its methods. */
export function offered<Lms extends object>(lms: Lms | null): Offered | null {
  return lms as unknown as Offered | null;
}
