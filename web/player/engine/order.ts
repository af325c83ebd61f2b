/** The slides of a program as one learner gets them. The twin of `engine/order.py`. */
import type { Grader, Program, ProgramQuiz } from "../../api/types";
import { givesPoints, mostOf } from "./grade";
import type { Draw } from "./state";

/** The slides in the order of a learner for whom the quizzes were drawn; a quiz that was not has all of its own. */
export class Order {
  readonly slides: readonly string[];
  readonly position: ReadonlyMap<string, number>;
  /** The slide that *next* leads to from each slide, when no fork says otherwise. */
  readonly onward = new Map<string, string | null>();
  /** By slide, what can be come to from it, as far as somebody has asked (`ways`). */
  readonly ahead = new Map<string, ReadonlySet<string>>();
  /** The questions that give points. */
  readonly scored: readonly Grader[];
  readonly maxPoints: number;
  /** How many questions there are on the slides. */
  readonly questions: number;
  private readonly asking: ReadonlySet<string>;
  private readonly numbered = new Map<string, readonly [number: number, count: number]>();
  private readonly kept: ReadonlyMap<string, readonly string[]>;
  private readonly gradersOf = new Map<string, readonly Grader[]>();
  private readonly drawn: ReadonlyMap<string, readonly string[]>;
  private readonly quizOf = new Map<string, ProgramQuiz>();
  /** Slides that have asked for details; they do not come again. */
  private readonly asked = new Set<string>();

  constructor(private readonly program: Program, draws: readonly Draw[]) {
    this.kept = new Map(draws.map(({ quiz, kept }) => [quiz, kept]));
    this.drawn = new Map(draws.map(({ quiz, slides }) => [quiz, slides]));
    for (const quiz of program.quizzes) {
      if (this.drawn.has(quiz.id)) for (const slide of quiz.slides) this.quizOf.set(slide, quiz);
    }
    for (const { quiz, attempt } of draws) {
      const details = attempt > 1 && program.quizzes.find(({ id }) => id === quiz)?.details;
      if (details) this.asked.add(details);
    }
    this.slides = this.putInOrder(program);
    this.position = new Map(this.slides.map((slide, place) => [slide, place]));
    const own = new Map(program.slides.map(({ id, onward }) => [id, onward]));
    this.slides.forEach((slide, place) => {
      const after = this.slides[place + 1] ?? null;
      const onward = own.get(slide);
      if (onward?.to === "slide") this.onward.set(slide, this.entrance(onward.slide) ?? after);
      else this.onward.set(slide, onward?.to === "next" ? after : null);
    });
    const before = new Set([...this.kept.values()].flat());
    this.scored = program.questions.filter((grader) => givesPoints(grader) && (this.position.has(grader.slide) || before.has(grader.slide)));
    this.questions = program.questions.filter(({ slide }) => this.position.has(slide)).length;
    this.asking = new Set(program.questions.map(({ slide }) => slide));
    this.maxPoints = this.scored.reduce((sum, grader) => sum + mostOf(grader), 0);
  }

  /** Where one comes to who goes to `slide`: of a quiz, where it was not drawn, to its first. */
  landing(slide: string): string | null {
    if (this.position.has(slide)) return slide;
    const drawn = this.drawn.get(this.quizOf.get(slide)?.id ?? "") ?? [];
    return drawn.find((name) => this.position.has(name)) ?? null;
  }

  /** How many slides ask something up to `slide`, it included, and how many in all: of its quiz, else of the course. */
  numbers(slide: string): readonly [number: number, count: number] {
    let found = this.numbered.get(slide);
    if (!found) {
      const own = this.drawn.get(this.quizOf.get(slide)?.id ?? "") ?? this.slides;
      const count = (those: readonly string[]): number => those.filter((name) => this.asking.has(name)).length;
      this.numbered.set(slide, found = [count(own.slice(0, own.indexOf(slide) + 1)), count(own)]);
    }
    return found;
  }

  /** The slides of a quiz that the learner gets, in order. */
  ofQuiz(quiz: string): readonly string[] {
    const whole = this.program.quizzes.find(({ id }) => id === quiz)?.slides ?? [];
    return (this.drawn.get(quiz) ?? whole).filter((slide) => this.position.has(slide));
  }

  /** The questions of a quiz that the learner gets, and those answered right before. */
  graders(quiz: string): readonly Grader[] {
    let found = this.gradersOf.get(quiz);
    if (!found) {
      const whole = this.program.quizzes.find(({ id }) => id === quiz)?.slides ?? [];
      const own = new Set<string>([...this.drawn.get(quiz) ?? whole, ...this.kept.get(quiz) ?? []]);
      this.gradersOf.set(quiz, found = this.program.questions.filter(({ slide }) => own.has(slide)));
    }
    return found;
  }

  /** Where a way leads that the author has set to `slide`: the first slide of a quiz stands for the quiz. */
  entrance(slide: string): string | null {
    const quiz = this.quizOf.get(slide);
    if (quiz?.slides[0] !== slide) return this.landing(slide);
    return (this.drawn.get(quiz.id) ?? []).find((name) => this.position.has(name)) ?? null;
  }

  private putInOrder(program: Program): string[] {
    const there = new Set(program.slides.map(({ id }) => id));
    const begun = new Set<string>();
    return program.slides.flatMap(({ id }) => {
      const quiz = this.quizOf.get(id);
      if (!quiz) return [id];
      if (begun.has(quiz.id)) return [];
      begun.add(quiz.id);
      return (this.drawn.get(quiz.id) ?? []).filter((slide) => there.has(slide) && !this.asked.has(slide));
    });
  }
}
