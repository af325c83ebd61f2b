/** Where the turns of a dialogue stand: row by row as one comes to them; lines keep clear of what they pass. */

export interface Lead { source: number; target: number }
export interface Place { x: number; y: number }
export interface Drawing {
  /** The middles of the turns, in px. */
  places: readonly Place[];
  /** By way: the points that its line goes through, between the turns that it joins. */
  bends: readonly (readonly Place[])[];
  width: number;
  height: number;
}

/** The box of a turn, in px. */
export const BOX = { w: 128, h: 40 } as const;
/** The room of a line that passes a row. */
const PASS = 20;
const ACROSS = 18;
const DOWN = 62;
const ABOVE = 22;
const SIDE = 30;
const SWEEPS = 6;
/** So many places where lines pass a row are kept clear; in a larger dialogue the rest of the lines go straight. */
const MOST_PASSES = 4_000;

/** A turn, or where the line of a way passes a row. */
interface Node { row: number; w: number; x: number; above: number[]; below: number[] }

/** Return where `count` turns stand, the first one on top. Turns that nothing leads to stand below. */
export function laidOut(count: number, leads: readonly Lead[]): Drawing {
  const back = leadingBack(count, leads);
  const onward = leads.filter((_, number) => !back.has(number));
  const rows = ranks(count, onward);
  const nodes: Node[] = rows.map((row) => ({ row, w: BOX.w, x: 0, above: [], below: [] }));
  const passes = leads.map((lead, number) => (back.has(number) ? [] : joined(nodes, lead)));
  const order = sorted(nodes);
  placed(nodes, order);
  const [left, right] = edges(nodes);
  const at = ({ x, row }: Node): Place => ({ x: x - left + SIDE, y: ABOVE + row * (BOX.h + DOWN) + BOX.h / 2 });
  const places = nodes.map(at);
  return {
    places: places.slice(0, count), bends: passes.map((those) => those.flatMap((node) => places[node] ?? [])),
    width: right - left + 2 * SIDE, height: ABOVE + order.length * (BOX.h + DOWN) - DOWN + 10,
  };
}

function edges(nodes: readonly Node[]): [number, number] {
  return [Math.min(0, ...nodes.map(({ x, w }) => x - w / 2)), Math.max(0, ...nodes.map(({ x, w }) => x + w / 2))];
}

/** Join the turns of a way, over a node of its own in every row between them; return these. */
function joined(nodes: Node[], { source, target }: Lead): number[] {
  const [from, to] = [nodes[source], nodes[target]];
  const made: number[] = [];
  let last = source;
  const straight = nodes.length + (to?.row ?? 0) - (from?.row ?? 0) > MOST_PASSES;
  for (let row = (from?.row ?? 0) + 1; row < (to?.row ?? 0) && !straight; row += 1) {
    nodes.push({ row, w: PASS, x: 0, above: [last], below: [] });
    nodes[last]?.below.push(nodes.length - 1);
    last = nodes.length - 1;
    made.push(last);
  }
  nodes[last]?.below.push(target);
  to?.above.push(last);
  return made;
}

/** The ways that lead back to where one came from, by their number. */
function leadingBack(count: number, leads: readonly Lead[]): ReadonlySet<number> {
  const from = Array.from({ length: count }, (): number[] => []);
  leads.forEach(({ source }, number) => from[source]?.push(number));
  const state = new Uint8Array(count);
  const back = new Set<number>();
  for (let root = 0; root < count; root += 1) {
    if (state[root]) continue;
    const path = [{ turn: root, next: 0 }];
    state[root] = 1;
    for (let here = path.at(-1); here; here = path.at(-1)) {
      const number = from[here.turn]?.[here.next];
      const target = leads[number ?? -1]?.target;
      here.next += 1;
      if (number === undefined || target === undefined) {
        state[here.turn] = 2;
        path.pop();
      } else if (state[target] === 1) back.add(number);
      else if (!state[target]) {
        state[target] = 1;
        path.push({ turn: target, next: 0 });
      }
    }
  }
  return back;
}

/** How many turns one comes through to each turn at most; what nothing leads to stands in a last row. */
function ranks(count: number, leads: readonly Lead[]): number[] {
  const into = new Array<number>(count).fill(0);
  const from = Array.from({ length: count }, (): number[] => []);
  for (const { source, target } of leads) {
    into[target] = (into[target] ?? 0) + 1;
    from[source]?.push(target);
  }
  const lonely = new Set(into.flatMap((number, turn) => (number === 0 && turn > 0 ? [turn] : [])));
  const rank = new Array<number>(count).fill(0);
  const todo = into.flatMap((number, turn) => (number === 0 ? [turn] : []));
  for (const turn of todo) {
    for (const target of from[turn] ?? []) {
      if (!lonely.has(turn)) rank[target] = Math.max(rank[target] ?? 0, (rank[turn] ?? 0) + 1);
      into[target] = (into[target] ?? 1) - 1;
      if (into[target] === 0) todo.push(target);
    }
  }
  const last = Math.max(...rank, 0) + 1;
  return rank.map((depth, turn) => (lonely.has(turn) ? last : depth));
}

/** Order each row by where those stand that lead to it, then by those that it leads to (barycentre; Sugiyama, 1981). */
function sorted(nodes: readonly Node[]): number[][] {
  const rows: number[][] = [];
  nodes.forEach(({ row }, node) => { (rows[row] ??= []).push(node); });
  const order = rows.filter(Boolean);
  const at = new Float64Array(nodes.length);
  const number = (row: readonly number[]): void => row.forEach((node, place) => { at[node] = place - row.length / 2; });
  order.forEach(number);
  for (let sweep = 0; sweep < SWEEPS; sweep += 1) {
    const side = sweep % 2 ? "below" : "above";
    for (const row of sweep % 2 ? [...order].reverse() : order) {
      const middles = new Map(row.map((node) => [node, mean(nodes[node]?.[side] ?? [], at, at[node] ?? 0)]));
      row.sort((a, b) => (middles.get(a) ?? 0) - (middles.get(b) ?? 0));
      number(row);
    }
  }
  return order;
}

function mean(those: readonly number[], at: Float64Array, none: number): number {
  return those.length ? those.reduce((sum, node) => sum + (at[node] ?? 0), 0) / those.length : none;
}

/** Put each node below or above the middle of those that it is joined to, as far as its neighbours leave room. */
function placed(nodes: readonly Node[], order: readonly (readonly number[])[]): void {
  const x = new Float64Array(nodes.length);
  const width = (node: number): number => nodes[node]?.w ?? 0;
  const pack = (row: readonly number[], wanted: (node: number) => number): void => {
    let edge = -Infinity;
    const put = row.map((node) => {
      const middle = Math.max(wanted(node), edge + width(node) / 2);
      edge = middle + width(node) / 2 + ACROSS;
      return middle;
    });
    // What was pushed aside is shared out: the row as a whole stands where it wants to.
    const off = row.reduce((sum, node, place) => sum + wanted(node) - (put[place] ?? 0), 0) / (row.length || 1);
    row.forEach((node, place) => { x[node] = (put[place] ?? 0) + off; });
  };
  for (const row of order) pack(row, () => 0);
  for (let sweep = 0; sweep < SWEEPS; sweep += 1) {
    const side = sweep % 2 ? "below" : "above";
    for (const row of sweep % 2 ? [...order].reverse() : order) pack(row, (node) => mean(nodes[node]?.[side] ?? [], x, x[node] ?? 0));
  }
  nodes.forEach((node, number) => { node.x = x[number] ?? 0; });
}

/** The line from one turn to another: down to what follows, round the side to what was there before, a loop to itself. */
export function lineOf(from: Place, to: Place, bends: readonly Place[]): string {
  const [half, low] = [BOX.w / 2, BOX.h / 2];
  if (from === to) return `M${from.x - half} ${from.y - 8}c-30 -6 -30 26 0 20`;
  if (to.y > from.y) {
    const points = [{ x: from.x, y: from.y + low }, ...bends.flatMap(({ x, y }) => [{ x, y: y - low }, { x, y: y + low }]), { x: to.x, y: to.y - low }];
    return points.slice(1).reduce((line, point, number) => {
      const before = points[number] ?? point;
      const bend = (point.y - before.y) / 2;
      return `${line}C${before.x} ${before.y + bend} ${point.x} ${point.y - bend} ${point.x} ${point.y}`;
    }, `M${from.x} ${from.y + low}`);
  }
  const side = to.x >= from.x ? 1 : -1;
  const out = Math.max(from.x * side, to.x * side) * side + side * (half + 22);
  return `M${from.x + side * half} ${from.y}C${out} ${from.y} ${out} ${to.y} ${to.x + side * half} ${to.y}`;
}
