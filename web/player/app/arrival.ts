/**
 * A program that arrives in parts. The first one has the first slides whole, and of the others what
 * menu and score need; it is enough to begin. The twin is `packaging/parts.py`, which takes it apart.
 */
import type { Grader, Program, ProgramSlide, SeenSet } from "../../api/types";
import type { Arriving } from "../boot";
import { filled } from "../engine/filled";
import { Index } from "../engine/program";

type Part = Partial<Pick<Program, "slides" | "questions" | "sets" | "media" | "remembered">>;

/** What has come of a program, and whether a slide is among it. */
export class Arrival {
  readonly index: Index;
  /** Resolves when all of the program is there. */
  readonly whole: Promise<void>;
  private readonly coming: Set<string>;
  private taken = 1;
  private onMore: () => void = () => {};
  private done: () => void = () => {};

  constructor(private readonly arriving: Arriving) {
    const head = JSON.parse(arriving.texts[0] ?? "") as Program;
    // Without what its background or its elements are, a slide is yet to come.
    this.coming = new Set(head.slides.filter((slide) => !("background" in slide)).map(({ id }) => id));
    this.index = new Index(filled(head));
    this.whole = new Promise((resolve) => { this.done = resolve; });
    arriving.onPart = () => this.take();
    this.take();
  }

  get isWhole(): boolean {
    return this.taken >= this.arriving.count;
  }

  /** Whether a slide has come. */
  has(slide: string | null): boolean {
    return slide === null || !this.coming.has(slide);
  }

  /** `listener` hears of each part that comes. */
  listen(listener: () => void): void {
    this.onMore = listener;
  }

  private take(): void {
    for (let text = this.arriving.texts[this.taken]; text !== undefined; text = this.arriving.texts[this.taken]) {
      const part = JSON.parse(text) as Part;
      for (const { id } of part.slides ?? []) this.coming.delete(id);
      this.index.take(filled(joined(this.index.program, part)));
      this.taken += 1;
      this.onMore();
    }
    if (this.isWhole) this.done();
  }
}

/** A program with one more part: slides and questions where they belong, the rest after what there is. */
function joined(program: Program, part: Part): Program {
  const slides = new Map((part.slides ?? []).map((slide): [string, ProgramSlide] => [slide.id, slide]));
  const questions = new Map((part.questions ?? []).map((asked): [string, Grader] => [asked.id, asked]));
  const sets: readonly SeenSet[] = part.sets ?? [];
  return {
    ...program,
    slides: program.slides.map((slide) => slides.get(slide.id) ?? slide),
    questions: program.questions.map((asked) => questions.get(asked.id) ?? asked),
    sets: [...program.sets, ...sets], media: { ...program.media, ...part.media },
    remembered: part.remembered ?? program.remembered,
  };
}
