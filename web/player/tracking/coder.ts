/** An arithmetic coder that learns as it goes. The twin of `zigzag_core/tracking/coder.py`, which describes it. */

/** Saved progress that cannot be read. */
export class Damaged extends Error {}

const TOP = 0xffffffff;
const HALF = 1 << 15;
const SLOWEST = 30;
const RATES = Uint32Array.from({ length: SLOWEST + 1 }, (_, seen) => Math.floor(65536 / (seen + 2)));
const LEAST = 32;
const MOST_ODDS = 65536 - LEAST;
const LONGEST = 52;
const ADAPTIVE = 3;
const SIZE_CLASSES = 16;
const MOST = 1_000_000;
/** So many places has a context of numbers, and one of letters. */
const NUMBERS = 64 + SIZE_CLASSES * 8;
const LETTERS = 8 << 8;

/** How likely a 1 is at each place of a context, in 65536ths, and how much was seen there. */
class Context {
  readonly odds: Uint16Array;
  private readonly seen: Uint8Array;

  constructor(places: number) {
    this.odds = new Uint16Array(places).fill(HALF);
    this.seen = new Uint8Array(places);
  }

  learn(place: number, bit: number): void {
    const before = this.odds[place] as number;
    const seen = this.seen[place] as number;
    const rate = RATES[seen] as number;
    const odds = bit ? before + (((65536 - before) * rate) >>> 16) : before - ((before * rate) >>> 16);
    this.odds[place] = odds < LEAST ? LEAST : odds > MOST_ODDS ? MOST_ODDS : odds;
    if (seen < SLOWEST) this.seen[place] = seen + 1;
  }
}

/** What writing and reading have in common: contexts by name, and the two ends of the range. */
class Coder {
  private readonly contexts = new Map<string, Context>();
  protected low = 0;
  protected high = TOP;

  protected context(name: string, places = NUMBERS): Context {
    let found = this.contexts.get(name);
    if (!found) this.contexts.set(name, found = new Context(places));
    return found;
  }

  /** The end of the part of the range that stands for a 1. A product below 2^48, so it is exact. */
  protected split(odds: number): number {
    return this.low + Math.floor(((this.high - this.low) * odds) / 65536);
  }

  /** Drop the highest byte of both ends. */
  protected shift(): void {
    this.low = (this.low << 8) >>> 0;
    this.high = ((this.high << 8) | 255) >>> 0;
  }
}

/** Writes numbers, texts and sets, each under the name of a context. */
export class Writer extends Coder {
  private readonly data: number[] = [];

  /** All that was written, in the fewest bytes that say it. */
  done(): number[] {
    for (let count = 0; count < 4; count++) {
      const step = 2 ** (32 - 8 * count);
      const value = Math.ceil(this.low / step) * step;
      if (value <= this.high) return [...this.data, ...bytesOf(value).slice(0, count)];
    }
    return [...this.data, ...bytesOf(this.low)];
  }

  plain(value: number, bits: number): void {
    for (let shift = bits - 1; shift >= 0; shift--) this.narrow(HALF, Math.floor(value / 2 ** shift) % 2);
  }

  number(value: number, name: string): void {
    const context = this.context(name);
    const n = value + 1;
    let size = 0;
    while (n >= 2 ** (size + 1)) this.bit(context, size++, 1);
    this.bit(context, size, 0);
    let prefix = 1;
    for (let depth = 0; depth < Math.min(size, ADAPTIVE); depth++) {
      const bit = Math.floor(n / 2 ** (size - 1 - depth)) % 2;
      this.bit(context, placeOf(size, prefix), bit);
      prefix = prefix * 2 + bit;
    }
    this.plain(n, Math.max(size - ADAPTIVE, 0));
  }

  signed(value: number, name: string): void {
    this.number(value >= 0 ? value * 2 : -value * 2 - 1, name);
  }

  text(value: string, name: string): void {
    const raw = new TextEncoder().encode(value);
    this.number(raw.length, name);
    const context = this.context(`${name} letters`, LETTERS);
    let before = 0;
    for (const byte of raw) {
      let prefix = 1;
      for (let shift = 7; shift >= 0; shift--) {
        const bit = (byte >> shift) & 1;
        this.bit(context, (before << 8) | prefix, bit);
        prefix = prefix * 2 + bit;
      }
      before = byte >> 5;
    }
  }

  /** Write a set of numbers that are given in rising order. */
  members(values: readonly number[], name: string): void {
    this.number(values.length, `${name} count`);
    let before = -1;
    for (const value of values) {
      this.number(value - before - 1, name);
      before = value;
    }
  }

  private bit(context: Context, place: number, bit: number): void {
    this.narrow(context.odds[place] as number, bit);
    context.learn(place, bit);
  }

  private narrow(odds: number, bit: number): void {
    const middle = this.split(odds);
    if (bit) this.high = middle;
    else this.low = middle + 1;
    while ((this.low ^ this.high) >>> 24 === 0) {
      this.data.push(this.high >>> 24);
      this.shift();
    }
  }
}

/** Reads what `Writer` wrote. Throws `Damaged` rather than go on far past the end. */
export class Reader extends Coder {
  private position = 0;
  private value = 0;

  constructor(private readonly data: Uint8Array) {
    super();
    for (let count = 0; count < 4; count++) this.value = this.value * 256 + this.byte();
  }

  plain(bits: number): number {
    let value = 0;
    for (let left = bits; left > 0; left--) value = value * 2 + this.narrow(HALF);
    return value;
  }

  number(name: string): number {
    const context = this.context(name);
    let size = 0;
    while (this.bit(context, size)) {
      size += 1;
      if (size > LONGEST) throw new Damaged("a number in the saved progress is too large");
    }
    let value = 1;
    for (let depth = 0; depth < Math.min(size, ADAPTIVE); depth++) {
      value = value * 2 + this.bit(context, placeOf(size, value));
    }
    const rest = Math.max(size - ADAPTIVE, 0);
    return value * 2 ** rest + this.plain(rest) - 1;
  }

  /** Read how many things follow. */
  count(name: string): number {
    const value = this.number(name);
    if (value > MOST) throw new Damaged("a number in the saved progress is too large");
    return value;
  }

  signed(name: string): number {
    const value = this.number(name);
    return value % 2 ? -(value + 1) / 2 : value / 2;
  }

  text(name: string): string {
    const raw = new Uint8Array(this.count(name));
    const context = this.context(`${name} letters`, LETTERS);
    let before = 0;
    for (let at = 0; at < raw.length; at++) {
      let prefix = 1;
      while (prefix < 256) prefix = prefix * 2 + this.bit(context, (before << 8) | prefix);
      raw[at] = prefix;
      before = (prefix & 255) >> 5;
    }
    try {
      return new TextDecoder("utf-8", { fatal: true, ignoreBOM: true }).decode(raw);
    } catch {
      throw new Damaged("a text in the saved progress cannot be read");
    }
  }

  members(name: string): number[] {
    const found: number[] = [];
    let before = -1;
    for (let left = this.count(`${name} count`); left > 0; left--) {
      before += this.number(name) + 1;
      found.push(before);
    }
    return found;
  }

  private byte(): number {
    this.position += 1;
    if (this.position > this.data.length + 8) throw new Damaged("the saved progress ends too early");
    return this.data[this.position - 1] ?? 0;
  }

  private bit(context: Context, place: number): number {
    const bit = this.narrow(context.odds[place] as number);
    context.learn(place, bit);
    return bit;
  }

  private narrow(odds: number): number {
    const middle = this.split(odds);
    const bit = Number(this.value <= middle);
    if (bit) this.high = middle;
    else this.low = middle + 1;
    while ((this.low ^ this.high) >>> 24 === 0) {
      this.shift();
      this.value = (this.value % 2 ** 24) * 256 + this.byte();
    }
    return bit;
  }
}

/** The place of a leading bit of a number that has `size` bits after its first. */
function placeOf(size: number, prefix: number): number {
  return 64 + Math.min(size, SIZE_CLASSES - 1) * 8 + prefix;
}

function bytesOf(value: number): number[] {
  return [24, 16, 8, 0].map((shift) => Math.floor(value / 2 ** shift) % 256);
}

/** Return the CRC-32 (ISO 3309, as in ZIP and PNG) of `data`. */
export function crc32(data: Iterable<number>): number {
  let crc = 0xffffffff;
  for (const byte of data) crc = (crc >>> 8) ^ (CRC_TABLE[(crc ^ byte) & 255] as number);
  return (crc ^ 0xffffffff) >>> 0;
}

const CRC_TABLE = Uint32Array.from({ length: 256 }, (_, byte) => {
  let crc = byte;
  for (let bit = 0; bit < 8; bit++) crc = crc & 1 ? (crc >>> 1) ^ 0xedb88320 : crc >>> 1;
  return crc;
});

/** Return bytes as text in the alphabet of base64url (RFC 4648), without padding. */
export function toBase64Url(data: readonly number[]): string {
  let text = "";
  for (const byte of data) text += String.fromCharCode(byte);
  return btoa(text).replaceAll("+", "-").replaceAll("/", "_").replace(/=+$/, "");
}

/** Return the bytes of a text in base64url; throws `Damaged` where it is none. */
export function fromBase64Url(text: string): Uint8Array {
  if (!/^[A-Za-z0-9_-]*$/.test(text) || text.length % 4 === 1) {
    throw new Damaged("the saved progress is not the text that was saved");
  }
  const raw = atob(text.replaceAll("-", "+").replaceAll("_", "/"));
  return Uint8Array.from(raw, (character) => character.charCodeAt(0));
}
