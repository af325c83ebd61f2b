/** Which units of a set can be taken together. The twin of `zigzag_core/quiz/selecting.py`, which says how. */
import { LIMITS } from "../../../api/tables";
import type { DrawLimit, DrawnSet, DrawnUnit } from "../../../api/types";

/** Units that make no difference to what is permitted, by their place in the set. */
interface Alike {
  readonly units: number[];
  readonly questions: number;
  readonly counts: readonly number[];
  readonly free: boolean;
}

/** From which class on, questions still to take, what counted so far, free units still to take. */
type Rest = readonly [first: number, questions: number, counted: readonly number[], free: number];

/** What the classes from one on can give. */
interface Reach {
  readonly free: number;
  readonly least: number;
  readonly most: number;
  readonly pinned: number;
}

/** The permitted selections from the units of a set; how many there are by the number of units that a shuffle moves. */
export class Selections {
  readonly byFree = new Map<number, bigint>();
  steps = 0;
  private readonly reach: readonly Reach[];
  private readonly classes: readonly Alike[];
  private readonly asked: number;
  private readonly ways = new Map<string, bigint>();

  constructor(units: readonly DrawnUnit[], private readonly take: number | null, private readonly limits: readonly DrawLimit[]) {
    this.classes = classesOf(units, limits.length);
    this.asked = take ?? units.reduce((sum, unit) => sum + unit.questions, 0);
    this.reach = reachesOf(this.classes);
    const most = this.reach[0]?.free ?? 0;
    for (let free = 0; free <= most; free++) {
      const ways = this.count(this.first(free));
      if (this.steps > LIMITS.most_counted) {
        this.byFree.clear();
        break;
      }
      if (ways) this.byFree.set(free, ways);
    }
  }

  /** The units, by their place, of selection number `rank` of those with `free` units to shuffle. */
  selection(free: number, rank: bigint): number[] {
    const found: number[] = [];
    let [rest, left] = [this.first(free), rank];
    for (const alike of this.classes) {
      for (const [taken, after] of this.choices(rest)) {
        const ways = this.count(after);
        const size = binomial(alike.units.length, taken) * ways;
        if (left < size) {
          for (const place of combination(alike.units.length, taken, left / ways)) found.push(alike.units[place] as number);
          [rest, left] = [after, left % ways];
          break;
        }
        left -= size;
      }
    }
    return found.sort((a, b) => a - b);
  }

  private first(free: number): Rest {
    return [0, this.asked, this.limits.map(() => 0), free];
  }

  private count(rest: Rest): bigint {
    const key = rest.join(" ");
    const known = this.ways.get(key);
    if (known !== undefined) return known;
    const [first, questions, counted, free] = rest;
    const alike = this.classes[first];
    const reach = this.reach[first] as Reach;
    let ways = 0n;
    if (free <= reach.free && reach.least * free <= questions && questions <= reach.most * free + reach.pinned) {
      if (alike) {
        const choices = this.choices(rest);
        this.steps += choices.length;
        // Too many: what is counted then is not used.
        if (this.steps > LIMITS.most_counted) return 0n;
        for (const [taken, after] of choices) ways += binomial(alike.units.length, taken) * this.count(after);
      } else if (this.limits.every(({ least }, at) => (counted[at] ?? 0) >= least)) ways = 1n;
    }
    this.ways.set(key, ways);
    return ways;
  }

  private choices([first, questions, counted, free]: Rest): [taken: number, after: Rest][] {
    const alike = this.classes[first] as Alike;
    const size = alike.units.length;
    const least = this.take === null || !alike.questions ? size : 0;
    let most = alike.free ? Math.min(size, free) : size;
    if (alike.questions) most = Math.min(most, Math.floor(questions / alike.questions));
    const found: [number, Rest][] = [];
    for (let taken = least; taken <= most; taken++) {
      const counts = this.counted(counted, alike, taken);
      if (!counts) break;
      found.push([taken, [first + 1, questions - taken * alike.questions, counts, alike.free ? free - taken : free]]);
    }
    return found;
  }

  /** What has counted with so many more; null above a limit. Enough is as good as more. */
  private counted(counted: readonly number[], alike: Alike, taken: number): number[] | null {
    const after: number[] = [];
    for (const [at, { least, most }] of this.limits.entries()) {
      const total = (counted[at] ?? 0) + (alike.counts[at] ?? 0) * taken;
      if (most !== null && most !== undefined && total > most) return null;
      after.push(most === null || most === undefined ? Math.min(total, least) : total);
    }
    return after;
  }
}

function reachesOf(classes: readonly Alike[]): Reach[] {
  const found: Reach[] = [{ free: 0, least: 0, most: 0, pinned: 0 }];
  for (const { units, questions, free } of [...classes].reverse()) {
    const after = found[0] as Reach;
    found.unshift(free ? {
      free: after.free + units.length, least: after.free ? Math.min(after.least, questions) : questions,
      most: Math.max(after.most, questions), pinned: after.pinned,
    } : { ...after, pinned: after.pinned + questions * units.length });
  }
  return found;
}

/** The selections of a set; where nothing meets what it asks, all of it is taken. */
export function selectionsOf({ units, take, limits }: DrawnSet): Selections {
  const asked = new Selections(units, take ?? null, limits);
  return asked.byFree.size ? asked : new Selections(units, null, []);
}

/** Combination number `rank` of `taken` out of `size`, as places, rising. */
function combination(size: number, taken: number, rank: bigint): number[] {
  const found: number[] = [];
  let left = rank;
  for (let place = 0; place < size && found.length < taken; place++) {
    const withIt = binomial(size - place - 1, taken - found.length - 1);
    if (left < withIt) found.push(place);
    else left -= withIt;
  }
  return found;
}

/** How many ways there are to take `taken` out of `size`. */
function binomial(size: number, taken: number): bigint {
  if (taken < 0 || taken > size) return 0n;
  return factorial(size) / (factorial(taken) * factorial(size - taken));
}

const factorials = [1n];

/** In how many orders so many things can come. */
export function factorial(number: number): bigint {
  while (factorials.length <= number) factorials.push((factorials.at(-1) as bigint) * BigInt(factorials.length));
  return factorials[number] as bigint;
}

function classesOf(units: readonly DrawnUnit[], limits: number): Alike[] {
  const alike = new Map<string, Alike>();
  units.forEach(({ questions, counts, pin }, place) => {
    const those = Array.from({ length: limits }, (_, at) => counts[at] ?? 0);
    const key = [questions, ...those, pin === "none"].join(" ");
    const known = alike.get(key);
    if (known) known.units.push(place);
    else alike.set(key, { units: [place], questions, counts: those, free: pin === "none" });
  });
  return [...alike.values()];
}
