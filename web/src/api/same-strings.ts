/** Longest text that is looked for: ids, kinds and short names come again and again, running text does not. */
const LONGEST = 40;

/**
 * Makes of equal short texts one and the same. A site says each id three times, as a key, in its
 * order and in the thing itself, and what is read keeps a text for each: on a site of hundreds
 * of pages a tenth of all its memory.
 */
export class SameStrings {
  readonly #known = new Map<string, string>();

  /** The very value it was given, of parsed JSON, with its texts replaced where they stand. */
  in<T>(value: T): T {
    if (Array.isArray(value)) this.#list(value as unknown[]);
    else if (typeof value === 'object' && value !== null) this.#record(value as Record<string, unknown>);
    return value;
  }

  #same(text: string): string {
    if (text.length > LONGEST) return text;
    const known = this.#known.get(text);
    if (known === undefined) this.#known.set(text, text);
    return known ?? text;
  }
  /** Keys come first: they are one and the same anyway. */
  #record(record: Record<string, unknown>): void {
    const keys = Object.keys(record);
    for (const key of keys) this.#same(key);
    for (const key of keys) if (!Array.isArray(record[key])) this.in(record[key]);
    for (const key of keys) {
      const value = record[key];
      if (typeof value === 'string') record[key] = this.#same(value);
      else if (Array.isArray(value)) this.#list(value);
    }
  }
  #list(list: unknown[]): void {
    list.forEach((value, i) => {
      if (typeof value === 'string') list[i] = this.#same(value);
      else this.in(value);
    });
  }
}
