/**
 * Remembers what was computed for a key, for the `most` keys used last. For what follows from content alone: a plan of a text, a
 * fit for a profile. Not for anything that time or people change.
 */
export class BoundedCache<K, V> {
  readonly #most: number;
  readonly #kept = new Map<K, V>();

  constructor(most: number) {
    if (!Number.isInteger(most) || most < 1) throw new RangeError(`a cache holds one value or more, not ${most}`);
    this.#most = most;
  }

  get size(): number {
    return this.#kept.size;
  }

  /** The value of a key, where it is remembered. */
  peek(key: K): V | undefined {
    return this.#kept.has(key) ? this.get(key, () => undefined as never) : undefined;
  }

  /** The value of a key; computed where it isn't remembered. What throws isn't remembered. */
  get(key: K, compute: () => V): V {
    if (this.#kept.has(key)) {
      const value = this.#kept.get(key)!;
      this.#kept.delete(key);
      this.#kept.set(key, value);
      return value;
    }
    const value = compute();
    this.#kept.set(key, value);
    if (this.#kept.size > this.#most) this.#kept.delete(this.#kept.keys().next().value!);
    return value;
  }
}
