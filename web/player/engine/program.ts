/** A program made ready to run. The twin of `zigzag_core/logic/index.py`. */
import type {
  Grader, Overlay, Program, ProgramElement, ProgramRule, ProgramSlide, Variable,
} from "../../api/types";

enum Rank { Block, Element, Overlay, Slide, Course }

export interface BoundRule {
  readonly rank: number;
  readonly slide: string | null;
  readonly rule: ProgramRule;
}

export class Index {
  readonly order: readonly string[];
  readonly position = new Map<string, number>();
  readonly slides = new Map<string, ProgramSlide>();
  readonly variables = new Map<string, Variable>();
  readonly questions = new Map<string, Grader>();
  readonly elements = new Map<string, ProgramElement>();
  readonly overlays = new Map<string, Overlay>();
  /** The slide of each element and overlay. */
  readonly home = new Map<string, string>();
  /** The slide that *next* leads to from each slide. */
  readonly onward = new Map<string, string | null>();
  /** The overlay of each element that is in one. */
  readonly overlayOf = new Map<string, string>();
  readonly maxPoints: number;
  private readonly rules = new Map<string, BoundRule[]>();

  constructor(readonly program: Program) {
    this.order = program.slides.map((slide) => slide.id);
    this.order.forEach((slide, place) => this.position.set(slide, place));
    for (const variable of program.variables) this.variables.set(variable.id, variable);
    for (const grader of program.questions) this.questions.set(grader.id, grader);
    for (const slide of program.slides) {
      this.slides.set(slide.id, slide);
      for (const element of slide.elements) this.addElement(element, slide.id);
      for (const overlay of slide.overlays) {
        this.overlays.set(overlay.id, overlay);
        this.home.set(overlay.id, slide.id);
        for (const element of overlay.elements) {
          this.addElement(element, slide.id);
          this.overlayOf.set(element.draw.id, overlay.id);
        }
        this.addRules(overlay.rules, Rank.Overlay, slide.id);
      }
      this.addRules(slide.rules, Rank.Slide, slide.id);
    }
    this.addRules(program.rules, Rank.Course, null);
    program.slides.forEach((slide, place) => {
      const after = this.order[place + 1] ?? null;
      const { onward } = slide;
      if (onward.to === "slide") {
        this.onward.set(slide.id, this.position.has(onward.slide) ? onward.slide : after);
      } else this.onward.set(slide.id, onward.to === "next" ? after : null);
    });
    for (const rules of this.rules.values()) rules.sort((a, b) => a.rank - b.rank);
    this.maxPoints = program.questions
      .filter((grader) => grader.purpose === "scored")
      .reduce((sum, grader) => sum + grader.points, 0);
  }

  /** Return the group that `element` is in, if it is there. */
  groupOf(element: string): string | null {
    const group = this.elements.get(element)?.draw.group ?? null;
    return group !== null && this.elements.has(group) ? group : null;
  }

  /** Return the rules for `event` at `target`, in the order in which they run. */
  matching(event: string, target: string): readonly BoundRule[] {
    const exact = this.rules.get(key(event, target));
    const general = this.rules.get(key(event, null));
    if (exact && general) return [...exact, ...general].sort((a, b) => a.rank - b.rank);
    return exact ?? general ?? NONE;
  }

  private addElement(element: ProgramElement, slide: string): void {
    this.elements.set(element.draw.id, element);
    this.home.set(element.draw.id, slide);
    this.addRules(element.rules, Rank.Element, slide);
  }

  private addRules(rules: readonly ProgramRule[], rank: Rank, slide: string | null): void {
    for (const rule of rules) {
      const place = key(rule.on, rule.target ?? null);
      const bound = { rank: rule.block ? Rank.Block : rank, slide, rule };
      const list = this.rules.get(place);
      if (list) list.push(bound);
      else this.rules.set(place, [bound]);
    }
  }
}

const NONE: readonly BoundRule[] = [];

function key(event: string, target: string | null): string {
  return target === null ? event : `${event} ${target}`;
}
