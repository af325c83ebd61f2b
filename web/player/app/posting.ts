/** Sends the reports of a run by the package's post, once that script has come. */
import type { ProgramPost } from "../../api/types";
import type { Report } from "../engine/reports";
import { gradersOf } from "../engine/quizResults";
import type { Index } from "../engine/program";
import type { State } from "../engine/state";
import type { Receiver } from "../post/letters";
import type { PostOffice } from "../post/main";
import type { PostStanding } from "../post/outbox";

/** Hears how it stands with the reports, and of each attempt of this run whose report has arrived. */
export interface PostListener {
  standing(standing: PostStanding): void;
  arrived(quiz: string, attempt: number): void;
}

const RETRY_MS = 5_000;

/** The reports of one run. */
export class Posting {
  private office: PostOffice | null = null;
  private readonly early: ((office: PostOffice) => void)[] = [];
  /** The attempts that this run has reported, by the id of the report. */
  private readonly own = new Map<string, Report>();

  /** `receivers` are those of the package, by quiz, as JSON. */
  constructor(private readonly index: Index, receivers: string, private readonly listener: PostListener) {
    const known = receiversIn(receivers);
    const { program } = index;
    load("player/post.js", () => {
      this.office = window.zigzagPost?.({ id: program.course, title: program.title }, known, (standing, arrived) => this.hear(standing, arrived)) ?? null;
      for (const send of this.early.splice(0)) if (this.office) send(this.office);
    });
  }

  send(report: Report, state: State): void {
    const quiz = this.index.quizzes.get(report.quiz);
    const post: ProgramPost | null | undefined = quiz?.post;
    if (!quiz || !post) return;
    this.own.set(report.id, report);
    const graders = gradersOf(this.index, state, quiz);
    const send = (office: PostOffice): void => office.send(report, post, quiz.title, graders, state.answers);
    if (this.office) send(this.office);
    else this.early.push(send);
  }

  again(): void {
    this.office?.again();
  }

  private hear(standing: PostStanding, arrived: string | null): void {
    this.listener.standing(standing);
    const report = arrived === null ? undefined : this.own.get(arrived);
    if (report) this.listener.arrived(report.quiz, report.attempt);
  }
}

function receiversIn(text: string): Record<string, Receiver> {
  try {
    return JSON.parse(text) as Record<string, Receiver>;
  } catch {
    return {};
  }
}

/** Tried until it comes. */
function load(src: string, then: () => void, tries = 0): void {
  const script = Object.assign(document.createElement("script"), { src: tries ? `${src}?${tries}` : src });
  script.onload = then;
  script.onerror = () => { window.setTimeout(() => load(src, then, tries + 1), RETRY_MS); };
  document.body.append(script);
}
