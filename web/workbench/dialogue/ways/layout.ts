/** Where the turns of a dialogue stand: row by row as one comes to them, those that belong together near each other. */

export interface Lead { source: number; target: number }
export interface Place { x: number; y: number }
export interface Drawing { places: readonly Place[]; width: number; height: number }

/** The box of a turn, in px. */
export const BOX = { w: 128, h: 40 } as const;
const ACROSS = 20;
const DOWN = 58;
const SIDE = 34;
const SWEEPS = 4;

/** Return the middles of `count` turns (px), the first one on top. Turns that nothing leads to stand below. */
export function laidOut(count: number, leads: readonly Lead[]): Drawing {
  const onward = forward(count, leads);
  const rows = inRows(ranks(count, onward));
  const order = sorted(rows, onward);
  const widest = Math.max(...order.map((row) => row.length), 1);
  const width = widest * (BOX.w + ACROSS) - ACROSS + 2 * SIDE;
  const places: Place[] = Array.from({ length: count }, () => ({ x: 0, y: 0 }));
  order.forEach((row, depth) => {
    const room = row.length * (BOX.w + ACROSS) - ACROSS;
    row.forEach((turn, at) => {
      places[turn] = { x: (width - room) / 2 + at * (BOX.w + ACROSS) + BOX.w / 2, y: depth * (BOX.h + DOWN) + BOX.h / 2 + 8 };
    });
  });
  return { places, width, height: order.length * (BOX.h + DOWN) - DOWN + 16 };
}

/** The ways that lead on, without those that lead back to where one came from. */
function forward(count: number, leads: readonly Lead[]): Lead[] {
  const from = new Map<number, number[]>();
  for (const { source, target } of leads) from.set(source, [...(from.get(source) ?? []), target]);
  const state = new Uint8Array(count);
  const back = new Set<string>();
  for (let root = 0; root < count; root += 1) {
    if (state[root]) continue;
    const path = [{ turn: root, next: 0 }];
    state[root] = 1;
    while (path.length) {
      const here = path[path.length - 1] as { turn: number; next: number };
      const target = from.get(here.turn)?.[here.next];
      here.next += 1;
      if (target === undefined) {
        state[here.turn] = 2;
        path.pop();
      } else if (state[target] === 1) back.add(`${here.turn} ${target}`);
      else if (!state[target]) {
        state[target] = 1;
        path.push({ turn: target, next: 0 });
      }
    }
  }
  return leads.filter(({ source, target }) => !back.has(`${source} ${target}`));
}

/** How many turns one comes through to each turn at most; what nothing leads to stands in a last row. */
function ranks(count: number, leads: readonly Lead[]): number[] {
  const into = new Array<number>(count).fill(0);
  const from = new Map<number, number[]>();
  for (const { source, target } of leads) {
    into[target] = (into[target] ?? 0) + 1;
    from.set(source, [...(from.get(source) ?? []), target]);
  }
  const lonely = new Set(into.flatMap((number, turn) => (number === 0 && turn > 0 ? [turn] : [])));
  const rank = new Array<number>(count).fill(0);
  const todo = into.flatMap((number, turn) => (number === 0 ? [turn] : []));
  for (let at = 0; at < todo.length; at += 1) {
    const turn = todo[at] as number;
    for (const target of from.get(turn) ?? []) {
      if (!lonely.has(turn)) rank[target] = Math.max(rank[target] ?? 0, (rank[turn] ?? 0) + 1);
      into[target] = (into[target] ?? 1) - 1;
      if (into[target] === 0) todo.push(target);
    }
  }
  const last = Math.max(...rank) + 1;
  return rank.map((depth, turn) => (lonely.has(turn) ? last : depth));
}

function inRows(rank: readonly number[]): number[][] {
  const rows: number[][] = [];
  rank.forEach((depth, turn) => { (rows[depth] ??= []).push(turn); });
  return rows.filter((row) => row.length > 0);
}

/** Order each row by where those stand that lead to it, then by those that it leads to (barycentre; Sugiyama, 1981). */
function sorted(rows: readonly (readonly number[])[], leads: readonly Lead[]): number[][] {
  const above = new Map<number, number[]>();
  const below = new Map<number, number[]>();
  for (const { source, target } of leads) {
    above.set(target, [...(above.get(target) ?? []), source]);
    below.set(source, [...(below.get(source) ?? []), target]);
  }
  const order = rows.map((row) => [...row]);
  for (let sweep = 0; sweep < SWEEPS; sweep += 1) {
    const near = sweep % 2 ? below : above;
    const at = new Map(order.flatMap((row) => row.map((turn, place) => [turn, place - row.length / 2] as const)));
    const middle = (turn: number): number => {
      const those = near.get(turn) ?? [];
      return those.length ? those.reduce((sum, other) => sum + (at.get(other) ?? 0), 0) / those.length : at.get(turn) ?? 0;
    };
    for (const row of sweep % 2 ? [...order].reverse() : order) {
      row.sort((a, b) => middle(a) - middle(b));
      row.forEach((turn, place) => at.set(turn, place - row.length / 2));
    }
  }
  return order;
}

/** The line from one turn to another: down to what follows, round the side to what was there before, a loop to itself. */
export function lineOf(from: Place, to: Place): string {
  const [half, low] = [BOX.w / 2, BOX.h / 2];
  if (from === to) return `M${from.x - half} ${from.y - 8}c-30 -6 -30 26 0 20`;
  if (to.y > from.y) {
    const bend = (to.y - from.y - BOX.h) / 2;
    return `M${from.x} ${from.y + low}C${from.x} ${from.y + low + bend} ${to.x} ${to.y - low - bend} ${to.x} ${to.y - low}`;
  }
  const side = to.x >= from.x ? 1 : -1;
  const out = Math.max(from.x * side, to.x * side) * side + side * (half + 22);
  return `M${from.x + side * half} ${from.y}C${out} ${from.y} ${out} ${to.y} ${to.x + side * half} ${to.y}`;
}
