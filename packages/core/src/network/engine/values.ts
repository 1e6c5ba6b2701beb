/* oxlint-disable typescript/no-non-null-assertion -- the index of a name is that of its number */
/** Numbers by key, kept flat: a map to read from, made without filling one. */
export class Values<K> implements ReadonlyMap<K, number> {
  constructor(
    readonly index: ReadonlyMap<K, number>,
    readonly numbers: Float64Array,
  ) {}
  get size(): number {
    return this.index.size;
  }
  has(key: K): boolean {
    return this.index.has(key);
  }
  get(key: K): number | undefined {
    const at = this.index.get(key);
    return at === undefined ? undefined : this.numbers[at];
  }
  forEach(each: (value: number, key: K, map: Values<K>) => void): void {
    for (const [key, at] of this.index) each(this.numbers[at]!, key, this);
  }
  *entries(): MapIterator<[K, number]> {
    for (const [key, at] of this.index) yield [key, this.numbers[at]!];
  }
  keys(): MapIterator<K> {
    return this.index.keys();
  }
  *values(): MapIterator<number> {
    for (const at of this.index.values()) yield this.numbers[at]!;
  }
  [Symbol.iterator](): MapIterator<[K, number]> {
    return this.entries();
  }
}
