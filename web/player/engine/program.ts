/** A program made ready to run. The twin of `engine/index.py`. */
import type {
  Clock, Grader, Piece, Program, ProgramElement, ProgramOverlay, ProgramRule, ProgramQuiz, ProgramSlide, SeenSet, Variable,
} from "../../api/types";
import { Order } from "./order";
import { playedOf } from "./pieces";
import type { Totals } from "./results";
import type { State } from "./state";
import { sayWith, type Say } from "./words";

enum Rank { Block, Element, Overlay, Slide, Course }

export interface BoundRule {
  readonly rank: number;
  readonly slide: string | null;
  readonly rule: ProgramRule;
}

/** What a program holds, by id, and in which order the course has its slides. Made once for each program, and anew when more of it comes. */
export class Index {
  readonly order: readonly string[];
  readonly position = new Map<string, number>();
  readonly slides = new Map<string, ProgramSlide>();
  readonly variables = new Map<string, Variable>();
  readonly questions = new Map<string, Grader>();
  readonly elements = new Map<string, ProgramElement>();
  readonly overlays = new Map<string, ProgramOverlay>();
  /** The overlays of each slide that open and close by a condition. */
  readonly opening = new Map<string, ProgramOverlay[]>();
  /** The slide of each element and overlay. */
  readonly home = new Map<string, string>();
  /** What answers come to, as far as somebody has asked (`results`). */
  readonly totals = new WeakMap<State["answers"], Totals>();
  /** The overlay of each element that is in one. */
  readonly overlayOf = new Map<string, string>();
  /** The elements of each slide and of its overlays. */
  readonly onSlide = new Map<string, string[]>();
  readonly quizzes = new Map<string, ProgramQuiz>();
  /** The quiz that each slide is in, if it is in one. */
  readonly quizOf = new Map<string, ProgramQuiz>();
  /** The quizzes whose time goes on without the learner. */
  readonly away: readonly ProgramQuiz[];
  /** The quizzes whose results are reported. */
  readonly posting: readonly ProgramQuiz[];
  /** The slides that ask something. */
  readonly asking = new Set<string>();
  readonly sets = new Map<string, SeenSet>();
  /** The sets that each element is in. */
  readonly setsOf = new Map<string, SeenSet[]>();
  /** The time axes of slides and overlays that have one. */
  readonly clocks = new Map<string, Clock>();
  /** The questions of each slide that have a time limit. */
  readonly timed = new Map<string, Grader[]>();
  /** The questions of each slide that are judged when it is left. */
  readonly onLeaving = new Map<string, Grader[]>();
  /** The timers of each slide, overlay, and of the course. */
  readonly timers = new Map<string, ProgramRule[]>();
  /** The ms in each video or audio that rules wait for, rising. */
  readonly mediaMoments = new Map<string, number[]>();
  readonly rules = new Map<string, BoundRule>();
  /** The player's words, as the course has them. */
  readonly say: Say;
  /** The files as they are seen in quizzes with colours of their own. */
  private readonly media = new Map<string, Program["media"]>();
  /** The orders of slides that somebody has asked for. */
  private readonly orders = new WeakMap<State["draws"], Order>();
  /** The rules by their event and target; null is any. */
  private readonly matches = new Map<string, Map<string | null, BoundRule[]>>();

  constructor(readonly program: Program) {
    this.say = sayWith(program.words);
    this.order = program.slides.map((slide) => slide.id);
    this.order.forEach((slide, index) => this.position.set(slide, index));
    this.posting = program.quizzes.filter(({ post }) => post);
    this.away = program.quizzes.filter((quiz) => quiz.away && quiz.time_limit);
    for (const variable of program.variables) this.variables.set(variable.id, variable);
    for (const grader of program.questions) this.addQuestion(grader);
    for (const quiz of program.quizzes) this.addQuiz(quiz);
    for (const seen of program.sets) {
      this.sets.set(seen.id, seen);
      for (const element of seen.of) addTo(this.setsOf, element, seen);
    }
    for (const slide of program.slides) this.addSlide(slide);
    for (const [owner, clock] of this.clocks) if (clock.follows) this.clocks.set(owner, this.led(clock));
    this.addRules(program.rules, Rank.Course, null);
    for (const those of this.matches.values()) {
      for (const rules of those.values()) rules.sort((a, b) => a.rank - b.rank);
    }
    for (const [element, moments] of this.mediaMoments) {
      this.mediaMoments.set(element, [...new Set(moments)].sort((a, b) => a - b));
    }
  }

  /** The quiz that `slide` is in, else the last before it, else the first. */
  quizFor(slide: string): ProgramQuiz | undefined {
    const here = this.position.get(slide) ?? -1;
    return this.quizOf.get(slide) ?? this.program.quizzes.reduce<ProgramQuiz | undefined>((found, quiz) => (
      !found || (this.position.get(quiz.slides[0] ?? "") ?? 0) <= here ? quiz : found), undefined);
  }

  /** Return the slides as a learner gets them for whom the quizzes were drawn as in `draws`. */
  ordered(draws: State["draws"]): Order {
    let found = this.orders.get(draws);
    if (!found) this.orders.set(draws, found = new Order(this.program, draws));
    return found;
  }

  /** The files as they are seen on a slide: some quizzes have drawings in other colours. */
  mediaOn(slide: string | null): Program["media"] {
    const quiz = this.quizOf.get(slide ?? "");
    if (!quiz?.theme) return this.program.media;
    let found = this.media.get(quiz.id);
    if (!found) {
      const drawings = Object.entries(quiz.drawings).flatMap(([id, src]) => {
        const file = this.program.media[id];
        return file ? [[id, { ...file, src }] as const] : [];
      });
      this.media.set(quiz.id, found = { ...this.program.media, ...Object.fromEntries(drawings) });
    }
    return found;
  }

  /** The stretches (ms) of its file that a video or audio plays, in order. */
  piecesOf(element: string): Piece[] {
    const draw = this.elements.get(element)?.draw;
    if (!draw || !("pieces" in draw)) return [];
    const duration = this.program.media[draw.media ?? ""]?.duration;
    return duration ? playedOf(draw.pieces, duration) : [];
  }

  /** Whether it counts how much of a video or audio was played; of narration only where something asks for it. */
  keepsWatched(element: string): boolean {
    const draw = this.elements.get(element)?.draw;
    const aside = (draw?.kind === "audio" && (draw.narration || draw.loop)) || (draw?.kind === "video" && draw.loop);
    return !aside || this.program.watched.includes(element);
  }

  /** Return the group that `element` is in, if it is there. */
  groupOf(element: string): string | null {
    const group = this.elements.get(element)?.draw.group ?? null;
    return group !== null && this.elements.has(group) ? group : null;
  }

  /** The slide or overlay by whose clock an element comes and goes. */
  clockOf(element: string): string {
    return this.overlayOf.get(element) ?? this.home.get(element) ?? "";
  }

  /** Return the rules for `event` at `target`, in the order in which they run. */
  matching(event: string, target: string, detail: string | null = null): readonly BoundRule[] {
    const rules = this.matches.get(event);
    const exact = rules?.get(target);
    const general = rules?.get(null);
    const found = exact && general ? [...exact, ...general].sort((a, b) => a.rank - b.rank) : exact ?? general ?? NONE;
    if (detail === null) return found;
    return found.filter(({ rule }) => rule.detail === null || rule.detail === undefined || rule.detail === detail);
  }

  /** Hold `program` from now on: the same one, of which more has come. */
  take(program: Program): void {
    Object.assign(this, new Index(program));
  }

  private addQuiz(quiz: ProgramQuiz): void {
    this.quizzes.set(quiz.id, quiz);
    for (const slide of quiz.slides) this.quizOf.set(slide, quiz);
  }

  private addQuestion(grader: Grader): void {
    this.questions.set(grader.id, grader);
    this.asking.add(grader.slide);
    if (grader.time_limit) addTo(this.timed, grader.slide, grader);
    if (grader.on_leaving) addTo(this.onLeaving, grader.slide, grader);
  }

  /** A clock that follows what plays is as long as that; where nothing plays, it goes alone. */
  private led(clock: Clock): Clock {
    const leader = this.elements.get(clock.follows ?? "")?.draw;
    const media = leader && "media" in leader ? this.program.media[leader.media ?? ""] : undefined;
    const ends = this.piecesOf(clock.follows ?? "").at(-1)?.until ?? 0;
    return media ? { ...clock, length: Math.max(clock.length, ends) } : { ...clock, follows: null };
  }

  private addSlide(slide: ProgramSlide): void {
    this.slides.set(slide.id, slide);
    this.onSlide.set(slide.id, []);
    if (slide.clock) this.clocks.set(slide.id, slide.clock);
    for (const element of slide.elements) this.addElement(element, slide.id);
    for (const overlay of slide.overlays) {
      this.overlays.set(overlay.id, overlay);
      if (overlay.clock) this.clocks.set(overlay.id, overlay.clock);
      this.home.set(overlay.id, slide.id);
      if (overlay.opens !== false) addTo(this.opening, slide.id, overlay);
      for (const element of overlay.elements) {
        this.addElement(element, slide.id);
        this.overlayOf.set(element.draw.id, overlay.id);
      }
      this.addRules(overlay.rules, Rank.Overlay, slide.id);
    }
    this.addRules(slide.rules, Rank.Slide, slide.id);
  }

  private addElement(element: ProgramElement, slide: string): void {
    this.elements.set(element.draw.id, element);
    this.home.set(element.draw.id, slide);
    addTo(this.onSlide, slide, element.draw.id);
    this.addRules(element.rules, Rank.Element, slide);
  }

  private addRules(rules: readonly ProgramRule[], rank: Rank, slide: string | null): void {
    for (const rule of rules) {
      const bound = { rank: rule.block ? Rank.Block : rank, slide, rule };
      if (!this.rules.has(rule.id)) this.rules.set(rule.id, bound);
      let those = this.matches.get(rule.on);
      if (!those) this.matches.set(rule.on, those = new Map());
      addTo(those, rule.target ?? null, bound);
      if (rule.on === "timer") addTo(this.timers, rule.target ?? "course", rule);
      if (rule.on === "media_reached" && rule.target) addTo(this.mediaMoments, rule.target, rule.after);
    }
  }
}

function addTo<K, T>(lists: Map<K, T[]>, name: K, thing: T): void {
  const list = lists.get(name);
  if (list) list.push(thing);
  else lists.set(name, [thing]);
}

const NONE: readonly BoundRule[] = [];
