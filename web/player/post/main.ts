/** The post of a package: a script of its own, that only packages with quizzes that report load. */
import type { Grader, ProgramPost } from "../../api/types";
import type { Report } from "../engine/reports";
import type { Answer } from "../engine/state";
import { answersInWords } from "./answers";
import { lettersOf, type Receiver } from "./letters";
import { plain } from "./plain";
import { Outbox, type PostStanding } from "./outbox";

/** What the player asks of the post, and hears of it. */
export interface PostOffice {
  /** Send the report of an attempt: these were its questions, and the answers. */
  send(report: Report, post: ProgramPost, title: string, graders: readonly Grader[], answers: Readonly<Record<string, Answer>>): void;
  again(): void;
}

/** As many characters as a variable holds. */
const LONGEST_FIELD = 250;

declare global {
  interface Window {
    zigzagPost?: (
      course: { id: string; title: string }, receivers: Readonly<Record<string, Receiver>>,
      listener: (standing: PostStanding, arrived: string | null) => void,
    ) => PostOffice;
  }
}

window.zigzagPost = (course, receivers, listener) => {
  const outbox = new Outbox(`zigzag:${course.id}:post`, listener);
  return {
    send: ({ id, quiz, attempt, fields }, post, title, graders, answers) => {
      const texts = fields.map(([name, text]) => [name, plain(text, LONGEST_FIELD)] as const);
      const report = { id, quiz, attempt, course: course.title, title, fields: texts, answers: post.answers ? answersInWords(graders, answers) : [] };
      outbox.put(id, lettersOf(report, post, receivers[quiz]));
    },
    again: () => outbox.again(),
  };
};
