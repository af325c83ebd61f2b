/**
 * A set, as a value, that grows one by one: the larger one shares its names with the one that it
 * grew from, so that each event of a long run keeps a state of its own at no cost.
 */
export class Growing implements Iterable<string> {
  private constructor(private readonly places: Map<string, number>, readonly size: number) {}

  static of(names: Iterable<string> = []): Growing {
    const places = new Map<string, number>();
    for (const name of names) if (!places.has(name)) places.set(name, places.size);
    return new Growing(places, places.size);
  }

  /** Whether `name` is in it; what only came to a larger one is not. */
  has(name: string): boolean {
    return (this.places.get(name) ?? this.size) < this.size;
  }

  with(name: string): Growing {
    if (this.has(name)) return this;
    // One that has grown before, another way, begins anew.
    const places = this.places.size === this.size ? this.places : Growing.of(this).places;
    places.set(name, this.size);
    return new Growing(places, this.size + 1);
  }

  *[Symbol.iterator](): Iterator<string> {
    let left = this.size;
    for (const name of this.places.keys()) {
      if (left-- <= 0) return;
      yield name;
    }
  }
}
