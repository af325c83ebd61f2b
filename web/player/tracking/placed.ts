/** Saved progress: where elements lie, and what was watched. The twin of `tracking/placed.py`. */
import type { Index } from "../engine/program";
import type { Offset, State, Stretch } from "../engine/state";
import { number } from "../engine/values";
import { Damaged, type Reader, type Writer } from "./bytes";

type Numbers = ReadonlyMap<string, number>;

/** Write where elements lie and how far videos and sounds were played. */
export function writePlaced(out: Writer, state: State, elements: Numbers): void {
  const dropped = Object.entries(state.dropped)
    .map(([name, on]) => [elements.get(name), elements.get(on)] as const)
    .filter((pair): pair is readonly [number, number] => pair[0] !== undefined && pair[1] !== undefined)
    .sort((a, b) => a[0] - b[0]);
  out.varint(dropped.length);
  for (const [element, target] of dropped) {
    out.varint(element);
    out.varint(target);
  }
  const offsets = numbered(elements, state.offsets);
  out.varint(offsets.length);
  for (const [element, offset] of offsets) {
    out.varint(element);
    for (const part of offset) out.signed(Math.floor(part * 100 + 0.5));
  }
  const watched = numbered(elements, state.watched);
  out.varint(watched.length);
  for (const [element, stretches] of watched) {
    out.varint(element);
    out.varint(stretches.length);
    let end = 0;
    for (const [since, until] of stretches) {
      out.varint(since - end);
      out.varint(until - since);
      end = until;
    }
  }
}

/** Read what `writePlaced` wrote; elements that are gone are left out. */
export function readPlaced(
  source: Reader, index: Index, elements: readonly string[],
): Pick<State, "dropped" | "offsets" | "watched"> {
  const element = (): string => {
    const name = elements[source.varint()];
    if (name === undefined) throw new Damaged("the saved progress names a thing that was never published");
    return name;
  };
  const dropped: Record<string, string> = {};
  for (let left = source.varint(); left > 0; left--) {
    const [name, target] = [element(), element()];
    if (index.elements.has(name) && index.elements.has(target)) dropped[name] = target;
  }
  const offsets: Record<string, Offset> = {};
  for (let left = source.varint(); left > 0; left--) {
    const name = element();
    const offset: Offset = [number(source.signed() / 100), number(source.signed() / 100)];
    if (index.elements.has(name)) offsets[name] = offset;
  }
  const watched: Record<string, Stretch[]> = {};
  for (let left = source.varint(); left > 0; left--) {
    const name = element();
    const stretches: Stretch[] = [];
    let end = 0;
    for (let more = source.varint(); more > 0; more--) {
      const since = end + source.varint();
      end = since + source.varint();
      stretches.push([since, end]);
    }
    if (index.elements.has(name)) watched[name] = stretches;
  }
  return { dropped, offsets, watched };
}

/** The entries whose names are known, by number. */
export function numbered<T>(numbers: Numbers, entries: Readonly<Record<string, T>>): [number, T][] {
  const found: [number, T][] = [];
  for (const [name, value] of Object.entries(entries)) {
    const index = numbers.get(name);
    if (index !== undefined) found.push([index, value]);
  }
  return found.sort((a, b) => a[0] - b[0]);
}
