/** Reading the pieces of older saved progress. The twin of `zigzag_core/tracking/older_bytes.py`. */
import { Damaged } from "./coder";

/** Reads numbers, texts and sets. Throws `Damaged` rather than read past the end. */
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
