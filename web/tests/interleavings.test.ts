/**
 * Whatever comes in between (slow answers, refusals, steps back, another window), a course ends as if the
 * same edits had been done one after the other; where that cannot be, a conflict is named.
 */
import fc from "fast-check";
import { expect, test, vi } from "vitest";
import type { Element, Slide } from "../api/types";
import { edit } from "../workbench/store/edits";
import { changeElements, goToSlide, redo, takeIn, undo } from "../workbench/store/store";
import { box, courseOf, moved, now, openCourse, settled, SlowCore, without } from "./courses";

vi.mock("../kit/toaster", () => ({ sayError: () => {}, sayDone: () => {} }));

const SLIDES = { room: ["boots", "ropes", "stove"], hall: ["door", "bench", "lamp"] } as const;
type Name = keyof typeof SLIDES;

/** A fresh seed from `make fuzz`; the fixed one otherwise. */
const SEED = Number(process.env.ZIGZAG_FUZZ_SEED ?? 0);

type Edit = (slide: Slide) => Slide;
type Step =
  | { do: "set"; slide: Name; which: number; field: "x" | "name"; value: number }
  | { do: "ask"; slide: Name; which: number; how: "shift" | "add" | "drop"; by: number }
  | { do: "answer"; which: number; fails: boolean }
  | { do: "other"; slide: Name; which: number; field: "alt" | "x"; value: number }
  | { do: "undo" } | { do: "redo" };

const slide = fc.constantFrom<Name>("room", "hall");
const which = fc.nat(2);
const value = fc.integer({ min: -9, max: 9 });
const step: fc.Arbitrary<Step> = fc.oneof(
  { weight: 3, arbitrary: fc.record({ do: fc.constant("set" as const), slide, which, field: fc.constantFrom("x" as const, "name" as const), value }) },
  { weight: 4, arbitrary: fc.record({ do: fc.constant("ask" as const), slide, which, how: fc.constantFrom("shift" as const, "add" as const, "drop" as const), by: value }) },
  { weight: 4, arbitrary: fc.record({ do: fc.constant("answer" as const), which: fc.nat(5), fails: fc.boolean() }) },
  { weight: 1, arbitrary: fc.record({ do: fc.constant("other" as const), slide, which, field: fc.constantFrom("alt" as const, "x" as const), value }) },
  { weight: 2, arbitrary: fc.constant({ do: "undo" as const }) },
  { weight: 1, arbitrary: fc.constant({ do: "redo" as const }) },
);

function put(name: string, field: string, to: unknown): Edit {
  return (before) => ({ ...before, elements: before.elements.map((e) => (e.id === name ? { ...e, [field]: to } as Element : e)) });
}

/** One edit of the reference: what it does, and to which element when it is made here, or moves it there. */
interface Done { slide: Name; run: Edit; local: string | null; shifts?: string; open: boolean; other: boolean }

/** The same edits, one after the other: a list of functions. */
class Reference {
  done: Done[] = [];
  undone: Done[] = [];
  private readonly start: Record<Name, Slide>;

  constructor() {
    this.start = now().slides as Record<Name, Slide>;
  }

  add(entry: Done): Done {
    this.done.push(entry);
    if (!entry.other) this.undone = [];
    return entry;
  }

  undo(): void {
    const at = this.done.findLastIndex((entry) => !entry.other);
    if (at >= 0) this.undone.push(...this.done.splice(at, 1));
  }

  redo(): void {
    const last = this.undone.pop();
    if (last) this.done.push(last);
  }

  /** An edit has its answer: what was done later to what it took away came to nothing. */
  answered(entry: Done): void {
    entry.open = false;
    const at = this.done.indexOf(entry);
    if (at < 0) return;
    this.done = this.done.filter((later, n) => (
      n <= at || later.local === null || this.at(entry.slide, n).elements.some(({ id }) => id === later.local) || later.slide !== entry.slide));
  }

  failed(entry: Done): void {
    this.done = this.done.filter((other) => other !== entry);
    this.undone = this.undone.filter((other) => other !== entry);
  }

  /** A slide after the first `count` edits that have their answers. */
  at(name: Name, count = this.done.length): Slide {
    return this.done.slice(0, count).filter((entry) => entry.slide === name && !entry.open)
      .reduce((before, { run }) => run(before), this.start[name]);
  }
}

async function play(steps: readonly Step[]): Promise<void> {
  openCourse();
  const reference = new Reference();
  const core = new SlowCore();
  const asked = new Map<number, Done>();
  const waiting: { entry: Done; call: number | null }[] = [];
  let version = 1;
  let added = 0;

  function ask(taken: Extract<Step, { do: "ask" }>): void {
    const target = SLIDES[taken.slide][taken.which] as string;
    const fresh = `new${++added}`;
    const run: Edit = taken.how === "shift" ? (before) => moved(before, [target], taken.by)
      : taken.how === "add" ? (before) => ({ ...before, elements: [...before.elements, box(fresh)] })
        : (before) => without(before, target);
    goToSlide(taken.slide);
    const entry = reference.add({
      slide: taken.slide, run, local: null, open: true, other: false, ...(taken.how === "shift" ? { shifts: target } : {}),
    });
    void edit({ label: taken.how, ask: (base) => {
      asked.set(core.calls.length, entry);
      return core.ask(base);
    } });
    waiting.push({ entry, call: null });
  }

  function set(taken: Extract<Step, { do: "set" }>): void {
    const target = SLIDES[taken.slide][taken.which] as string;
    goToSlide(taken.slide);
    const to = taken.field === "name" ? `name ${taken.value}` : taken.value;
    const seen = now().slides[taken.slide]?.elements.find(({ id }) => id === target);
    // Setting what is so already is no edit.
    if (!seen || seen[taken.field] === to) return;
    reference.add({ slide: taken.slide, run: put(target, taken.field, to), local: target, open: false, other: false });
    changeElements("Set", [target], (element) => ({ ...element, [taken.field]: to }) as Element);
  }

  async function answer(number: number, fails: boolean): Promise<void> {
    const entry = asked.get(number) as Done;
    asked.delete(number);
    if (fails) {
      reference.failed(entry);
      await core.calls[number]?.fail("No.");
      return;
    }
    const { run } = entry;
    await core.calls[number]?.work((before) => {
      const made = run(before);
      // From now on it is what it came to, wherever it is made again: another may have moved the same.
      if (entry.shifts) entry.run = put(entry.shifts, "x", made.elements.find(({ id }) => id === entry.shifts)?.x);
      return made;
    });
    reference.answered(entry);
  }

  for (const taken of steps) {
    await settled();
    switch (taken.do) {
      case "set": set(taken); break;
      case "ask": ask(taken); break;
      case "answer": {
        const open = [...asked.keys()];
        const number = open[taken.which % Math.max(open.length, 1)];
        if (number !== undefined) await answer(number, taken.fails);
        break;
      }
      case "other": {
        // Others' changes are taken in at rest.
        if (now().past.some((entry) => entry.pending)) break;
        const target = SLIDES[taken.slide][taken.which] as string;
        const seen = now().slides[taken.slide]?.elements.find(({ id }) => id === target);
        if (!seen || seen[taken.field] === taken.value) break;
        const run = put(target, taken.field, taken.value);
        reference.add({ slide: taken.slide, run, local: null, open: false, other: true });
        const { slides } = now();
        const saved = (Object.keys(SLIDES) as Name[]).map((name) => (name === taken.slide ? run(slides[name] as Slide) : slides[name] as Slide));
        takeIn(courseOf(saved, ++version));
        break;
      }
      case "undo": reference.undo(); undo(); break;
      case "redo": reference.redo(); redo(); break;
    }
  }
  for (await settled(); asked.size; await settled()) await answer([...asked.keys()][0] as number, false);
  compare(reference);
}

/** The course is the reference's, but for what a named conflict is about. */
function compare(reference: Reference): void {
  const named = new Set(now().lost.flatMap(({ conflicts }) => conflicts.map(({ operation }) => operation.path[3])));
  for (const name of Object.keys(SLIDES) as Name[]) {
    const kept = (one: Slide | undefined): Element[] => (one?.elements ?? []).filter(({ id }) => !named.has(id));
    expect(kept(now().slides[name])).toEqual(kept(reference.at(name)));
  }
}

test("random interleavings end as the same edits one after the other, or in a named conflict", async () => {
  await fc.assert(fc.asyncProperty(fc.array(step, { maxLength: 25 }), play), { numRuns: SEED ? 20_000 : 1_000, seed: SEED || 20 });
});
