/** Every quiz that a learner can get, by its number; the twin of `zigzag_core/quiz/drawing.py`, which says how. */
import { LIMITS } from "../../../api/tables";
import type { DrawnSet, DrawnUnit, ProgramQuiz } from "../../../api/types";
import { fnv1a, step32 } from "../random";
import { factorial, Selections, selectionsOf } from "./selecting";

const MOST_TRIES = 128;

/** The slides that an attempt gets, in order; slides `seen` before as few as can be. */
export function drawn(quiz: ProgramQuiz, seed: number, attempt = 1, seen: ReadonlySet<string> = new Set()): readonly string[] {
  const draws = new Draws(quiz, quiz.sets.map((one) => (seen.size ? fresh(one, seen) : new SetDraws(one, selectionsOf(one)))));
  const slides = draws.slides(below(draws.count, fnv1a(`${quiz.id} ${attempt} ${seed}`)));
  return slides.length ? slides : quiz.slides;
}

/** What can be drawn of one set. */
class SetDraws {
  /** In how many ways the set can come, orders counted. */
  readonly count: bigint;

  constructor(readonly set: DrawnSet, readonly selections: Selections) {
    let count = 0n;
    for (const [free, ways] of selections.byFree) count += ways * this.orders(free);
    this.count = count;
  }

  /** The units of way number `rank`, in order. */
  units(rank: bigint): DrawnUnit[] {
    let left = rank;
    for (const [free, ways] of this.selections.byFree) {
      const orders = this.orders(free);
      if (left < ways * orders) {
        return inOrder(this.selected(free, left / orders), this.set.shuffled ? left % orders : null);
      }
      left -= ways * orders;
    }
    return [];
  }

  selected(free: number, rank: bigint): DrawnUnit[] {
    return this.selections.selection(free, rank).map((place) => this.set.units[place] as DrawnUnit);
  }

  private orders(free: number): bigint {
    return this.set.shuffled ? factorial(free) : 1n;
  }
}

/** All quizzes that a learner can get. */
class Draws {
  readonly count: bigint;
  private readonly take: number;
  /** By the first set and how many sets are still taken: ways, or selections by the units that a shuffle moves. */
  private readonly apart: bigint[][] = [];
  private readonly mixed: Map<number, bigint>[][] = [];

  constructor(private readonly quiz: ProgramQuiz, private readonly sets: readonly SetDraws[]) {
    this.take = Math.min(quiz.take ?? sets.length, sets.length);
    if (quiz.order === "mixed") this.countMixed();
    else this.countApart();
    this.count = quiz.order === "mixed"
      ? this.wholes().reduce((sum, [free, ways]) => sum + ways * factorial(free), 0n)
      : (this.apart[0]?.[this.take] ?? 0n) * this.setOrders;
  }

  slides(rank: bigint): string[] {
    const units = this.quiz.order === "mixed" ? this.mixedUnits(rank) : this.apartUnits(rank);
    return [...this.quiz.opening, ...units.flatMap((unit) => unit.slides), ...this.quiz.closing];
  }

  private get setOrders(): bigint {
    return this.quiz.order === "shuffled" ? factorial(this.take) : 1n;
  }

  private countApart(): void {
    this.apart.push(Array.from({ length: this.take + 1 }, (_, left) => (left ? 0n : 1n)));
    for (const one of [...this.sets].reverse()) {
      const after = this.apart[0] as bigint[];
      this.apart.unshift(after.map((without, left) => without + (left ? one.count * (after[left - 1] as bigint) : 0n)));
    }
  }

  private apartUnits(rank: bigint): DrawnUnit[] {
    const order = rank % this.setOrders;
    let rest = rank / this.setOrders;
    let left = this.take;
    let found: DrawnUnit[][] = [];
    this.sets.forEach((one, place) => {
      const after = this.apart[place + 1] as bigint[];
      const without = after[left] as bigint;
      if (rest < without || !left) return;
      const others = after[left - 1] as bigint;
      found.push(one.units((rest - without) / others));
      rest = (rest - without) % others;
      left -= 1;
    });
    if (this.quiz.order === "shuffled") found = permuted(found, order);
    return found.flat();
  }

  private countMixed(): void {
    this.mixed.push(Array.from({ length: this.take + 1 }, (_, left) => new Map(left ? [] : [[0, 1n]])));
    for (const one of [...this.sets].reverse()) {
      const after = this.mixed[0] as Map<number, bigint>[];
      this.mixed.unshift(after.map((without, left) => {
        const ways = new Map(without);
        if (!left) return ways;
        for (const [free, own] of one.selections.byFree) {
          for (const [others, count] of after[left - 1] as Map<number, bigint>) {
            ways.set(free + others, (ways.get(free + others) ?? 0n) + own * count);
          }
        }
        return ways;
      }));
    }
  }

  /** Selections from all sets together, by the units that a shuffle moves, rising. */
  private wholes(): [number, bigint][] {
    return [...this.mixed[0]?.[this.take] ?? []].sort(([a], [b]) => a - b);
  }

  private mixedUnits(rank: bigint): DrawnUnit[] {
    let left = rank;
    for (const [free, ways] of this.wholes()) {
      const orders = factorial(free);
      if (left < ways * orders) return inOrder(this.mixedSelection(free, left / orders), left % orders);
      left -= ways * orders;
    }
    return [];
  }

  private mixedSelection(units: number, rank: bigint): DrawnUnit[] {
    const found: DrawnUnit[] = [];
    let [free, left, rest] = [units, this.take, rank];
    this.sets.forEach((one, place) => {
      const from = this.mixed[place + 1] as Map<number, bigint>[];
      const without = from[left]?.get(free) ?? 0n;
      if (rest < without) return;
      rest -= without;
      for (const [own, ways] of one.selections.byFree) {
        const others = from[left - 1]?.get(free - own) ?? 0n;
        if (rest < ways * others) {
          found.push(...one.selected(own, rest / others));
          [free, left, rest] = [free - own, left - 1, rest % others];
          break;
        }
        rest -= ways * others;
      }
    });
    return found;
  }
}

/** The units with the pinned at their ends, the others in order number `order`; null keeps them as they are. */
function inOrder(units: readonly DrawnUnit[], order: bigint | null): DrawnUnit[] {
  const free = units.filter(({ pin }) => pin === "none");
  return [
    ...units.filter(({ pin }) => pin === "first"), ...(order === null ? free : permuted(free, order)),
    ...units.filter(({ pin }) => pin === "last"),
  ];
}

/** The items in order number `rank`, by Lehmer's code. */
function permuted<T>(items: readonly T[], rank: bigint): T[] {
  const rest = [...items];
  let [size, left] = [factorial(rest.length), rank];
  return items.map((_, done) => {
    size /= BigInt(items.length - done);
    const place = Number(left / size);
    left %= size;
    return rest.splice(place, 1)[0] as T;
  });
}

/** A whole number from 0 to below `count`, each as likely. */
function below(count: bigint, seed: number): bigint {
  const bits = count > 1n ? (count - 1n).toString(2).length : 0;
  const words = Math.ceil(bits / 32);
  let [number, state] = [0n, seed];
  for (let tries = 0; tries < MOST_TRIES; tries++) {
    number = 0n;
    for (let word = 0; word < words; word++) {
      let draw: number;
      [state, draw] = step32(state);
      number = (number << 32n) | BigInt(draw);
    }
    number >>= BigInt(words * 32 - bits);
    if (number < count) return number;
  }
  return number % count;
}

/** The draws of a set in which the fewest questions are among those `seen`. */
function fresh(one: DrawnSet, seen: ReadonlySet<string>): SetDraws {
  const units = one.units.map((unit) => ({
    ...unit,
    counts: [
      ...one.limits.map((_, at) => unit.counts[at] ?? 0),
      unit.slides.some((slide) => seen.has(slide)) ? unit.questions : 0,
    ],
  }));
  const most = units.reduce((sum, unit) => sum + unit.questions, 0);
  for (let again = 0, steps = 0; again <= most && steps <= LIMITS.most_counted; again++) {
    const selections = new Selections(units, one.take ?? null, [...one.limits, { least: again, most: again }]);
    if (selections.byFree.size) return new SetDraws(one, selections);
    steps += selections.steps;
  }
  return new SetDraws(one, selectionsOf(one));
}
