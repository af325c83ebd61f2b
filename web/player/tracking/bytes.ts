/** The pieces that saved progress is packed from. The twin of `zigzag_core/tracking/bytes.py`. */

/** Saved progress that cannot be read. */
export class Damaged extends Error {}

/** Writes numbers and texts as bytes, small ones short. */
export class Writer {
  readonly data: number[] = [];

  /** Unsigned, below 2^53: arithmetic, since bit operations end at 32 bits. */
  varint(value: number): void {
    let rest = value;
    while (rest > 0x7f) {
      this.data.push((rest % 0x80) | 0x80);
      rest = Math.floor(rest / 0x80);
    }
    this.data.push(rest);
  }

  signed(value: number): void {
    this.varint(value >= 0 ? value * 2 : -value * 2 - 1);
  }

  u32(value: number): void {
    this.data.push(value & 255, (value >>> 8) & 255, (value >>> 16) & 255, value >>> 24);
  }

  text(value: string): void {
    const raw = new TextEncoder().encode(value);
    this.varint(raw.length);
    this.data.push(...raw);
  }

  bits(members: Iterable<number>): void {
    const bitmap: number[] = [];
    for (const member of members) {
      const index = member >> 3;
      while (bitmap.length <= index) bitmap.push(0);
      bitmap[index] = (bitmap[index] ?? 0) | (1 << (member & 7));
    }
    this.varint(bitmap.length);
    this.data.push(...bitmap);
  }
}

/** Reads what `Writer` wrote. Throws `Damaged` rather than read past the end. */
export class Reader {
  private index = 0;

  constructor(private readonly data: Uint8Array) {}

  take(count: number): Uint8Array {
    const end = this.index + count;
    if (end > this.data.length) throw new Damaged("the saved progress ends too early");
    const piece = this.data.subarray(this.index, end);
    this.index = end;
    return piece;
  }

  varint(): number {
    let value = 0;
    let scale = 1;
    for (let count = 0; count < 8; count++) {
      const byte = this.take(1)[0] as number;
      value += (byte & 0x7f) * scale;
      if (byte < 0x80) return value;
      scale *= 0x80;
    }
    throw new Damaged("a number in the saved progress is too large");
  }

  signed(): number {
    const value = this.varint();
    return value % 2 ? -(value + 1) / 2 : value / 2;
  }

  u32(): number {
    const [a, b, c, d] = this.take(4) as unknown as [number, number, number, number];
    return (a | (b << 8) | (c << 16) | (d << 24)) >>> 0;
  }

  text(): string {
    try {
      return new TextDecoder("utf-8", { fatal: true }).decode(this.take(this.varint()));
    } catch (error) {
      if (error instanceof Damaged) throw error;
      throw new Damaged("a text in the saved progress cannot be read");
    }
  }

  bits(): number[] {
    const members: number[] = [];
    this.take(this.varint()).forEach((byte, index) => {
      for (let bit = 0; bit < 8; bit++) if ((byte >> bit) & 1) members.push(index * 8 + bit);
    });
    return members;
  }
}

/** Return the CRC-32 (ISO 3309, as in ZIP and PNG) of `data`. */
export function crc32(data: Iterable<number>): number {
  let crc = 0xffffffff;
  for (const byte of data) {
    crc ^= byte;
    for (let bit = 0; bit < 8; bit++) crc = crc & 1 ? (crc >>> 1) ^ 0xedb88320 : crc >>> 1;
  }
  return (crc ^ 0xffffffff) >>> 0;
}

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
