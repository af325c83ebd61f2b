/**
 * A set, as a value, that grows one by one: the larger one shares its names with the one that it
 * grew from, so that each event of a long run keeps a state of its own at no cost.
 */
export class Growing implements Iterable<string> {
  private constructor(private readonly indexes: Map<string, number>, readonly size: number) {}

  static of(names: Iterable<string> = []): Growing {
    const indexes = new Map<string, number>();
    for (const name of names) if (!indexes.has(name)) indexes.set(name, indexes.size);
    return new Growing(indexes, indexes.size);
  }

  /** Whether `name` is in it; what only came to a larger one is not. */
  has(name: string): boolean {
    return (this.indexes.get(name) ?? this.size) < this.size;
  }

  with(name: string): Growing {
    if (this.has(name)) return this;
    // One that has grown before, another way, begins anew.
    const indexes = this.indexes.size === this.size ? this.indexes : Growing.of(this).indexes;
    indexes.set(name, this.size);
    return new Growing(indexes, this.size + 1);
  }

  *[Symbol.iterator](): Iterator<string> {
    let left = this.size;
    for (const name of this.indexes.keys()) {
      if (left-- <= 0) return;
      yield name;
    }
  }
}
